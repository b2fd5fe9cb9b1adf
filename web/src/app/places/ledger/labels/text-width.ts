import type { Weight } from './label-fit';

/** The faces of a label as the page has them: the same as are printed. */
const FACES: Readonly<Record<Weight, string>> = {
  name: "700 100px 'Bitter Variable', Georgia, serif",
  bold: "700 100px 'Hanken Grotesk Variable', system-ui, sans-serif",
  plain: "400 100px 'Hanken Grotesk Variable', system-ui, sans-serif",
};

/** The width of a text in letters of size 1, measured as the browser draws it. */
export function textWidth(): (text: string, weight: Weight) => number {
  const context = document.createElement('canvas').getContext('2d')!;
  return (text, weight) => {
    context.font = FACES[weight];
    return context.measureText(text).width / 100;
  };
}
