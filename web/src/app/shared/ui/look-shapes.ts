/** A stroke or a patch of a drawing, on a field of 30 by 24. */
export interface Shape {
  readonly d: string;
  readonly is: 'edge' | 'thin' | 'milk' | 'cloud' | 'whey' | 'dark' | 'crust';
}

const edge = (d: string): Shape => ({ d, is: 'edge' });
const patch = (is: Shape['is'], d: string): Shape => ({ d, is });
const dot = (x: number, y: number, r: number, is: Shape['is'] = 'dark'): Shape => ({
  is,
  d: `M${x - r} ${y}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0z`,
});
const dots = (at: readonly (readonly [number, number])[], r: number, is?: Shape['is']) =>
  at.map(([x, y]) => dot(x, y, r, is));

const GLASS = 'M9 3v14q0 4 4 4h4q4 0 4-4V3';
const glass = (is: Shape['is'] | null): Shape[] => [
  ...(is ? [patch(is, 'M9 7h12v10q0 4-4 4h-4q-4 0-4-4z')] : []),
  edge(GLASS),
  ...(is ? [] : [patch('thin', 'M9 7h12')]),
];
const POT = 'M5 6v11q0 4 4 4h12q4 0 4-4V6';
const potOf = (...over: Shape[]): Shape[] => [patch('milk', 'M5 9h20v8q0 4-4 4H9q-4 0-4-4z'), ...over, edge(POT)];
/** A pot held at a slant, and what stands in it. */
const TILTED = 'M4 9l6 10q2 2.5 5 1l8-5q2.5-2 1-4.500L20 2';
const tilted = (...within: Shape[]): Shape[] => [...within, edge(TILTED)];
const BAG = 'M10 2q5 3 10 0l3 8q-8 7-16 0z';
const bag = (...drops: Shape[]): Shape[] => [patch('milk', BAG), edge(BAG), ...drops];
const BOTTLE = 'M13 5v4q-4 2-4 5v7h12v-7q0-3-4-5V5';
const bottle = (...within: Shape[]): Shape[] => [patch('milk', 'M9.5 13h11v8h-11z'), ...within, edge(BOTTLE)];
const bowl = (...within: Shape[]): Shape[] => [...within, edge('M3 10q1 11 12 11t12-11')];
const CURD = 'M4 20V11q0-2 2-2h18q2 0 2 2v9z';
const cut = (gash: string): Shape[] => [patch('milk', CURD), edge(CURD), edge(gash)];

const MILKY_TO_CLEAR: Readonly<Record<string, readonly Shape[]>> = {
  milky: glass('milk'),
  cloudy: glass('cloud'),
  clear: glass(null),
};

/** What each answer to a look is like, where an eye tells it faster than a word. */
export const LOOK_SHAPES: Readonly<Record<string, Readonly<Record<string, readonly Shape[]>>>> = {
  set: {
    liquid: tilted(patch('milk', 'M5 11h19.500q1 2-1.5 4l-8 5q-3 1.5-5-1z')),
    wobbles: tilted(patch('milk', 'M5.5 12q4 1 7-2.500t8-3.500l3.5 5q1.5 2-1 4l-8 5q-3 1.5-5-1z')),
    'leaves-the-wall': tilted(patch('milk', 'M8 14l13.5-7.5 2 4q1 2-1 4l-7.5 5q-3 1-4.5-1z')),
    stands: potOf(edge('M15 1v13'), patch('dark', 'M13.5 12h3v5q-1.5 1.5-3 0z')),
  },
  whey: {
    none: potOf(),
    'a-film': potOf(patch('whey', 'M5 8h20v2H5z')),
    'a-pool': potOf(patch('whey', 'M5 8h20v5H5z')),
  },
  clarity: { ...MILKY_TO_CLEAR, greenish: glass('whey') },
  wash: MILKY_TO_CLEAR,
  drip: {
    streams: bag(edge('M13 15v8'), edge('M17 15v8')),
    'fast-drops': bag(
      ...dots(
        [
          [15, 16.5],
          [15, 19.5],
          [15, 22.5],
        ],
        1.1,
      ),
    ),
    'slow-drops': bag(dot(15, 20, 1.3)),
    stopped: bag(),
  },
  break: {
    mush: cut('M11 9q2 3 4 0t4 0'),
    ragged: cut('M15 9l-2 3 4 2-3 3 2 3'),
    clean: cut('M15 9v11'),
  },
  churn: {
    foam: bowl(
      ...dots(
        [
          [8, 12],
          [13, 11],
          [18, 12],
          [22, 11],
          [11, 15],
          [16, 15.5],
          [20, 15],
        ],
        2,
        'milk',
      ),
    ),
    'soft-peaks': bowl(patch('milk', 'M4 12q6-1 9-5 1-2-1-3 6 0 6 5 2 3 8 3-1 8-11 8T4 12z')),
    stiff: bowl(patch('milk', 'M4 12q6-1 11-10 5 9 11 10-1 8-11 8T4 12z')),
    grains: bowl(
      ...dots(
        [
          [8, 13],
          [12, 12],
          [16, 14],
          [20, 12.5],
          [22, 14],
          [10, 16],
          [14, 17.5],
          [18, 17],
        ],
        1.2,
        'crust',
      ),
    ),
    broken: bowl(
      patch('cloud', 'M4 14h22q-2 6-11 6T4 14z'),
      ...dots(
        [
          [10, 12],
          [15, 10.5],
          [20, 12],
        ],
        3.2,
        'crust',
      ),
    ),
  },
  skin: {
    none: potOf(),
    thin: potOf(patch('crust', 'M5 8.500h20v1.500H5z')),
    thick: potOf(patch('crust', 'M5 7h20v4H5z')),
    golden: potOf(
      patch('crust', 'M5 7h20v4H5z'),
      ...dots(
        [
          [9, 9],
          [15, 9],
          [21, 9],
        ],
        1,
      ),
    ),
  },
  slurry: {
    smooth: glass('milk'),
    'a-few': [
      ...glass('milk'),
      ...dots(
        [
          [13, 12],
          [17, 16],
        ],
        1.3,
      ),
    ],
    lumpy: [
      ...glass('milk'),
      ...dots(
        [
          [12, 10],
          [17, 10.5],
          [14, 13.5],
          [18, 15],
          [12.5, 17],
        ],
        1.5,
      ),
    ],
  },
  texture: {
    smooth: [edge('M4 15q5-8 11-3t11-3')],
    grainy: dots(
      [
        [6, 14],
        [10, 10],
        [13, 15],
        [17, 11],
        [20, 15],
        [24, 10],
        [15, 7],
      ],
      1.3,
    ),
    stringy: [edge('M4 5h22'), edge('M8 5q1 9-1 16'), edge('M15 5q-1 9 0 17'), edge('M22 5q-1 9 1 16')],
  },
  fizz: {
    still: bottle(),
    beads: bottle(
      ...dots(
        [
          [12, 18],
          [15, 16],
          [18, 18.5],
        ],
        0.9,
      ),
    ),
    foams: bottle(
      patch('cloud', 'M11 5q4-4 8 0z'),
      ...dots(
        [
          [12, 18],
          [15, 15],
          [18, 18],
        ],
        0.9,
      ),
    ),
    gushes: bottle(edge('M15 5V1'), edge('M12 5L9 2'), edge('M18 5l3-3')),
  },
  bottom: {
    clean: potOf(),
    'a-film': potOf(patch('crust', 'M7 18.500h16l-2 2.500H9z')),
    scorched: potOf(patch('dark', 'M6 17h18q-1 4-4 4H10q-3 0-4-4z')),
  },
};
