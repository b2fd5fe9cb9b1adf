/** What a drawing takes from the page's style sheet. */
const STYLED = [
  'fill',
  'fill-opacity',
  'stroke',
  'stroke-width',
  'stroke-dasharray',
  'stroke-opacity',
  'opacity',
  'font-size',
  'font-weight',
  'text-anchor',
  'stop-color',
  'stop-opacity',
] as const;

/** The rim that keeps letters legible on a screen would lie over them on paper. */
const isHalo = (part: Element, name: string) => part.tagName === 'text' && name.startsWith('stroke');

/**
 * A drawing of the page as one that stands alone: what its style sheet says is written onto each of its parts, in the
 * colours of daylight, whichever the page has.
 */
export function inked(drawing: SVGSVGElement): string {
  const root = document.documentElement;
  const light = root.dataset['light'];
  delete root.dataset['light'];
  const copy = drawing.cloneNode(true) as SVGSVGElement;
  const parts = [...drawing.querySelectorAll('*')];
  for (const [i, part] of [...copy.querySelectorAll('*')].entries()) {
    const styles = getComputedStyle(parts[i]!);
    for (const name of STYLED) {
      const value = styles.getPropertyValue(name);
      if (value && !value.startsWith('url(') && !isHalo(part, name))
        part.setAttribute(name, value.replace(/px\b/g, ''));
    }
    part.removeAttribute('class');
  }
  if (light !== undefined) root.dataset['light'] = light;
  for (const title of copy.querySelectorAll('title')) title.remove();
  copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg');
  return copy.outerHTML;
}
