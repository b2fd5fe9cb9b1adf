import { english, inEnglish } from '@oat-crock/messages';
import { USUAL_ENVIRONMENT } from '../environment/environment.js';
import { lastOf, runStage } from '../make/run.js';
import { totalG } from '../materials/composition.js';
import { emptyCrock, withCurd, type CrockState } from '../state/crock-state.js';
import { acidify } from './acidify.js';
import { blend } from './blend.js';
import { churn } from './churn.js';
import { volumeMl } from './pass-time.js';
import { wheyBack } from './whey-back.js';
import { cook } from './cook.js';
import { catchBranches, heat } from './heat.js';
import { incubate } from './incubate.js';
import { doseOfLivePct, inoculate } from './inoculate.js';
import { MEASURES } from './measures.js';
import { bind } from './registry.js';
import { sown } from './sowing.js';
import { temper } from './temper.js';
import type { Seen } from './watch.js';

const run = (kind: string, params: object, from: CrockState) =>
  runStage(bind({ id: kind, kind, params: { ...params } }), from, USUAL_ENVIRONMENT);
const MILK = lastOf(run('blend', { massG: 4000 }, emptyCrock(4, 6.65)));
const at = (tempC: number, more: Partial<CrockState> = {}): CrockState => ({ ...MILK, tempC, ...more });
const seen = (more: Partial<Seen>): Seen => ({
  begun: MILK,
  here: MILK,
  planned: MILK,
  environment: USUAL_ENVIRONMENT,
  looks: {},
  over: false,
  ...more,
});

describe('acid in parts', () => {
  it('goes in a third at once, a third after each minute, until all of it is in', () => {
    const { states } = run('acidify', { parts: 3 }, at(90));
    const shares = states.map((s) => s.curd.acidifying?.share ?? 1);
    expect(shares[0]).toBeCloseTo(1 / 3, 12);
    expect(shares[1]).toBeCloseTo(2 / 3, 12);
    expect(shares[2]).toBe(1);
  });

  it('is a spoonful of crystals by their loose weight, and says what is wrong with the milk in its own figures', () => {
    const [crystals] = acidify.weighIn!({ ...acidify.defaults, agent: 'citric' }, at(90));
    expect(crystals!.gPerMl).toBe(0.9);
    const sour = acidify.problems(acidify.defaults, at(90, { ph: 4.64 }));
    expect(english(sour[0]!.message)).toContain('At pH 4.6 it is too sour');
    const cool = acidify.problems(acidify.defaults, at(77.9));
    expect([cool[0]!.field, cool[0]!.works]).toEqual(['heatC', { heatC: 85 }]);
    expect(acidify.problems(acidify.defaults, at(78))).toEqual([]);
  });
});

describe('starter', () => {
  it('is stirred smooth with warm milk above 30 °C only', () => {
    expect(english(inoculate.instruction(inoculate.defaults, at(30)))).toContain('a cup of the milk');
    expect(english(inoculate.instruction(inoculate.defaults, at(30.1)))).toContain('a cup of the warm milk');
  });

  it('has the vigour of its age where nobody says otherwise', () => {
    const biomass = (params: object) => lastOf(run('inoculate', params, at(44))).souring!.biomass;
    expect(biomass({})).toBe(biomass({ vigourPct: 100 }));
    expect(biomass({ vigourPct: 50 })).toBeCloseTo(biomass({}) / 2, 4);
  });

  it('where the milk kills it wants it a degree above what it likes best', () => {
    const [hot] = inoculate.problems(inoculate.defaults, at(60));
    expect(english(hot!.remedy)).toBe('Cool the milk to 45 °C first.');
    expect(hot!.works).toEqual({ starterC: 45 });
  });

  it('begins at the pH of its milk, shifted by what the meter is off', () => {
    const living = [{ culture: 'thermophilic', biomass: 0.01, lagQ: 1 }] as const;
    const sowing = { living, lacticMolPerKg: 0, prior: { deadChance: 0, paceSd: 0.25 } };
    const ph = (phShift: number) => sown(at(44), sowing, { life: 'alive', buffer: 1, phShift }).ph;
    expect(ph(0.05) - ph(0)).toBeCloseTo(0.05, 12);
  });
});

describe('starter by the packet', () => {
  it('is weighed to the hundredth of a gram', () => {
    expect(english(inoculate.instruction({ ...powder, packets: 0.25 }, at(44)))).toContain(
      'Sprinkle 0.25 packet of starter powder (0.25 g)',
    );
  });

  const powder = { ...inoculate.defaults, form: 'freeze-dried' as const, store: 'frozen' as const };
  const litres = totalG(MILK.masses) / 1030;

  it('brings what its label says it sets, half of it half as much, and no milk', () => {
    const whole = { ...powder, packets: 1, packetSetsL: litres };
    expect(doseOfLivePct(whole, MILK.masses)).toBeCloseTo(2.5, 1);
    expect(doseOfLivePct({ ...whole, packets: 0.5 }, MILK.masses)).toBeCloseTo(1.25, 1);
    expect(doseOfLivePct({ ...whole, packets: 20, packetSetsL: 500 }, MILK.masses)).toBe(25);
    const before = MILK.masses;
    const after = lastOf(run('inoculate', { ...whole, packetG: 2 }, at(44))).masses;
    expect(totalG(after) - totalG(before)).toBeCloseTo(2, 9);
    expect(after.other - before.other).toBeCloseTo(2, 9);
    expect(after.casein).toBe(before.casein);
  });

  it('says where it is meant for less than six tenths of the milk, or for more than two and a half times of it', () => {
    const fields = (share: number) =>
      inoculate
        .problems({ ...powder, packets: 1, packetSetsL: share * 4 }, { ...at(44), masses: { ...MILK.masses } })
        .map((p) => [p.field, p.mild]);
    const perLitre = totalG(MILK.masses) / 4000 / 1.03;
    expect(fields(0.605 * perLitre)).toEqual([]);
    expect(fields(0.59 * perLitre)).toEqual([['packets', true]]);
    expect(fields(2.48 * perLitre)).toEqual([]);
    expect(fields(2.52 * perLitre)).toEqual([['packets', true]]);
  });

  it('is weighed, priced and told by the packet', () => {
    const [weighed] = inoculate.weighIn!({ ...powder, packets: 2.5, packetG: 0.4 }, MILK);
    expect([weighed!.massG, weighed!.pricedAs, weighed!.count, english(weighed!.measure!)]).toEqual([
      1,
      'packet',
      2.5,
      '2.5 packets',
    ]);
    expect(english(inoculate.instruction({ ...powder, packets: 1 }, at(44)))).toContain(
      'Sprinkle 1 packet of starter powder (1 g)',
    );
  });
});

describe('heating', () => {
  it('shows small bubbles from 75 °C on, and wants no more than the milk bears', () => {
    expect(english(heat.endCue({ ...heat.defaults, targetC: 74.9 }, MILK))).toContain('after a stir');
    expect(english(heat.endCue({ ...heat.defaults, targetC: 75 }, MILK))).toContain('small bubbles');
  });

  it('a film wants a lower flame, what has scorched another pot', () => {
    const note = (bottom: string) => inEnglish(catchBranches(seen({ looks: { bottom } })).map((b) => b.does));
    expect(note('a-film')).toEqual([{ do: 'leave', note: 'Turned the flame down.' }]);
    expect(note('scorched')).toEqual([{ do: 'leave', note: 'Poured off the scorched bottom.' }]);
    expect(note('clean')).toEqual([]);
  });

  it('yogurt of milk of which less than four tenths is unfolded is said to come thin', () => {
    const sownAt = (native: number) =>
      incubate
        .problems(incubate.defaults, {
          ...lastOf(run('inoculate', {}, at(44, { peakC: 85 }))),
          native: { betaLgA: native, betaLgB: native, alphaLa: 1 },
        })
        .map((p) => p.field);
    expect(sownAt(0.61)).toEqual(['heatC']);
    expect(sownAt(0.59)).toEqual([]);
  });
});

describe('smaller stages', () => {
  it('tempering is over at its temperature', () => {
    const done = (tempC: number) => temper.done(at(tempC), { targetC: 12 }, USUAL_ENVIRONMENT, 0);
    expect([done(11.99), done(12)]).toEqual([false, true]);
  });

  it('melting cheese names egg as soon as there is any', () => {
    const cautions = (eggPct: number) =>
      cook
        .cautions({ ...cook.defaults, eggPct }, MILK)
        .map(english)
        .join(' ');
    expect(cautions(0.5)).toContain('egg');
    expect(cautions(0)).not.toContain('egg');
  });

  it('clotting is shown up to the whole of it', () => {
    const shown = (clotted: number) => MEASURES.clottedPct.of(withCurd(MILK, { clotted }));
    expect([shown(0.5), shown(1.2)]).toEqual([50, 100]);
  });
});

describe('vessels', () => {
  it('too small says what is needed to the next half litre, and what would fit to the quarter kilo', () => {
    const [pot] = blend.problems({ ...blend.defaults, massG: 5000, vesselL: 5 }, MILK);
    expect(english(pot!.remedy)).toBe('Take a larger pot, or at most 4.25 kg of milk.');
    expect(pot!.works).toEqual({ vesselL: 6 });
    const [room] = churn
      .problems({ ...churn.defaults, churnL: 1 }, at(12, { masses: { ...MILK.masses, fat: 2000 } }))
      .filter((p) => p.field === 'churnL');
    const wantedL = Number(room!.works!['churnL']);
    expect(wantedL).toBe(Math.ceil((2 * volumeMl({ ...MILK, masses: { ...MILK.masses, fat: 2000 } })) / 500) / 2);
  });

  it('whey can be whisked back for two hours', () => {
    expect(wheyBack.slack(wheyBack.defaults, { at: () => MILK, lastedMin: 5 }).lateMin).toBe(120);
  });
});
