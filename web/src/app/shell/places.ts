/** A place of the product: its words, its address and its number key. */
export interface Place {
  readonly key: string;
  readonly text: string;
  readonly path: string;
}

/** The places that work, in the order of the header. */
export const PLACES: readonly Place[] = [
  { key: '1', text: 'Today', path: '/today' },
  { key: '2', text: 'Plan', path: '/plan' },
  { key: '3', text: 'Make', path: '/make' },
  { key: '4', text: 'Methods', path: '/methods' },
  { key: '5', text: 'Cultures', path: '/cultures' },
  { key: '6', text: 'Larder', path: '/larder' },
];

/** Keys that work everywhere, as the help shows them. */
export const KEYS: readonly (readonly [string, string])[] = [
  ['1 2 3 4 5 6', 'Today, Plan, Make, Methods, Cultures, Larder'],
  ['N', 'To the next hands'],
  ['L', 'Log to the pour in focus'],
  ['U', 'Take back what this page wrote last, in whichever log'],
  ['Y', 'Write again what was taken back'],
  ['/', 'Find a make or a method, go anywhere'],
  ['?', 'These keys'],
  ['Esc', 'Close what is open'],
];
