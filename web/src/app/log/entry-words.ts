import type { EntryBody } from '@oat-crock/core';
import { textOf } from '../ui/units';
import { mass, temp } from '../ui/words';

const QUANTITY = {
  tempC: temp,
  ph: (v: number) => `pH ${v.toFixed(2)}`,
  wheyG: (v: number) => `whey ${mass(v)}`,
  productG: (v: number) => `product ${mass(v)}`,
  grainsG: (v: number) => `grains ${mass(v)}`,
  asideG: (v: number) => `put by ${mass(v)}`,
} as const;

const CUE_ASKED: Readonly<Record<string, string>> = {
  set: 'Tilted',
  taste: 'Tasted',
  whey: 'Whey on top',
  clarity: 'Whey looks',
  drip: 'Drips',
  slurry: 'Starter slurry',
  skin: 'Skin',
  bottom: 'Bottom',
  texture: 'Texture',
  smell: 'Smells',
  break: 'Breaks',
  churn: 'Churned to',
  wash: 'Wash water',
  buttermilk: 'Buttermilk',
  butter: 'Butter',
  melt: 'Melt',
  fizz: 'Opened',
};

/** What a step is called where nothing is known of its make but the stage's id. */
const bareStep = (stageId: string) => `Began: ${stageId}`;

/** What an entry says, in a few words; `stepWords` says a step by its stage's id. */
export function entryWords(
  body: EntryBody,
  stepWords: (stageId: string) => string = bareStep,
  lotName: (id: string) => string = () => 'the larder',
): string {
  switch (body.type) {
    case 'started':
      return `Started: ${body.name}`;
    case 'took':
      return `Took ${mass(body.massG)} out of ${lotName(body.lotId)}`;
    case 'step':
      return textOf(stepWords(body.stageId));
    case 'reading':
      return `${QUANTITY[body.quantity](body.value)}${body.by === 'strip' ? ' by strip' : ''}`;
    case 'cue':
      return `${CUE_ASKED[body.cue] ?? body.cue}: ${body.answer}`;
    case 'added':
      return `Put in ${mass(body.massG)} of ${body.what}`;
    case 'held':
      return `On hold, by ${body.by}: ${body.reason}`;
    case 'released':
      return `Let go, by ${body.by}: ${body.reason}`;
    case 'photo':
      return body.text ? `Picture: ${body.text}` : 'Picture';
    case 'note':
      return body.text;
    case 'finished':
      return finishedWords(body);
    case 'discarded':
      return `Discarded${body.by ? `, by ${body.by}` : ''}: ${body.reason}`;
    case 'correction':
      return body.body ? `Correction: ${entryWords(body.body, stepWords, lotName)}` : 'Taken back';
  }
}

function finishedWords({ productG, wheyG, pots, left = [], words, score }: EntryBody & { type: 'finished' }): string {
  const parts = [
    `Finished: ${mass(productG)} of product${pots ? ` in ${pots}` : ''}`,
    ...(wheyG === null ? [] : [`${mass(wheyG)} whey`]),
    ...left.map(({ what, massG }) => `${mass(massG)} ${what.toLowerCase()} into the larder`),
    ...(score ? Object.entries(score).map(([mark, given]) => `${mark} ${given} of 5`) : []),
  ];
  return `${parts.join(', ')}${words ? `. ${words}` : ''}`;
}
