/** Outline of a brush dot of a radius, px, about the origin: it is never a perfect circle. */
export function brush(r: number): string {
  return `M${-r} ${r * 0.1}C${-r} ${-r * 0.75} ${-r * 0.5} ${-r * 1.02} ${r * 0.1} ${-r * 0.96}S${r * 1.12} ${-r * 0.4} ${r} ${r * 0.2}S${r * 0.35} ${r * 1.05} ${-r * 0.15} ${r * 0.95}S${-r} ${r * 0.7} ${-r} ${r * 0.1}Z`;
}
