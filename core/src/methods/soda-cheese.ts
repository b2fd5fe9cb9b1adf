import { FAMILIES } from './families.js';
import { say, type Text } from '../messages/message.js';
import { CLABBER_COOLING, CLABBER_GROUPS, CLABBER_STAGES } from './clabber.js';
import { drainingEnds, HANGS } from './curd-choices.js';
import { endingParams } from './ending-choices.js';
import { vary, when, withMore, type ChoiceGroup, type NumberChoice } from './method.js';
import { MONEY, price } from './common-choices.js';
import { CLABBER_TAKEN, MILK_OR_CLABBER, OF_MILK } from './soured-choices.js';
import { method } from './typed.js';

const percent = (key: string, label: Text, max: number, initial: number, why: Text) =>
  ({
    key,
    label,
    kind: 'number',
    unit: '% of the curd',
    min: 0,
    max,
    step: 0.1,
    initial,
    why,
  }) as const satisfies NumberChoice;

const CURD = {
  title: say('methods.sodaCheese.curd'),
  choices: [
    {
      key: 'scaldC',
      label: say('methods.sodaCheese.warmCutCurd'),
      kind: 'number',
      unit: '°C',
      min: 38,
      max: 52,
      step: 1,
      initial: 46,
      why: say('methods.sodaCheese.slowlyFirmsGivesWhey'),
    },
    HANGS,
    ...drainingEnds(8, 'drip'),
    ...when(OF_MILK, CLABBER_COOLING).choices,
  ],
} as const satisfies ChoiceGroup;

const MELTING = {
  title: say('methods.sodaCheese.sodaMelting'),
  choices: [
    {
      key: 'sodaPh',
      label: say('methods.sodaCheese.sodaUntilPh'),
      kind: 'number',
      unit: 'pH',
      min: 5.3,
      max: 6.2,
      step: 0.05,
      initial: 5.6,
      why: say('methods.sodaCheese.betweenMeltsSmoothAbove'),
    },
    {
      key: 'sodaRestMin',
      label: say('methods.sodaCheese.restSoda'),
      kind: 'number',
      unit: 'min',
      min: 60,
      max: 480,
      step: 15,
      initial: 270,
      why: say('methods.sodaCheese.fourFiveHoursUntil'),
    },
    percent('butterPct', say('methods.sodaCheese.butter'), 25, 8, say('methods.sodaCheese.shinesKeepsFromCatching')),
    percent('milkPct', say('methods.sodaCheese.milk'), 40, 15, say('methods.sodaCheese.softerMore')),
    percent('eggPct', say('methods.sodaCheese.egg'), 20, 6, say('methods.sodaCheese.bindsNonePlainerCheese')),
    percent('saltPct', say('methods.sodaCheese.salt'), 3, 1.2, say('methods.sodaCheese.thereSodiumSodaToo')),
    {
      key: 'cookC',
      label: say('methods.sodaCheese.meltItTo'),
      kind: 'number',
      unit: '°C',
      min: 65,
      max: 92,
      step: 1,
      initial: 82,
      why: say('methods.sodaCheese.eggNeverUnder'),
    },
  ],
} as const satisfies ChoiceGroup;

export const sodaCheese = method({
  id: 'soda-cheese',
  code: 'A4',
  name: say('methods.sodaCheese.cookedSodaCheese'),
  short: say('methods.sodaCheese.sodaCheese'),
  family: FAMILIES.curd,
  summary: say('methods.sodaCheese.clabberCurdWarmedHung'),
  groups: [
    MILK_OR_CLABBER,
    ...CLABBER_GROUPS.map((group) => when(OF_MILK, group)),
    CURD,
    MELTING,
    withMore(
      vary(MONEY, {
        potG: {
          initial: 200,
          label: say('methods.sodaCheese.piecesOf'),
          why: say('methods.sodaCheese.weightOnePiece'),
        },
        shopPrice: { initial: 17 },
      }),
      price('butter', say('methods.sodaCheese.butterCosts'), 'per kg', 11),
      price('egg', say('methods.sodaCheese.eggCosts'), 'per kg', 5),
    ),
  ],
  stages: [
    ...CLABBER_STAGES.map((stage) => when(OF_MILK, stage)),
    CLABBER_TAKEN,
    { id: 'cut', kind: 'cut', params: {} },
    { id: 'scald', kind: 'heat', params: { targetC: { choice: 'scaldC' }, paceCPerMin: 0.6 } },
    { id: 'ladle', kind: 'ladle', params: { how: 'ladle' } },
    {
      id: 'strain',
      kind: 'strain',
      params: { method: 'hung', share: 0.9, where: { choice: 'where' }, ...endingParams('drain') },
    },
    { id: 'soda', kind: 'neutralise', params: { targetPh: { choice: 'sodaPh' } } },
    { id: 'rest', kind: 'rest', params: { minutes: { choice: 'sodaRestMin' }, why: 'soda' } },
    {
      id: 'melt',
      kind: 'cook',
      params: {
        targetC: { choice: 'cookC' },
        butterPct: { choice: 'butterPct' },
        milkPct: { choice: 'milkPct' },
        eggPct: { choice: 'eggPct' },
        saltPct: { choice: 'saltPct' },
      },
    },
    { id: 'mould', kind: 'mould', params: { pieceG: { choice: 'potG' }, shape: 'mould' } },
    { id: 'chill', kind: 'chill', params: { targetC: 5, holdBackPct: 0, pieceG: { choice: 'potG' } } },
    { id: 'finish', kind: 'finish', params: { potG: { choice: 'potG' }, whisk: 'no', as: 'pieces' } },
  ],
});
