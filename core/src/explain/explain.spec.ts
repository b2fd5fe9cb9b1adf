import { english } from '@oat-crock/messages';
import { runs } from '../testing/runs.js';
import fc from 'fast-check';
import type { EntryBody } from '../batch/entry.js';
import type { Choices } from '../methods/method.js';
import { atMinute, logged } from '../testing/logged.js';
import { methodById } from '../methods/index.js';
import { planStages } from '../make/plan.js';
import { CAUSES, type CauseId } from './causes.js';
import { explain, type RankedCause } from './explain.js';
import type { FaultId } from '../batch/fault-ids.js';
import { FAULTS, faultsOf } from './faults.js';

const FEW = { members: 300, seed: 1, fanPoints: 0 };
const ids = Object.keys(FAULTS) as FaultId[];

/** A make whose hands came when given, with whatever else was logged, asked about long after. */
const why = (fault: FaultId, ...make: Parameters<typeof logged>): RankedCause[] =>
  explain(logged(...make), fault, atMinute(40 * 60), FEW);

const YOGURT = [
  [9, 'heat'],
  [31, 'hold'],
  [46, 'cool'],
  [65, 'starter'],
  [71, 'warm'],
] as const;
const chilledAt = (min: number) => [...YOGURT, [min, 'chill'] as const, [min + 360, 'finish'] as const];
const ph = (min: number, value: number) =>
  [min, { type: 'reading', quantity: 'ph', value, by: 'meter' } as EntryBody] as const;
const saw = (min: number, cue: string, answer: string) => [min, { type: 'cue', cue, answer } as EntryBody] as const;
const first = (ranked: readonly RankedCause[]): CauseId => ranked[0]!.cause;
const of = (ranked: readonly RankedCause[], cause: CauseId) => ranked.find((r) => r.cause === cause)!;

describe('why a make failed', () => {
  it('never set: a dead starter by its readings, a killed one by its temperature', () => {
    const readings = [ph(190, 6.6), ph(310, 6.58), ph(430, 6.55)];
    const dead = why('never-set', 'scalded-yogurt', {}, chilledAt(600), readings);
    expect(first(dead)).toBe('deadStarter');
    expect(english(dead[0]!.speaksFor[0]!)).toContain('strength');
    expect(of(dead, 'killedStarter').speaksAgainst.length).toBe(1);
    const hot = [...YOGURT.slice(0, 3), [49, 'starter'] as const, [55, 'warm'] as const, [600, 'chill'] as const];
    const killed = why('never-set', 'scalded-yogurt', {}, hot);
    expect(first(killed)).toBe('killedStarter');
    expect(english(killed[0]!.speaksFor[0]!)).toMatch(/went in at [67]\d/);
  });

  it('never set: kept too cold', () => {
    const cold = why('never-set', 'scalded-yogurt', { keepC: 31 }, chilledAt(700));
    expect(first(cold)).toBe('tooCold');
    expect(english(cold[0]!.speaksFor[0]!)).toMatch(/soured at 3\d\.\d °C.*likes 43\.5/);
  });

  it('thin: milk that was only warmed, against milk that was held hot', () => {
    const warmed = why('thin', 'scalded-yogurt', { heatC: 66, holdMin: 0 }, [
      [9, 'heat'],
      [28, 'cool'],
      [45, 'starter'],
      [51, 'warm'],
      [360, 'chill'],
      [720, 'finish'],
    ]);
    expect(first(warmed)).toBe('underHeated');
    const held = why('thin', 'scalded-yogurt', { dosePct: 1 }, chilledAt(400));
    expect(english(of(held, 'underHeated').speaksAgainst[0]!)).toContain('whey protein was changed');
    expect(of(held, 'lowDose').chance).toBeGreaterThan(of(held, 'underHeated').chance!);
  });

  it('too sour: left far too long, and said by how much', () => {
    const long = why('too-sour', 'scalded-yogurt', {}, chilledAt(800));
    expect(first(long)).toBe('tooLong');
    expect(english(long[0]!.speaksFor[0]!)).toMatch(/times as long/);
    const dosed = why('too-sour', 'scalded-yogurt', { dosePct: 9 }, chilledAt(330));
    expect(english(of(dosed, 'bigDose').speaksFor[0]!)).toContain('9.0 %');
  });

  it('bland: stopped early by its own pH', () => {
    const early = why('bland', 'scalded-yogurt', {}, chilledAt(200), [ph(195, 5.4)]);
    expect(first(early)).toBe('stoppedEarly');
    expect(english(early[0]!.speaksFor[0]!)).toContain('5.40');
  });

  it('grainy: what the hands saw of the slurry decides', () => {
    const lumpy = why('grainy', 'scalded-yogurt', {}, chilledAt(400), [saw(66, 'slurry', 'lumpy')]);
    expect(first(lumpy)).toBe('lumpySlurry');
    const smooth = why('grainy', 'scalded-yogurt', {}, chilledAt(330), [
      saw(66, 'slurry', 'smooth'),
      saw(30, 'bottom', 'scorched'),
    ]);
    expect(first(smooth)).toBe('heatedUnevenly');
  });

  it('never set on ultrafiltered milk: the sugar is weighed', () => {
    const steps = [
      [9, 'starter'],
      [15, 'warm'],
      [1500, 'chill'],
    ] as const;
    const lean = why('never-set', 'cold-start-yogurt', { milk: 'ultrafiltered', targetPh: 4 }, steps);
    expect(english(of(lean, 'noSugar').speaksFor[0]!)).toContain('used up its sugar');
    const usual = why('never-set', 'cold-start-yogurt', { milk: 'whole' }, steps);
    expect(of(usual, 'noSugar').speaksAgainst.length).toBe(1);
  });

  it('no curd: acid that was too little or went in too cool', () => {
    const curd = (acidAt: number, choices: Choices, ...more: (readonly [number, EntryBody])[]) =>
      why(
        'no-curd',
        'acid-heat-curd',
        choices,
        [
          [9, 'heat'],
          [acidAt, 'acid'],
          [acidAt + 5, 'rest'],
        ],
        more,
      );
    expect(first(curd(33, { targetPh: 6 }, saw(37, 'clarity', 'milky')))).toBe('littleAcid');
    expect(of(curd(33, { targetPh: 5.4 }), 'littleAcid').speaksAgainst.length).toBe(1);
    expect(english(of(curd(33, {}), 'acidTooCool').speaksAgainst[0]!)).toContain('went in at');
    expect(first(curd(26, { targetPh: 5.4 }))).toBe('acidTooCool');
  });

  it('butter: churned cold does not break, churned warm is greasy, unwashed turns', () => {
    const steps = [
      [9, 'starter'],
      [15, 'warm'],
      [700, 'chill'],
      [1100, 'temper'],
      [1160, 'churn'],
      [1175, 'draw'],
    ] as const;
    const butter = (fault: FaultId, choices: Choices) => why(fault, 'cultured-butter', choices, steps);
    expect(english(of(butter('no-butter', { fatPct: 24 }), 'leanCream').speaksFor[0]!)).toContain('% fat');
    expect(english(of(butter('turned-butter', { washing: 'press' }), 'unwashed').speaksFor[0]!)).toContain(
      'only pressed',
    );
    expect(english(of(butter('turned-butter', { washing: 'clear' }), 'unwashed').speaksAgainst[0]!)).toContain(
      'washed',
    );
  });
});

describe('the table of faults', () => {
  it('uses every cause, and each cause says what would mend it', () => {
    const used = new Set(Object.values(FAULTS).flatMap((f) => [...f.causes]));
    expect([...used].sort()).toEqual((Object.keys(CAUSES) as CauseId[]).sort());
    for (const cause of Object.values(CAUSES)) expect(english(cause.next)).toMatch(/\.$/);
  });

  it('explains any fault of any make it is asked of: chances between 0 and 1 that leave room for the unthought of', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...ids),
        fc.constantFrom('scalded-yogurt', 'strained-yogurt', 'cultured-cream', 'cultured-butter', 'smooth-curd'),
        (fault, method) => {
          const ranked = why(fault, method, {}, []);
          expect(ranked.length).toBeLessThanOrEqual(FAULTS[fault].causes.length);
          if (ranked[0]!.chance === null) {
            expect(ranked.flatMap((r) => r.speaksFor).map(english)).toEqual([]);
            return;
          }
          const chances = ranked.map((r) => r.chance!);
          const sum = chances.reduce((total, chance) => total + chance, 0);
          expect(sum).toBeGreaterThan(0);
          expect(sum).toBeLessThan(1);
          // What must be seen to lead may stand behind what is less likely, and nothing else.
          const ordered = chances.filter((_, i) => ranked[i]!.cause !== 'contamination' && i > 0);
          ordered.forEach((chance, i) => i > 0 && expect(chance).toBeLessThanOrEqual(ordered[i - 1]!));
        },
      ),
      { numRuns: runs(40) },
    );
  });

  it('without evidence keeps the order in which to check, and says no chance', () => {
    const ranked = why('through-cloth', 'strained-yogurt', {}, []);
    expect(ranked.map((r) => r.cause)).toEqual([...FAULTS['through-cloth'].causes]);
    expect(ranked.every((r) => r.chance === null)).toBeTrue();
  });

  it('does no harm: nothing grown in it first where nobody looked, and heat for yogurt alone', () => {
    for (const method of [
      'cultured-butter',
      'cultured-cream',
      'scalded-yogurt',
      'grain-kefir',
      'cream-cheese',
      'quark',
    ]) {
      const stages = planStages(methodById(method), {});
      for (const fault of faultsOf(stages)) {
        const ranked = why(fault, method, {}, []);
        if (fault !== 'foul') expect(ranked[0]?.cause).withContext(`${method} ${fault}`).not.toBe('contamination');
        if (method !== 'scalded-yogurt') expect(ranked.map((r) => r.cause)).not.toContain('underHeated');
      }
    }
  });

  it('never set: rennet in milk that was heated too high', () => {
    const ultra = { milk: 'ultra-heated', fatPct: 3.6 };
    const steps = [
      [9, 'heat'],
      [25, 'calcium'],
      [27, 'starter'],
      [33, 'ripen'],
      [93, 'rennet'],
      [97, 'warm'],
      [560, 'ladle'],
    ] as const;
    const asked = why('never-set', 'quark', {}, steps);
    expect(of(asked, 'renneted').speaksAgainst.length).toBe(1);
    expect(
      english(of(why('never-set', 'cold-start-yogurt', ultra, [[9, 'starter']]), 'renneted').speaksAgainst[0]!),
    ).toContain('no rennet');
  });

  it('too sour: a line carried on too often', () => {
    const old = why('too-sour', 'scalded-yogurt', { generation: 8 }, chilledAt(400));
    expect(english(of(old, 'manyGenerations').speaksFor[0]!)).toContain('carried on 8 times');
    expect(of(why('too-sour', 'scalded-yogurt', {}, chilledAt(400)), 'manyGenerations').speaksFor.map(english)).toEqual(
      [],
    );
  });

  it('bitter: much rennet, or none at all', () => {
    const steps = [
      [9, 'heat'],
      [25, 'calcium'],
      [27, 'starter'],
      [33, 'rennet'],
      [37, 'warm'],
      [700, 'ladle'],
    ] as const;
    expect(english(of(why('foul', 'cream-cheese', { imcuPerKg: 12 }, steps), 'muchRennet').speaksFor[0]!)).toContain(
      '12.0 rennet units',
    );
    expect(english(of(why('foul', 'scalded-yogurt', {}, chilledAt(400)), 'muchRennet').speaksAgainst[0]!)).toContain(
      'no rennet',
    );
  });

  it('through the cloth: the weave and the warmth it was loaded with', () => {
    const steps = [...chilledAt(400).slice(0, 6), [780, 'strain'], [1200, 'finish']] as const;
    const open = why('through-cloth', 'strained-yogurt', { weave: 'open' }, steps);
    expect(first(open)).toBe('openWeave');
    expect(english(of(open, 'loadedWarm').speaksAgainst[0]!)).toMatch(/at \d/);
  });

  it('foul: what it smelled of, and the hours it stood warm', () => {
    const foul = of(why('foul', 'scalded-yogurt', {}, chilledAt(400), [saw(380, 'smell', 'foul')]), 'contamination');
    expect(english(foul.speaksFor[0]!)).toBe('It smelled: foul.');
    const clean = of(
      why('foul', 'scalded-yogurt', {}, chilledAt(400), [saw(380, 'smell', 'bright-acid')]),
      'contamination',
    );
    expect(clean.speaksAgainst.length).toBe(2);
    expect(clean.chance).toBeLessThan(foul.chance!);
  });

  it('no butter: a churn too full, or with room enough', () => {
    const steps = [
      [8, 'starter'],
      [14, 'warm'],
      [700, 'chill'],
      [850, 'temper'],
      [880, 'churn'],
      [920, 'draw'],
    ] as const;
    const fill = (churnL: number) => of(why('no-butter', 'cultured-butter', { churnL }, steps), 'fullChurn');
    expect(english(fill(1.2).speaksFor[0]!)).toMatch(/filled to 8\d %/);
    expect(english(fill(4).speaksAgainst[0]!)).toMatch(/filled to 2\d %/);
  });

  it('never set: a young starter that hardly worked points at what was in the milk or the pot', () => {
    const dead = [ph(190, 6.6), ph(310, 6.58), ph(430, 6.55)];
    const residue = (ageDays: number) =>
      of(why('never-set', 'scalded-yogurt', { ageDays }, chilledAt(600), dead), 'residue');
    expect(english(residue(1).speaksFor[0]!)).toContain('a day old');
    expect(residue(1).chance).toBeGreaterThan(residue(14).chance!);
  });

  it('wheyed off or scorched: how often somebody looked', () => {
    const looks = (from: number, count: number) =>
      Array.from({ length: count }, (_, i) => saw(from + 3 * i, 'set', 'liquid'));
    const moved = (count: number) =>
      of(why('wheyed-off', 'scalded-yogurt', {}, chilledAt(400), looks(100, count)), 'moved');
    expect(english(moved(8).speaksFor[0]!)).toContain('8 times');
    expect(english(moved(1).speaksAgainst[0]!)).toContain('once');
    const stirred = (count: number) =>
      of(why('scorched', 'scalded-yogurt', {}, chilledAt(400), [...looks(12, count), ...looks(100, 1)]), 'notStirred');
    expect(stirred(0).speaksFor.length).toBe(1);
    expect(english(stirred(4).speaksAgainst[0]!)).toContain('4 times');
  });
});
