import { AxeBuilder } from '@axe-core/playwright';
import type { Locator, Page } from '@playwright/test';

/** Ids of serious and critical accessibility faults of what is shown, each with where it was found. */
export async function seriousFaults(page: Page, within?: string, rules?: string[]): Promise<readonly string[]> {
  // Within the page itself: it has no frames, and a page of its own for each look takes seconds.
  const axe = new AxeBuilder({ page }).setLegacyMode(true);
  if (rules) axe.withRules(rules);
  const { violations } = await (within ? axe.include(within) : axe).analyze();
  return violations
    .filter((v) => v.impact === 'serious' || v.impact === 'critical')
    .map((v) => `${v.id}: ${v.nodes.map((n) => n.target.join(' ')).join(', ')}`);
}

/** Opens another place of a page that is open, as its links do: without reading everything anew. */
export async function goTo(page: Page, path: string): Promise<void> {
  await page.evaluate((to) => {
    history.pushState({}, '', to);
    dispatchEvent(new PopStateEvent('popstate'));
  }, path);
  await page.waitForURL((url) => url.pathname.startsWith(path));
}

/** Where things are once they have stood there for a second: a shelf that arrives above pushes all of a page down. */
export async function restingBoxes(page: Page, ...things: readonly Locator[]): Promise<readonly Box[]> {
  const look = () => Promise.all(things.map(async (thing) => (await thing.boundingBox())!));
  for (let before = await look(); ;) {
    await page.waitForTimeout(1000);
    const now = await look();
    if (JSON.stringify(now) === JSON.stringify(before)) return now;
    before = now;
  }
}

/** A rectangle of the page, px. */
export type Box = NonNullable<Awaited<ReturnType<Locator['boundingBox']>>>;

/** Chooses from a list of the household's dialog. */
export async function pick(page: Page, field: string, option: string): Promise<void> {
  await page.getByRole('dialog').getByRole('combobox', { name: field, exact: true }).click();
  await page.getByRole('option', { name: option }).click();
}

/** Everything that is read on a page: its words, its fields, and what a screen reader is told. */
export async function readAll(page: Page): Promise<readonly string[]> {
  return page.evaluate(() => {
    const found: string[] = [];
    const walk = (node: Node): void => {
      if (node.nodeType === Node.TEXT_NODE) found.push(node.textContent ?? '');
      if (!(node instanceof Element) || ['SCRIPT', 'STYLE'].includes(node.tagName)) return;
      for (const name of ['aria-label', 'title', 'placeholder']) found.push(node.getAttribute(name) ?? '');
      if (node instanceof HTMLInputElement) found.push(node.value);
      node.childNodes.forEach(walk);
    };
    walk(document.body);
    return found.map((text) => text.replace(/\s+/g, ' ').trim()).filter(Boolean);
  });
}
