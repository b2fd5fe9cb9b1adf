import { english } from '@oat-crock/messages';
import { NOMINAL_MEMBER, USUAL_ENVIRONMENT, type Environment } from '../environment/environment.js';
import { courseOf, firstOf, lastOf, runEnded, runOn, runStage } from '../make/run.js';
import { acidForPh, phOf } from '../physics/acids.js';
import { bufferMilkOf } from '../physics/buffer.js';
import { denaturedBetaLg } from '../physics/denaturation.js';
import { solidsFraction, totalG } from '../materials/composition.js';
import { balanceErrorPct, emptyCrock, firmness, hasSet, syneresis, type CrockState } from '../state/crock-state.js';
import { bind, STAGE_KIND_NAMES } from './registry.js';

const run = (kind: string, params: object, from: CrockState, environment: Environment = USUAL_ENVIRONMENT) =>
  runStage(bind({ id: kind, kind, params: { ...params } }), from, environment);
const member = (change: object): Environment => ({ ...USUAL_ENVIRONMENT, member: { ...NOMINAL_MEMBER, ...change } });

const EMPTY = emptyCrock(4, 6.65);
const MILK = lastOf(run('blend', { massG: 4000 }, EMPTY));
const HOT = lastOf(run('heat', { targetC: 85 }, MILK));
const HELD = lastOf(run('hold', { minutes: 15 }, HOT));
const COOLED = lastOf(run('cool', { targetC: 44 }, HELD));
const SOWN = lastOf(run('inoculate', {}, COOLED));
const SET = lastOf(run('incubate', {}, SOWN));
const COLD = lastOf(run('chill', {}, SET));
const CREAM = lastOf(run('blend', { massG: 1000, fatPct: 36, vesselL: 2 }, EMPTY));
const TEMPERED = lastOf(run('temper', { targetC: 12 }, CREAM));
const BROKEN = lastOf(run('churn', {}, TEMPERED));

describe('heat', () => {
  it('arrives where it was sent, sooner on a stronger hob and with less milk', () => {
    expect(HOT.tempC).toBeCloseTo(85, 1);
    const minutes = (hobW: number, massG: number) => {
      const kitchen = { ...USUAL_ENVIRONMENT.kitchen, hobW };
      const milk = lastOf(run('blend', { massG }, EMPTY));
      return lastOf(run('heat', { targetC: 85 }, milk, { ...USUAL_ENVIRONMENT, kitchen })).minute;
    };
    expect(minutes(2400, 4000)).toBeLessThan(minutes(1800, 4000));
    expect(minutes(1800, 2000)).toBeLessThan(minutes(1800, 4000));
  });

  it('never arrives on a hob too weak for the pot, and is not followed for ever', () => {
    const kitchen = { ...USUAL_ENVIRONMENT.kitchen, hobW: 60 };
    const weak = run('heat', { targetC: 85 }, MILK, { ...USUAL_ENVIRONMENT, kitchen });
    expect(weak.finished).toBeFalse();
  });

  it('uses the energy that warming that milk takes', () => {
    // 4 kg × 3.9 kJ/kg·K × 80 K is about 1250 kJ, and a little lost
    expect(HOT.energyKJ).toBeGreaterThan(1200);
    expect(HOT.energyKJ).toBeLessThan(1450);
  });
});

describe('hold', () => {
  it('keeps its temperature and unfolds more the longer it lasts', () => {
    expect(HELD.tempC).toBeCloseTo(85, 1);
    const longer = lastOf(run('hold', { minutes: 30 }, HOT));
    expect(denaturedBetaLg(longer.native)).toBeGreaterThan(denaturedBetaLg(HELD.native));
  });

  it('loses water with the lid off, and books it', () => {
    const open = lastOf(run('hold', { minutes: 30, lid: 'off' }, HOT));
    expect(open.evaporatedG).toBeGreaterThan(20);
    expect(totalG(open.masses)).toBeCloseTo(totalG(HOT.masses) - open.evaporatedG, 6);
    expect(balanceErrorPct(open)).toBeLessThan(1e-9);
  });
});

describe('cool', () => {
  it('takes less time in ice than in water than on the counter', () => {
    const minutes = (method: string) => lastOf(run('cool', { targetC: 44, method }, HELD)).minute - HELD.minute;
    expect(minutes('ice-bath')).toBeLessThan(minutes('water-bath'));
    expect(minutes('water-bath')).toBeLessThan(minutes('covered'));
  });
});

describe('inoculate', () => {
  it('adds the dose, cools the milk a little and starts the souring', () => {
    expect(totalG(SOWN.masses)).toBeCloseTo(totalG(COOLED.masses) * 1.025, 6);
    expect(SOWN.tempC).toBeLessThan(COOLED.tempC);
    expect(SOWN.souring!.biomass).toBeGreaterThan(0);
    expect(balanceErrorPct(SOWN)).toBeLessThan(1e-9);
  });

  it('carries less with an older starter, nothing sour with a powder', () => {
    const old = lastOf(run('inoculate', { ageDays: 14 }, COOLED));
    const powder = lastOf(run('inoculate', { form: 'freeze-dried' }, COOLED));
    expect(old.souring!.biomass).toBeLessThan(SOWN.souring!.biomass);
    expect(powder.ph).toBeGreaterThan(SOWN.ph);
  });

  it('into milk at 60 °C leaves a starter that never sets it', () => {
    const hot = lastOf(run('cool', { targetC: 60 }, HELD));
    const sown = lastOf(run('inoculate', {}, hot));
    const after = run('incubate', {}, sown);
    const hours = (lastOf(after).minute - sown.minute) / 60;
    expect(!after.finished || hours > 20).toBeTrue();
  });
});

describe('incubate', () => {
  it('ends at the wanted pH, set, and firmer and more shedding the sourer it goes', () => {
    expect(SET.ph).toBeCloseTo(4.5, 2);
    expect(hasSet(SET)).toBeTrue();
    const sharp = lastOf(run('incubate', { targetPh: 4.1 }, SOWN));
    expect(firmness(sharp)).toBeGreaterThanOrEqual(firmness(SET));
    expect(syneresis(sharp)).toBeGreaterThan(syneresis(SET));
  });

  it('is slower in a place that is colder than it says, and in an old flask of a small batch', () => {
    const minutes = (environment: Environment, params: object = {}) =>
      lastOf(run('incubate', params, SOWN, environment)).minute - SOWN.minute;
    expect(minutes(member({ incubatorOffsetC: -4 }))).toBeGreaterThan(minutes(USUAL_ENVIRONMENT) + 20);
    const tired = lastOf(run('inoculate', {}, COOLED, member({ activity: 0.3 })));
    expect(lastOf(run('incubate', {}, tired)).minute).toBeGreaterThan(SET.minute + 20);
    const small = lastOf(
      run(
        'inoculate',
        {},
        lastOf(run('cool', { targetC: 44 }, lastOf(run('heat', {}, lastOf(run('blend', { massG: 500 }, EMPTY)))))),
      ),
    );
    const flask = lastOf(run('incubate', { keeper: 'flask' }, small)).tempC;
    const towels = lastOf(run('incubate', { keeper: 'wrapped' }, small)).tempC;
    expect(towels).toBeLessThan(flask);
  });

  it('makes lactic acid of lactose and leaves galactose, to the gram', () => {
    const lactose = SOWN.masses.lactose - SET.masses.lactose;
    const galactose = SET.masses.galactose - SOWN.masses.galactose;
    const lactic = SET.masses.lactic - SOWN.masses.lactic;
    expect(lactic).toBeGreaterThan(15);
    expect(galactose / lactose).toBeCloseTo(180.16 / 342.3, 6);
    expect(lactic / galactose).toBeCloseTo((2 * 90.08) / 180.16, 6);
  });

  it('has less give when it is hot and quick than when it is cool and slow', () => {
    const slack = (keepC: number) => {
      const warm = run('incubate', { keepC }, SOWN);
      return warm.stage.kind.slack(warm.stage.params, courseOf(warm, USUAL_ENVIRONMENT));
    };
    expect(slack(43).lateMin).toBeGreaterThan(10);
    expect(slack(34).lateMin).toBeGreaterThan(slack(43).lateMin);
  });
});

describe('chill', () => {
  it('goes on souring until it is cold, and holds back what was asked', () => {
    expect(COLD.ph).toBeLessThan(SET.ph);
    expect(totalG(COLD.heldBack)).toBeCloseTo(0.03 * totalG(SET.masses), 6);
    expect(COLD.tempC).toBeLessThanOrEqual(7.01);
  });
});

describe('strain', () => {
  it('parts whey from curd with nearly all fat and casein in the curd', () => {
    const strained = run('strain', { texture: 'very-thick' }, COLD);
    const end = lastOf(strained);
    expect(strained.finished).toBeTrue();
    expect(solidsFraction(end.masses)).toBeCloseTo(0.21, 3);
    expect(end.masses.fat / COLD.masses.fat).toBeGreaterThan(0.97);
    expect(end.masses.casein / COLD.masses.casein).toBeGreaterThan(0.99);
    expect(end.whey.lactose / COLD.masses.lactose).toBeGreaterThan(0.4);
    expect(balanceErrorPct(end)).toBeLessThan(1e-9);
  });

  it('keeps unfolded whey protein in the curd, and loses native', () => {
    const barely = lastOf(
      run(
        'incubate',
        {},
        lastOf(run('inoculate', {}, lastOf(run('cool', {}, lastOf(run('heat', { targetC: 66 }, MILK)))))),
      ),
    );
    const shareKept = (from: CrockState) =>
      lastOf(run('strain', { texture: 'very-thick' }, lastOf(run('chill', {}, from)))).masses.wheyProtein /
      from.masses.wheyProtein;
    expect(shareKept(SET)).toBeGreaterThan(shareKept(barely) + 0.2);
  });

  it('left too long gets thicker, never thinner', () => {
    const strained = run('strain', { texture: 'thick' }, COLD);
    const later = runOn(strained, USUAL_ENVIRONMENT, 240);
    expect(solidsFraction(lastOf(later).masses)).toBeGreaterThan(solidsFraction(lastOf(strained).masses));
    expect(firstOf(later)).toBe(firstOf(strained));
  });

  it('takes longer on a slow cloth', () => {
    const minutes = (environment: Environment) =>
      lastOf(run('strain', { texture: 'spreadable' }, COLD, environment)).minute;
    expect(minutes(member({ drainTime: 1.6 }))).toBeGreaterThan(minutes(USUAL_ENVIRONMENT));
  });
});

describe('heating left too long', () => {
  it('boils, and gets no hotter', () => {
    const forgotten = runStage(bind({ id: 'h', kind: 'heat', params: { targetC: 85 } }), MILK, USUAL_ENVIRONMENT, 90);
    expect(lastOf(forgotten).tempC).toBeCloseTo(100.2, 6);
    expect(lastOf(forgotten).peakC).toBeLessThanOrEqual(100.2);
  });
});

describe('acid in hot milk', () => {
  const stageOf = (kind: string, params: object) => bind({ id: kind, kind, params: { ...params } });

  it('brings it to the pH that was asked for, and closes its books', () => {
    for (const agent of ['lemon', 'vinegar', 'citric', 'tartaric']) {
      const parted = lastOf(run('acidify', { agent, targetPh: 5.5 }, HOT));
      expect(parted.ph).toBeCloseTo(5.5, 6);
      expect(parted.curd.body).toBe('grains');
      expect(balanceErrorPct(parted)).toBeLessThan(1e-9);
    }
  });

  it('goes down a step with each part, as the buffer lets it, and is there with the last', () => {
    const { states } = run('acidify', { agent: 'lemon', targetPh: 5.4 }, HOT);
    const steps = states.map((s) => s.ph);
    const milk = bufferMilkOf(HOT.masses, HOT.freshPh);
    const whole = acidForPh(milk, {}, 'citric', 5.4);
    [1, 2, 3].forEach((part, i) => expect(steps[i]).toBeCloseTo(phOf(milk, { citric: (whole * part) / 3 }), 2));
    expect(steps.slice(2).every((ph) => Math.abs(ph - 5.4) < 1e-6)).toBeTrue();
    expect(states.map((s) => s.curd.body).slice(0, 3)).toEqual(['gel', 'gel', 'grains']);
  });

  it('is all in where somebody went on before the clock had run out', () => {
    const stage = stageOf('acidify', { targetPh: 5.5 });
    expect(lastOf(runStage(stage, HOT, USUAL_ENVIRONMENT, 0.5)).ph).toBeGreaterThan(5.9);
    const ended = lastOf(runEnded(stage, HOT, USUAL_ENVIRONMENT, 0.5));
    expect(ended.ph).toBeCloseTo(5.5, 6);
    expect(balanceErrorPct(ended)).toBeLessThan(1e-9);
  });

  it('says how much in three parts, in mL with a kitchen measure or in grams, and what to keep by', () => {
    const lemon = stageOf('acidify', { agent: 'lemon', targetPh: 5.4 });
    expect(english(lemon.kind.instruction(lemon.params, HOT))).toMatch(
      /^Stir in 2\d\d mL \(.+\) lemon juice in 3 parts of \d\d mL.*Keep 5\d mL/,
    );
    const crystals = stageOf('acidify', { agent: 'citric', targetPh: 5.4 });
    expect(english(crystals.kind.instruction(crystals.params, HOT))).toMatch(
      /^Stir in 1\d g citric acid in 3 parts of [3-6]\.\d g/,
    );
  });

  it('does not part milk that is too cool, and says so', () => {
    const { kind, params } = stageOf('acidify', {});
    expect(kind.problems(params, HOT)).toEqual([]);
    expect(english(kind.problems(params, MILK)[0]!.remedy)).toContain('85 °C');
    expect(lastOf(run('acidify', {}, MILK)).curd.body).toBe('gel');
  });

  it('leaves grains that drain faster and drier than a gel', () => {
    const parted = lastOf(run('acidify', { targetPh: 5.5 }, HOT));
    const curd = run('strain', { method: 'flat', texture: 'soft-curd', where: 'hot' }, parted);
    expect(curd.finished).toBeTrue();
    expect(lastOf(curd).minute - parted.minute).toBeLessThan(60);
    expect(run('strain', { method: 'flat', texture: 'soft-curd' }, COLD).finished).toBeFalse();
  });
});

describe('churning', () => {
  const fatOf = (state: CrockState) => state.masses.fat / totalG(state.masses);

  it('ends when the cream has broken, and takes nothing from the crock', () => {
    expect(BROKEN.curd.churned).toBeGreaterThanOrEqual(1);
    expect(BROKEN.masses).toEqual(TEMPERED.masses);
    expect(TEMPERED.tempC).toBeCloseTo(12, 1);
  });

  it('draws buttermilk off, closes its books, and leaves grains', () => {
    const grains = lastOf(run('draw', {}, BROKEN));
    expect(fatOf(grains)).toBeCloseTo(0.72, 2);
    expect(balanceErrorPct(grains)).toBeLessThan(1e-9);
    expect(grains.whey.fat / totalG(grains.whey)).toBeLessThan(0.01);
  });

  it('washes out what is dissolved and not the fat, until under 2 % is left', () => {
    const grains = lastOf(run('draw', {}, BROKEN));
    const washed = lastOf(run('wash', {}, grains));
    expect(washed.masses.lactose / grains.masses.lactose).toBeLessThan(0.02);
    expect(washed.masses.fat).toBe(grains.masses.fat);
    expect(totalG(washed.masses)).toBeCloseTo(totalG(grains.masses), 6);
    expect(washed.minute).toBeGreaterThan(grains.minute + 2);
    expect(balanceErrorPct(washed)).toBeLessThan(1e-9);
  });

  it('works it to the fat that was asked for, salt and all', () => {
    const grains = lastOf(run('draw', {}, BROKEN));
    for (const [butterFatPct, saltPct] of [
      [80, 0],
      [82, 1],
      [86, 2],
    ] as const) {
      const butter = lastOf(run('work', { butterFatPct, saltPct }, grains));
      expect(100 * fatOf(butter)).toBeCloseTo(butterFatPct, 6);
      expect((100 * butter.masses.salt) / totalG(butter.masses)).toBeCloseTo(saltPct, 6);
      expect(balanceErrorPct(butter)).toBeLessThan(1e-9);
    }
  });

  it('says which cream will not break, and what to do', () => {
    const problems = (state: CrockState, params = {}) => {
      const { kind, params: bound } = bind({ id: 'c', kind: 'churn', params });
      return kind.problems(bound, state).map((p) => p.message);
    };
    expect(problems(TEMPERED).map(english)).toEqual([]);
    expect(english(problems(CREAM)[0]!)).toContain('cold');
    expect(english(problems({ ...TEMPERED, tempC: 30 })[0]!)).toContain('grease');
    expect(english(problems({ ...MILK, tempC: 12 })[0]!)).toContain('too little fat');
    expect(english(problems(TEMPERED, { churnL: 1 })[0]!)).toContain('too full');
  });
});

describe('every kind of stage', () => {
  it('says everything about itself', () => {
    for (const name of STAGE_KIND_NAMES) {
      const { kind, params } = bind({ id: name, kind: name, params: {} });
      expect(english(kind.name(params)).length)
        .withContext(name)
        .toBeGreaterThan(2);
      expect(english(kind.instruction(params, COLD)))
        .withContext(name)
        .toMatch(/^[A-Z].*\.$/);
      expect(english(kind.endCue(params, COLD)).length)
        .withContext(name)
        .toBeGreaterThan(10);
      expect(kind.handsMin(params)).withContext(name).toBeGreaterThan(0);
      expect(kind.gear(params).length).withContext(name).toBeGreaterThan(0);
      expect(kind.stepMin).withContext(name).toBeGreaterThan(0);
      expect(Number.isFinite(kind.target(params)))
        .withContext(name)
        .toBeTrue();
      for (const scale of kind.cues) expect(scale.answers.length).withContext(name).toBeGreaterThan(1);
    }
  });

  it('comes to the same end in long steps as in short ones', () => {
    for (const [name, from, params] of [
      ['heat', MILK, {}],
      ['cool', HELD, {}],
      ['incubate', SOWN, {}],
      ['chill', SET, {}],
      ['strain', COLD, { texture: 'thick' }],
      ['rest', HOT, { minutes: 30 }],
      ['temper', COLD, { targetC: 14 }],
      ['churn', TEMPERED, { device: 'jar' }],
    ] as const) {
      const bound = bind({ id: name, kind: name, params });
      const end = runStage(bound, from, USUAL_ENVIRONMENT);
      const minutes = lastOf(end).minute - from.minute;
      let fine = bound.kind.begin(from, bound.params, USUAL_ENVIRONMENT);
      const steps = Math.ceil(minutes / (bound.kind.stepMin / 4));
      for (let i = 0; i < steps; i++) fine = bound.kind.advance(fine, bound.params, USUAL_ENVIRONMENT, minutes / steps);
      expect(Math.abs(fine.tempC - lastOf(end).tempC))
        .withContext(`${name} °C`)
        .toBeLessThan(0.3);
      expect(Math.abs(fine.ph - lastOf(end).ph))
        .withContext(`${name} pH`)
        .toBeLessThan(0.01);
      expect(Math.abs(totalG(fine.masses) / totalG(lastOf(end).masses) - 1))
        .withContext(`${name} g`)
        .toBeLessThan(0.01);
    }
  });
});
