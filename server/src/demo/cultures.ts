import {
  asStarter,
  divided,
  giftOf,
  culturesById,
  replay,
  seededRandom,
  seedFromText,
  activityAt,
  type CultureLot,
  type Entry,
} from '@oat-crock/core';
import { ulid } from 'ulid';
import { play, type Script } from './play.js';

const DAY_MS = 86_400_000;

const idOf = (name: string, nowMs: number) => ulid(nowMs - 60 * DAY_MS, seededRandom(seedFromText(`culture ${name}`)));

/** The lines of the old lamp store, as they were before the makes of the demonstration. */
function founders(nowMs: number): Readonly<Record<string, CultureLot>> {
  const founder = (
    name: string,
    bornDaysAgo: number,
    amount: number,
    more: Pick<CultureLot, 'culture' | 'form' | 'origin'> & Partial<CultureLot>,
    store: CultureLot['stays'][number]['store'] = 'cold',
  ): CultureLot => {
    const bornMs = Math.round(nowMs - bornDaysAgo * DAY_MS);
    const stays = [{ store, fromMs: bornMs }];
    const common = { id: idOf(name, nowMs), kind: 'culture', name, amount, countedMs: bornMs } as const;
    const rest = {
      pack: null,
      price: 0,
      useBy: null,
      note: '',
      beside: null,
      parents: [],
      generation: 0,
      bornMs,
      stays,
    };
    return { ...common, ...rest, retiredMs: null, ...more };
  };
  const active = { form: 'active', origin: 'held back' } as const;
  const pot = founder('Quay yogurt', 21, 0, { culture: 'thermophilic', form: 'active', origin: 'pot' });
  const second = founder('Quay yogurt', 16, 0, {
    ...active,
    culture: 'thermophilic',
    parents: [pot.id],
    generation: 1,
  });
  const jar = founder('Quay yogurt', 12.4, 610, {
    ...active,
    id: idOf('quay third', nowMs),
    culture: 'thermophilic',
    parents: [idOf('quay second', nowMs)],
    generation: 2,
  });
  const packet = founder(
    'Cream packet',
    50,
    8,
    { culture: 'mesophilic', form: 'freeze-dried', origin: 'powder' },
    'frozen',
  );
  const grains = founder(
    'Store-room grains',
    34,
    52,
    { culture: 'kefir-grains', form: 'grains', origin: 'grains' },
    'cold',
  );
  return {
    pot,
    second: { ...second, id: idOf('quay second', nowMs) },
    quay: jar,
    packet,
    cream: founder('Cream packet', 9, 260, {
      ...active,
      id: idOf('cream mother', nowMs),
      origin: 'fed',
      culture: 'mesophilic',
      parents: [packet.id],
      generation: 1,
    }),
    grains,
    heirloom: founder('Upper-path heirloom', 5.5, 90, {
      culture: 'room-yogurt',
      form: 'active',
      origin: 'heirloom',
      generation: 37,
    }),
    capsules: founder('Plant capsules', 140, 14, { culture: 'plant', form: 'capsule', origin: 'capsule' }),
  };
}

/** Which line a make of the demonstration takes of. */
const TAKES: Readonly<Record<string, string>> = {
  'scalded-yogurt': 'quay',
  'strained-yogurt': 'quay',
  'cultured-butter': 'cream',
  'grain-kefir': 'grains',
};

const DOSE_PCT = 2.5;

/** Logs of makes that were played, and every culture there is after them. */
export interface PlayedMakes {
  readonly logs: readonly Entry[][];
  readonly cultures: readonly CultureLot[];
}

/**
 * Plays makes in the order in which they were begun: each takes of its line's newest culture, and what it holds back joins the
 * line. Gives back their logs and every culture there is then.
 */
export function playWithCultures(
  scripts: readonly Script[],
  nowMs: number,
  roomAt: (ms: number) => number,
): PlayedMakes {
  const first = founders(nowMs);
  const cultures = new Map(Object.values(first).map((lot) => [lot.id, lot]));
  const lines = Object.fromEntries(Object.entries(first).map(([line, lot]) => [line, [lot]]));
  const leftG = new Map([...cultures.values()].map((lot) => [lot.id, lot.amount]));
  const logs = [...scripts]
    .sort((a, b) => a.startMs - b.startMs)
    .map((script) => {
      const line = lines[TAKES[script.methodId] ?? ''];
      const pct = Number(script.choices['grainsPct'] ?? script.choices['dosePct'] ?? DOSE_PCT);
      const askedG = Math.round((Number(script.choices['massG']) * pct) / 100);
      const lot = line?.findLast(({ id, bornMs }) => bornMs < script.startMs && leftG.get(id)! >= askedG);
      if (!line || !lot) return play(script, roomAt);
      const massG = lot.form === 'grains' ? leftG.get(lot.id)! : askedG;
      leftG.set(lot.id, leftG.get(lot.id)! - massG);
      const { form, ...starter } = asStarter(lot, script.startMs, activityAt(lot, script.startMs));
      const choices = {
        ...script.choices,
        ...(lot.form === 'grains' ? grainsOf(starter, script, massG) : { form, ...starter }),
      };
      const log = play({ ...script, choices, starter: { lotId: lot.id, massG } }, roomAt);
      const batch = replay(log)!;
      const heldG = batch.ended?.how === 'finished' ? (batch.ended.heldBackG ?? 0) : 0;
      const gift = giftOf(batch, idOf(script.name, nowMs), heldG, nowMs, culturesById([...cultures.values()]));
      if (gift) {
        cultures.set(gift.lot.id, gift.lot);
        leftG.set(gift.lot.id, gift.lot.amount);
        line.push(gift.lot);
      }
      return log;
    });
  const [most] = [...(lines['quay'] ?? [])].sort((a, b) => leftG.get(b.id)! - leftG.get(a.id)!);
  for (const lot of cubed(most!, leftG.get(most!.id)!, nowMs)) cultures.set(lot.id, lot);
  return { logs, cultures: [...cultures.values()] };
}

/** All the grains there are go in: what share of the milk that is, to a half percent. */
function grainsOf(
  { ageDays, store, vigourPct }: Omit<ReturnType<typeof asStarter>, 'form'>,
  { choices }: Script,
  massG: number,
) {
  return { ageDays, store, vigourPct, grainsPct: Math.round((200 * massG) / Number(choices['massG'])) / 2 };
}

/** Some of a jar was put into the freezer this morning. */
function cubed(lot: CultureLot, leftG: number, nowMs: number): readonly CultureLot[] {
  const part = { id: idOf('cubes', nowMs), massG: 60, store: 'frozen', name: 'Quay yogurt, cubes' } as const;
  return divided(lot, leftG, part, Math.round(nowMs - DAY_MS / 6));
}
