import {
  countedOf,
  FAULTS,
  type Counted,
  type EntryBody,
  type FinishedStock,
  acidity,
  say,
  type Text,
  answerWords,
} from '@oat-crock/core';
import { textOf, tell } from '../ui/said';
import { mass, temp } from '../ui/words';

const QUANTITY = {
  tempC: temp,
  ph: (v: number) => tell('page.log.entryWords.ph', { read: acidity(v) }),
  wheyG: (v: number) => tell('page.log.entryWords.whey', { read: mass(v) }),
  productG: (v: number) => tell('page.log.entryWords.product', { read: mass(v) }),
  grainsG: (v: number) => tell('page.log.entryWords.grains', { read: mass(v) }),
  asideG: (v: number) => tell('page.log.entryWords.putBy', { read: mass(v) }),
} as const;

const CUE_ASKED: Readonly<Record<string, Text>> = {
  set: say('page.log.entryWords.tilted'),
  taste: say('page.log.entryWords.tasted'),
  whey: say('page.log.entryWords.wheyTop'),
  clarity: say('page.log.entryWords.wheyLooks'),
  drip: say('page.log.entryWords.drips'),
  slurry: say('page.log.entryWords.starterSlurry'),
  skin: say('page.log.entryWords.skin'),
  bottom: say('page.log.entryWords.bottom'),
  texture: say('page.log.entryWords.texture'),
  smell: say('page.log.entryWords.smells'),
  break: say('page.log.entryWords.breaks'),
  churn: say('page.log.entryWords.churnedTo'),
  wash: say('page.log.entryWords.washWater'),
  buttermilk: say('page.log.entryWords.buttermilk'),
  butter: say('page.log.entryWords.butter'),
  melt: say('page.log.entryWords.melt'),
  hand: say('page.log.entryWords.toTheHand'),
  fizz: say('page.log.entryWords.opened'),
};

/** What a step is called where nothing is known of its make but the stage's id. */
const bareStep = (stageId: string) => tell('page.log.entryWords.began', { stageId });

/** What a line of a log calls things: a step by its stage's id, a lot by its own, a pot of what was made. */
export interface LineNames {
  readonly step?: (stageId: string) => string;
  /** Undefined where nothing is known of it. */
  readonly lot?: (id: string) => string | undefined;
  readonly called?: FinishedStock['called'];
}

/** What an entry says, in a few words. */
export function entryWords(body: EntryBody, names: LineNames = {}): string {
  const { step = bareStep, lot = () => undefined, called = 'pots' } = names;
  switch (body.type) {
    case 'started':
      return tell('page.log.entryWords.started', { name: body.name });
    case 'took':
      return tell('page.log.entryWords.tookOut', {
        mass: mass(body.massG),
        lotId: lot(body.lotId) ?? tell('page.log.entryWords.theLarder'),
      });
    case 'step':
      return textOf(step(body.stageId));
    case 'reading':
      return body.by === 'strip'
        ? tell('page.log.entryWords.byStrip', { read: QUANTITY[body.quantity](body.value) })
        : QUANTITY[body.quantity](body.value);
    case 'cue':
      return tell('page.log.entryWords.looked', {
        what: CUE_ASKED[body.cue] ?? body.cue,
        answer: answerWords(body.cue, body.answer),
      });
    case 'added':
      return tell('page.log.entryWords.putInOf', { mass: mass(body.massG), what: body.what });
    case 'held':
      return tell('page.log.entryWords.onHoldBy', { by: body.by, reason: body.reason });
    case 'released':
      return tell('page.log.entryWords.letGo', { by: body.by, reason: body.reason });
    case 'photo':
      return body.text
        ? tell('page.log.entryWords.picture', { text: body.text })
        : tell('page.log.entryWords.picture2');
    case 'note':
      return body.text;
    case 'finished':
      return finishedWords(body);
    case 'issued':
      return issuedWords(body, called);
    case 'stored':
      return tell('page.log.entryWords.stored', { count: countWords(body, called), where: body.where });
    case 'placed':
      return tell('page.log.entryWords.placed', { place: body.place });
    case 'complaint':
      return tell('page.log.entryWords.complaint', { seen: FAULTS[body.fault].seen });
    case 'discarded':
      return body.by
        ? tell('page.log.entryWords.discardedBy', { by: body.by, reason: body.reason })
        : tell('page.log.entryWords.discarded', { reason: body.reason });
    case 'correction':
      return body.body
        ? tell('page.log.entryWords.correction', { now: entryWords(body.body, names) })
        : tell('page.log.entryWords.takenBack');
  }
}

const countWords = ({ pots, massG = 0 }: Counted, called: FinishedStock['called']): string =>
  textOf(countedOf({ unit: pots === undefined ? 'g' : 'pots', called }, pots ?? massG));

/** What went out, how, to whom and why. */
function issuedWords(body: EntryBody & { type: 'issued' }, called: FinishedStock['called']): string {
  const { how, to = '', why = '', occurrenceId } = body;
  const said = tell('page.log.entryWords.issued', { count: countWords(body, called), how });
  const forOrder = occurrenceId ? tell('page.log.entryWords.forOrder') : '';
  return `${said}${to && `, ${to}`}${forOrder}${why && `: ${why}`}`;
}

function finishedWords({ productG, wheyG, pots, left = [], words, score }: EntryBody & { type: 'finished' }): string {
  const parts = [
    tell('page.log.entryWords.finished', { product: mass(productG), pots: pots ?? 0 }),
    ...(wheyG === null ? [] : [tell('page.log.entryWords.whey2', { whey: mass(wheyG) })]),
    ...left.map(({ what, massG }) =>
      tell('page.log.entryWords.intoLarder', { mass: mass(massG), what: what.toLowerCase() }),
    ),
    ...(score ? Object.entries(score).map(([mark, given]) => tell('page.log.entryWords.of', { mark, given })) : []),
  ];
  return `${parts.join(', ')}${words ? `. ${words}` : ''}`;
}
