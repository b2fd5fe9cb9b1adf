import { choicesOf, METHODS, say } from '@oat-crock/core';
import { PLACE_TOPICS, type HelpTopic } from './place-topics';
import { KEYS, PLACES } from './places';
import { tell, textOf } from '../shared/ui/said';

/** What is asked most, whatever the place. */
const TOPICS: readonly HelpTopic[] = [
  { title: say('help.pour.title'), says: say('help.pour.says') },
  { title: say('help.hands.title'), says: say('help.hands.says'), path: '/today' },
  { title: say('help.amounts.title'), says: say('help.amounts.says') },
  { title: say('help.when.title'), says: say('help.when.says'), path: '/make' },
  { title: say('help.wrong.title'), says: say('help.wrong.says'), path: '/make' },
  { title: say('help.looks.title'), says: say('help.looks.says'), path: '/make' },
  { title: say('help.ready.title'), says: say('help.ready.says') },
  { title: say('help.clock.title'), says: say('help.clock.says'), path: '/methods' },
  { title: say('help.night.title'), says: say('help.night.says'), path: '/methods' },
  { title: say('help.starter.title'), says: say('help.starter.says'), path: '/cultures' },
  { title: say('help.find.title'), says: say('help.find.says'), path: '/methods' },
  { title: say('help.safe.title'), says: say('help.safe.says') },
  { title: say('help.why.title'), says: say('help.why.says'), path: '/make' },
  { title: say('help.learned.title'), says: say('help.learned.says') },
  { title: say('help.own.title'), says: say('help.own.says'), path: '/methods' },
  { title: say('help.household.title'), says: say('help.household.says') },
  { title: say('help.offline.title'), says: say('help.offline.says') },
  { title: say('help.file.title'), says: say('help.file.says') },
];

/** One answer of the help, in the household's language. */
export interface HelpEntry {
  readonly title: string;
  readonly says: string;
  readonly path: string | null;
}

const entryOf = ({ title, says, path }: HelpTopic): HelpEntry => ({
  title: textOf(title),
  says: textOf(says),
  path: path ?? null,
});

/** All that can be found: topics, keys, the makes, and every choice with the reason why it is asked. */
export function helpEntries(): readonly HelpEntry[] {
  const keys = KEYS.map(([key, says]) => ({ title: tell('help.key', { key }), says: textOf(says), path: null }));
  const places = PLACES.map(({ key, text, path }) => ({ title: tell('help.key', { key }), says: textOf(text), path }));
  const makes = METHODS.map((m) => ({ title: textOf(m.name), says: textOf(m.summary), path: `/methods/${m.id}` }));
  const choices = METHODS.flatMap((m) =>
    choicesOf(m).map((c) => ({ title: textOf(c.label), says: textOf(c.why), path: `/methods/${m.id}` })),
  );
  const all = [...PLACE_TOPICS.map(entryOf), ...TOPICS.map(entryOf), ...makes, ...choices, ...places, ...keys];
  return [...new Map(all.toReversed().map((e) => [`${e.title}\n${e.says}`, e])).values()].toReversed();
}

/** Words as they are compared: small and without accents. */
const plain = (words: string) => words.normalize('NFD').replace(/\p{M}/gu, '').toLocaleLowerCase();

const SHOWN = 8;

/** The answers that have all the words, those that have them in their title first. */
export function searched(entries: readonly HelpEntry[], asked: string): readonly HelpEntry[] {
  const words = plain(asked).split(/\s+/).filter(Boolean);
  if (words.length === 0) return [];
  const inTitle = (e: HelpEntry) => words.filter((w) => plain(e.title).includes(w)).length;
  return entries
    .filter((e) => words.every((w) => plain(`${e.title} ${e.says}`).includes(w)))
    .map((e) => ({ e, titled: inTitle(e) }))
    .sort((a, b) => b.titled - a.titled)
    .slice(0, SHOWN)
    .map(({ e }) => e);
}

/** The topics a search that finds nothing falls back to. */
export const allTopics = (): readonly HelpEntry[] => [...PLACE_TOPICS, ...TOPICS].map(entryOf);
