// One plot as a piece of SVG: lines over a pair of axes, each named at its end.
import { extent } from 'd3-array';
import { scaleLinear, scaleLog } from 'd3-scale';
import { line } from 'd3-shape';

const SIZE = { width: 640, height: 320, left: 56, right: 150, top: 16, bottom: 44 };
const INKS = ['#24468f', '#97361f', '#575c12', '#5a5045', '#7b5ea7', '#1f7a6d', '#a96a00'];

const escaped = (text) => String(text).replaceAll('&', '&amp;').replaceAll('<', '&lt;');

/**
 * @param plot { x: { label, log? }, y: { label, from?, to? }, series: [{ name, points: [[x, y]], dashed? }], rules?: [{ y, text }] }
 * @returns an SVG document
 */
export function draw({ x, y, series, rules = [] }) {
  const { width, height, left, right, top, bottom } = SIZE;
  const all = series.flatMap((s) => s.points);
  const scale = (x.log ? scaleLog() : scaleLinear()).domain(extent(all, (p) => p[0])).range([left, width - right]);
  const [low, high] = extent(all, (p) => p[1]);
  const up = scaleLinear()
    .domain([y.from ?? low, y.to ?? high])
    .nice()
    .range([height - bottom, top]);
  const path = line(
    (p) => scale(p[0]).toFixed(1),
    (p) => up(p[1]).toFixed(1),
  );
  const grid = up
    .ticks(6)
    .map(
      (at) =>
        `<line x1="${left}" x2="${width - right}" y1="${up(at)}" y2="${up(at)}" stroke="#d3c5ae"/>` +
        `<text x="${left - 8}" y="${up(at) + 4}" text-anchor="end">${up.tickFormat(6)(at)}</text>`,
    );
  const across = scale
    .ticks(6)
    .map(
      (at) =>
        `<line x1="${scale(at)}" x2="${scale(at)}" y1="${height - bottom}" y2="${height - bottom + 5}" stroke="#5a5045"/>` +
        `<text x="${scale(at)}" y="${height - bottom + 18}" text-anchor="middle">${scale.tickFormat(6)(at)}</text>`,
    );
  const wanted = rules.map(
    (rule) =>
      `<line x1="${left}" x2="${width - right}" y1="${up(rule.y)}" y2="${up(rule.y)}" stroke="#26201a" stroke-dasharray="2 4"/>` +
      `<text x="${left + 6}" y="${up(rule.y) - 4}">${escaped(rule.text)}</text>`,
  );
  const names = spread(series.map((s) => up(s.points.at(-1)[1])));
  const lines = series.map((s, i) => {
    const ink = INKS[i % INKS.length];
    return (
      `<path d="${path(s.points)}" fill="none" stroke="${ink}" stroke-width="2"${s.dashed ? ' stroke-dasharray="5 4"' : ''}/>` +
      `<text x="${width - right + 8}" y="${(names[i] + 4).toFixed(1)}" fill="${ink}" font-weight="600">${escaped(s.name)}</text>`
    );
  });
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}" font-family="system-ui, sans-serif" font-size="12" fill="#26201a">`,
    `<rect width="${width}" height="${height}" fill="#fbf6ec"/>`,
    ...grid,
    ...across,
    ...wanted,
    ...lines,
    `<text x="${(left + width - right) / 2}" y="${height - 8}" text-anchor="middle">${escaped(x.label)}</text>`,
    `<text transform="translate(14 ${(height - bottom + top) / 2}) rotate(-90)" text-anchor="middle">${escaped(y.label)}</text>`,
    '</svg>',
    '',
  ].join('\n');
}

const APART = 15;
const LOWEST = SIZE.height - SIZE.bottom;

/** Heights of names moved apart where they would lie on each other. */
function spread(heights) {
  const order = heights.map((at, i) => ({ at, i })).sort((a, b) => a.at - b.at);
  order.forEach((name, k) => k > 0 && (name.at = Math.max(name.at, order[k - 1].at + APART)));
  // and up again where the last would fall off the sheet
  order.forEach((name, k) => (name.at = Math.min(name.at, LOWEST - APART * (order.length - 1 - k))));
  const out = [];
  for (const { at, i } of order) out[i] = at;
  return out;
}
