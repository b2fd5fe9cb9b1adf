import { runs } from '@oat-crock/core/testing';
import fc from 'fast-check';
import { METHODS } from '@oat-crock/core';
import { InputRefused } from '@oat-crock/contract';
import { cliHelp, runVerb, VERB_NAMES } from './cli.js';
import { VERBS, type VerbName } from './verbs.js';
import { english } from '@oat-crock/messages';

const example = (verb: VerbName) => structuredClone(VERBS[verb].example) as Record<string, unknown>;
const run = (verb: VerbName, change: object = {}) =>
  runVerb(verb, { ...example(verb), ...change }) as Record<string, number | null>;

function refused(verb: string, input: unknown): string[] {
  try {
    runVerb(verb, input);
    return [];
  } catch (error) {
    if (error instanceof InputRefused) return error.errors.map((e) => e.field);
    throw error;
  }
}

/** Every number in an answer, however deep. */
function numbers(value: unknown): number[] {
  if (typeof value === 'number') return [value];
  return value && typeof value === 'object' ? Object.values(value).flatMap(numbers) : [];
}

describe('the command line', () => {
  it('answers each worked example with finite numbers, and tells of each in its help', () => {
    const help = cliHelp();
    for (const verb of VERB_NAMES) {
      expect(numbers(runVerb(verb, example(verb))).every(Number.isFinite))
        .withContext(verb)
        .toBeTrue();
      expect(help).toContain(`\n${verb}\n`.trimStart());
    }
  });

  it('refuses unknown verbs, unknown fields and missing ones, by name', () => {
    expect(refused('levitate', {})).toEqual(['verb']);
    for (const verb of VERB_NAMES) {
      expect(refused(verb, { ...example(verb), surprise: 1 }))
        .withContext(verb)
        .toContain('surprise');
      expect(refused(verb, {}).length).withContext(verb).toBeGreaterThan(0);
      expect(refused(verb, null).length).withContext(verb).toBeGreaterThan(0);
    }
  });

  it('lets raw milk clabber by itself, slower than seeded; nothing else sours of nothing', () => {
    const milk = { fatPct: 3.6, proteinPct: 3.3, treatment: 'raw' };
    const clabber = { culture: 'clabber', milk, tempC: 22, targetPh: 4.6, hours: 240 };
    const hours = (dosePct: number) => run('souring', { ...clabber, dosePct })['hoursToTarget']!;
    expect(hours(0)).toBeGreaterThan(hours(2) + 8);
    expect(hours(0)).toBeGreaterThan(24);
    expect(hours(0)).toBeLessThan(96);
    const asked = (change: object) => refused('souring', { ...example('souring'), ...clabber, dosePct: 0, ...change });
    expect(asked({})).toEqual([]);
    expect(asked({ culture: 'mesophilic' })).toEqual(['dosePct']);
    expect(asked({ milk: { ...milk, treatment: '72C-15s' } })).toEqual(['milk.treatment']);
    expect(asked({ dosePct: -1 })).toEqual(['dosePct']);
  });

  it('doses a packet by what its label says it sets: 5 to 7 h as it is meant, later in more milk, never as a share', () => {
    const packet = { form: 'packet', setsLitres: 4, ageDays: 30, store: 'frozen' };
    const { dosePct, ...asked } = { ...(example('souring') as object), tempC: 43, targetPh: 4.6, hours: 24 } as Record<
      string,
      unknown
    >;
    const hours = (more: object = {}) =>
      run('souring', { ...asked, dosePct: undefined, starter: { ...packet, ...more } })['hoursToTarget']!;
    expect(hours()).toBeGreaterThan(5);
    expect(hours()).toBeLessThan(7);
    expect(hours({ litres: 4 })).toBe(hours());
    expect(hours({ litres: 16 })).toBeGreaterThan(hours() + 0.7);
    expect(hours({ litres: 16, packets: 4 })).toBeCloseTo(hours(), 9);
    expect(hours({ litres: 0.1, packets: 100 })).toBe(hours({ litres: 0.05, packets: 100 }));
    expect(refused('souring', { ...asked, starter: packet, dosePct })).toEqual(['dosePct']);
    expect(refused('souring', { ...asked, starter: { ...packet, setsLitres: undefined } })).toEqual([
      'starter.setsLitres',
    ]);
  });

  it('plans with no hands asleep, the starter ripe, gear taken once; and says what is impossible', () => {
    const plan = runVerb('plan', example('plan')) as {
      batches: {
        order: number;
        readyLateMin: number;
        feed: object | null;
        stages: { startMin: number; handsMin: number }[];
      }[];
      unmet: { order: number; why: string; remedy: string }[];
      nightHandsMin: number;
      cost: number;
      bound: number;
    };
    const { orders, asleep } = example('plan') as unknown as {
      orders: { dueMin: number }[];
      asleep: { fromMin: number; toMin: number }[];
    };
    expect(plan.unmet).toEqual([]);
    expect(plan.nightHandsMin).toBe(0);
    expect(plan.bound).toBeLessThanOrEqual(plan.cost + 1e-6);
    for (const { order, readyLateMin, stages } of plan.batches) {
      expect(readyLateMin).toBeLessThanOrEqual(orders[order]!.dueMin);
      for (const { startMin, handsMin } of stages)
        expect(asleep.some((n) => startMin < n.toMin && startMin + handsMin > n.fromMin)).toBeFalse();
    }
    const soon = runVerb('plan', { orders: [{ method: 'quark', massG: 1000, dueMin: 60 }] }) as typeof plan;
    expect(soon.unmet[0]!.why).toMatch(/^It takes \d+ h/);
  });

  it('refuses plans of what there is not, by the order and its field', () => {
    const order = { method: 'quark', massG: 1000, dueMin: 3000 };
    const of = (change: object) => refused('plan', { orders: [{ ...order, ...change }] });
    expect(of({ method: 'soup' })).toEqual(['orders.0.method']);
    expect(of({ massG: 0 })).toEqual(['orders.0.massG']);
    expect(of({ choices: { fatPct: 900 } })).toEqual(['orders.0.choices.fatPct']);
    expect(refused('plan', { orders: [order], asleep: [{ fromMin: 500, toMin: 100 }] })).toEqual(['asleep.0.toMin']);
    expect(refused('plan', { orders: [order], gear: [{ kind: 'kettle' }] })).toEqual(['gear.0.kind']);
  });

  it('refuses impossible milk, heat, acidity, doses and ensembles', () => {
    expect(refused('density', { ...example('density'), tempC: 120 })).toEqual(['tempC']);
    expect(refused('acidity', { proteinPct: 3.3, ph: 2 })).toEqual(['ph']);
    expect(refused('acidity', { proteinPct: 3.3, ph: 5, lacticPct: 0.4 }).length).toBe(1);
    expect(refused('souring', { ...example('souring'), dosePct: 0 })).toEqual(['dosePct']);
    expect(refused('souring', { ...example('souring'), tempC: Number.NaN })).toEqual(['tempC']);
    expect(refused('forecast', { ...example('forecast'), members: 1e9 })).toEqual(['members']);
    expect(refused('strain', { ...example('strain'), massG: -1 })).toEqual(['massG']);
    expect(refused('make', { method: 'Y99', massG: 4000 })).toEqual(['method']);
    expect(refused('make', { method: 'Y1', massG: 4000, choices: { heatC: 120 } })).toEqual(['choices.heatC']);
    expect(refused('make', { method: 'Y5', massG: 4000, choices: { texture: 'firm', drain: 'flat' } })).toEqual([
      'choices.drain',
    ]);
    expect(
      refused('denature', {
        trace: [
          { min: 5, tempC: 20 },
          { min: 1, tempC: 30 },
        ],
      }),
    ).toEqual(['trace']);
  });

  it('turns acidity round: the lactic acid of a pH has that pH', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 3.9, max: 6.6, noNaN: true }),
        fc.double({ min: 2, max: 8, noNaN: true }),
        (ph, proteinPct) => {
          const there = runVerb('acidity', { proteinPct, ph }) as { lacticPct: number };
          const back = runVerb('acidity', { proteinPct, lacticPct: there.lacticPct }) as { ph: number };
          expect(back.ph).toBeCloseTo(ph, 5);
        },
      ),
    );
  });

  it('gives null, not a number, for what never happens', () => {
    expect(run('cool', { targetC: 15 })['min']).toBeNull();
    expect(run('souring', { tempC: 53 })['hoursToTarget']).toBeNull();
    expect(run('forecast', { tempC: 55, readings: [] })['p50H']).toBeNull();
    expect(run('strain', { targetSolidsPct: 40 })['hours']).toBeNull();
  });

  it('is reproducible by its seed and follows a given trace', () => {
    expect(run('forecast')).toEqual(run('forecast'));
    const input = { ...example('souring') };
    delete input['tempC'];
    const cold = runVerb('souring', {
      ...input,
      trace: [
        { min: 0, tempC: 43 },
        { min: 120, tempC: 30 },
      ],
    }) as { hoursToTarget: number };
    expect(cold.hoursToTarget).toBeGreaterThan(run('souring')['hoursToTarget']!);
  });

  it('blends to the cheapest, or says which bound stands in the way and what comes nearest', () => {
    const { parts, fatPct } = runVerb('blend', example('blend')) as { parts: { massG: number }[]; fatPct: number };
    expect(parts.reduce((sum, p) => sum + p.massG, 0)).toBeCloseTo(4000, 6);
    expect(fatPct).toBeCloseTo(10, 9);
    const { infeasible } = run('blend', { target: { massG: 4000, fatPct: 30 } }) as unknown as {
      infeasible: { bound: string; nearest: { parts: { massG: number }[] } };
    };
    expect(infeasible.bound).toBe('fatPct');
    expect(infeasible.nearest.parts[2]!.massG).toBeCloseTo(1000, 6);
  });

  it('doses a liquid in mL and crystals in g, a quarter kept by', () => {
    const lemon = run('acid-dose');
    expect(lemon['ml']).toBeGreaterThan(40);
    expect(lemon['ml']).toBeLessThan(65);
    expect(lemon['reserve']).toBeCloseTo(lemon['ml']! / 4, 9);
    const crystals = run('acid-dose', { acid: 'citric', strengthPct: 100 });
    expect(Object.keys(crystals)).toEqual(['g', 'reserve']);
    expect(refused('acid-dose', { ...example('acid-dose'), strengthPct: 80 })).toEqual(['strengthPct']);
    expect(refused('acid-dose', { ...example('acid-dose'), massG: 0 })).toEqual(['massG']);
  });

  it('churns cream that will break, and says of other cream why it will not', () => {
    const butter = run('churn');
    expect(butter['butterG']! + butter['buttermilkG']!).toBeCloseTo(995, 6);
    expect(refused('churn', { ...example('churn'), tempC: 3 })).toEqual(['tempC']);
    expect(refused('churn', { ...example('churn'), tempC: 35 })).toEqual(['tempC']);
    expect(refused('churn', { ...example('churn'), fatPct: 12 })).toEqual(['fatPct']);
  });

  it('tells a starter’s vigour and what to do about it', () => {
    expect(run('vitality', { ageDays: 0, generation: 0 })['relative']).toBe(1);
    expect(run('vitality', { store: 'frozen', tempC: -18, ageDays: 0, generation: 0 })['relative']).toBeCloseTo(
      0.316,
      3,
    );
    const old = runVerb('vitality', { ...example('vitality'), ageDays: 60 }) as { advice: string };
    expect(old.advice).toContain('fresh culture');
    expect(refused('vitality', { ...example('vitality'), generation: -1 })).toEqual(['generation']);
  });

  it('lets weighed whey correct the hours', () => {
    const plain = run('strain')['hours']!;
    const slow = run('strain', {
      weighed: [
        { min: 60, wheyG: 120 },
        { min: 120, wheyG: 210 },
      ],
    })['hours']!;
    expect(slow).toBeGreaterThan(plain);
  });

  it('says what helps when a batch is too big for its cloth', () => {
    const big = { method: 'Y5', massG: 60_000, choices: { texture: 'firm', drain: 'hung' } };
    expect(refused('make', big)).toEqual(['choices.strain']);
    expect(() => runVerb('make', big)).toThrowMatching((e: InputRefused) =>
      english(e.errors[0]!.remedy).includes('more cloths'),
    );
  });

  it('makes every method there is, with what is left of it and how long it keeps', () => {
    for (const { code } of METHODS) {
      const made = runVerb('make', { method: code, massG: 1500, choices: {} }) as {
        balanceErrorPct: number;
        keepsDays: number;
        byproducts: { name: string; massG: number }[];
        stages: { startMin: number; endMin: number }[];
        product: { massG: number };
      };
      expect(made.balanceErrorPct).withContext(code).toBeLessThan(0.1);
      expect(made.keepsDays).withContext(code).toBeGreaterThan(0);
      expect(made.product.massG).withContext(code).toBeGreaterThan(200);
      expect(numbers(made).every(Number.isFinite)).withContext(code).toBeTrue();
      made.stages.forEach((s, i) => i > 0 && expect(s.startMin).toBeCloseTo(made.stages[i - 1]!.endMin, 6));
    }
    expect(refused('make', { method: 'A4', massG: 1500, choices: { cookC: 68 } })).toEqual(['choices.cookC']);
    expect(refused('make', { method: 'F1', massG: 1500, choices: { calciumGPerKg: 0.25 } })).toEqual([
      'choices.calciumGPerKg',
    ]);
  });

  it('follows a log: readings that show no acid postpone nothing, and what is found is said in words', () => {
    const method = 'scalded-yogurt';
    const begun = [
      { id: '1', atMin: 0, body: { type: 'started', methodId: method, choices: {}, name: 'Pot' } },
      { id: '2', atMin: 65, body: { type: 'step', stageId: 'starter' } },
      { id: '3', atMin: 71, body: { type: 'step', stageId: 'warm' } },
    ];
    const fresh = [2, 4, 6].map((hours) => ({
      id: `at ${hours}`,
      atMin: 71 + 60 * hours,
      body: { type: 'reading', quantity: 'ph', value: 6.6, by: 'meter' },
    }));
    const found = (log: readonly object[], hours: number) => {
      const followed = runVerb('follow', { method, choices: {}, log, nowMin: 71 + 60 * hours, seed: 7 });
      return (followed as { findings: { rule: unknown; verdict: string; text: unknown }[] }).findings;
    };
    for (const log of [begun, [...begun, ...fresh]]) {
      expect([7, 8, 9.5, 11].map((hours) => found(log, hours)[0]?.verdict ?? 'fine')).toEqual([
        'fine',
        'watch',
        'hold',
        'discard',
      ]);
    }
    const [gravest] = found(begun, 11);
    expect(gravest!.rule).toBe('acid in time');
    expect(gravest!.text).toContain('discard it without tasting');
  });

  it('closes the balance of any make it is asked for', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 250, max: 20_000 }),
        fc.double({ min: 3.6, max: 18, noNaN: true }),
        (massG, fatPct) => {
          const made = runVerb('make', {
            method: 'Y5',
            massG,
            choices: { fatPct, texture: 'firm', drain: 'pressed' },
          }) as {
            balanceErrorPct: number;
            product: { massG: number };
          };
          expect(made.balanceErrorPct).toBeLessThan(0.1);
          expect(made.product.massG).toBeLessThan(massG);
        },
      ),
      { numRuns: runs(15) },
    );
  });
});
