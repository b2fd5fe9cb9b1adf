import { say, type Text } from '@oat-crock/core';

/** A place of the product: its words, its address and its number key. */
export interface Place {
  readonly key: string;
  readonly text: Text;
  readonly path: string;
}

/** The places that work, in the order of the header. */
export const PLACES: readonly Place[] = [
  { key: '1', text: say('page.shell.places.today'), path: '/today' },
  { key: '2', text: say('page.shell.places.plan'), path: '/plan' },
  { key: '3', text: say('page.shell.places.make'), path: '/make' },
  { key: '4', text: say('page.shell.places.methods'), path: '/methods' },
  { key: '5', text: say('page.shell.places.cultures'), path: '/cultures' },
  { key: '6', text: say('page.shell.places.larder'), path: '/larder' },
  { key: '7', text: say('page.shell.places.ledger'), path: '/ledger' },
];

/** Keys that work everywhere besides those of the places, as the help shows them. */
export const KEYS: readonly (readonly [Text, Text])[] = [
  ['N', say('page.shell.places.nextHands')],
  ['L', say('page.shell.places.logPourFocus')],
  ['U', say('page.shell.places.takeBackWhatPage')],
  ['Y', say('page.shell.places.writeAgainWhatTaken')],
  ['/', say('page.shell.places.findMakeMethodGo')],
  ['?', say('page.shell.places.theseKeys')],
  [say('page.shell.places.esc'), say('page.shell.places.closeWhatOpen')],
];
