import { linkHorizontal } from 'd3-shape';
import type { Trace, TraceNode } from '@oat-crock/core';

const BOX_WIDTH = 148;
const BOX_HEIGHT = 40;
const GAP_X = 66;
const GAP_Y = 14;
/** Times the columns are put in order by where their neighbours stand. */
const ROUNDS = 4;

export interface DrawnNode {
  readonly node: TraceNode;
  readonly x: number;
  readonly y: number;
}

export interface DrawnLink {
  readonly key: string;
  readonly path: string;
  readonly massG: number | null;
  readonly pots: number | null;
  /** Where its amount is written, and which of its ends stands there. */
  readonly anchor: 'start' | 'end';
  readonly x: number;
  readonly y: number;
}

export interface DrawnTrace {
  readonly width: number;
  readonly height: number;
  readonly box: { readonly width: number; readonly height: number };
  readonly nodes: readonly DrawnNode[];
  readonly links: readonly DrawnLink[];
}

const curve = linkHorizontal<unknown, readonly [number, number]>();

/** A trace as columns from what was bought to who got it, each thing near what it came of. */
export function drawTrace({ nodes, links }: Trace): DrawnTrace {
  const levels = [...new Set(nodes.map((n) => n.level))].sort((a, b) => a - b);
  const columns = levels.map((level) => nodes.filter((n) => n.level === level).map((n) => n.id));
  const place = new Map<string, number>();
  const settle = (column: readonly string[]) => column.forEach((id, i) => place.set(id, i - (column.length - 1) / 2));
  columns.forEach(settle);
  const neighbours = new Map<string, string[]>();
  for (const { from, to } of links) {
    neighbours.set(from, [...(neighbours.get(from) ?? []), to]);
    neighbours.set(to, [...(neighbours.get(to) ?? []), from]);
  }
  const middle = (id: string) => {
    const near = (neighbours.get(id) ?? []).map((n) => place.get(n) ?? 0);
    return near.length > 0 ? near.reduce((a, b) => a + b, 0) / near.length : 0;
  };
  for (let round = 0; round < ROUNDS; round++) {
    for (const column of columns) {
      column.sort((a, b) => middle(a) - middle(b));
      settle(column);
    }
  }
  const most = Math.max(1, ...columns.map((c) => c.length));
  const height = most * (BOX_HEIGHT + GAP_Y) + GAP_Y;
  const at = new Map<string, DrawnNode>();
  for (const node of nodes) {
    const x = levels.indexOf(node.level) * (BOX_WIDTH + GAP_X);
    const y = height / 2 + place.get(node.id)! * (BOX_HEIGHT + GAP_Y) - BOX_HEIGHT / 2;
    at.set(node.id, { node, x, y });
  }
  return {
    width: levels.length * BOX_WIDTH + Math.max(0, levels.length - 1) * GAP_X,
    height,
    box: { width: BOX_WIDTH, height: BOX_HEIGHT },
    nodes: [...at.values()],
    links: links.flatMap(({ from, to, massG, pots }) => {
      const [a, b] = [at.get(from)!, at.get(to)!];
      const source = [a.x + BOX_WIDTH, a.y + BOX_HEIGHT / 2] as const;
      const target = [b.x, b.y + BOX_HEIGHT / 2] as const;
      const path = curve({ source, target }) ?? '';
      // How much it is stands at the end that fewer links share, so that no two lie over one another.
      const sharing = (end: 'from' | 'to', id: string) => links.filter((link) => link[end] === id).length;
      const isAtSource = sharing('to', to) > sharing('from', from);
      const label = isAtSource
        ? { anchor: 'start' as const, x: source[0] + 6, y: source[1] - 5 }
        : { anchor: 'end' as const, x: target[0] - 6, y: target[1] - 5 };
      return [{ key: `${from} ${to}`, path, massG, pots, ...label }];
    }),
  };
}
