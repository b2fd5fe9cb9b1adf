import { english } from '@oat-crock/messages';
import { coolingSurroundings, flaskUa } from '../physics/heat.js';
import { methodById } from '../methods/index.js';
import { initialChoices } from '../methods/method.js';
import { makeSheet, SHEET_FORECAST } from '../make/sheet.js';
import { USUAL_KITCHEN } from '../environment/environment.js';
import { takesG, type Gear } from '../lots/gear.js';
import { fillOfGear } from './fills.js';
import { pottedIn, roomProblems } from './room-for.js';
import { lossAgainstUsual, withVessels } from './vessel-loss.js';

const yogurt = methodById('scalded-yogurt');
const butter = methodById('cultured-butter');
const gear = (kind: Gear['kind'], name: string, holdsL: number, count = 1): Gear => ({
  id: name,
  kind,
  name,
  holdsL,
  count,
  learned: {},
  note: '',
});
const sheet = (massG: number, productG: number, potG: number) => ({
  choices: { massG, potG },
  product: { massG: productG, pots: Math.floor(productG / potG) },
});

describe('room for a make in vessels of one’s own', () => {
  it('leaves headspace in a jar, and fills the pots of a sheet by it', () => {
    const jar = gear('jar', 'Litre jar', 1);
    expect(takesG(jar)).toBe(975); // 0.95 L of 1.03 kg
    expect(fillOfGear(jar)!.choices).toEqual({ potG: 975 });
    expect([pottedIn(yogurt), pottedIn(butter)]).toEqual(['jar', 'mould']);
  });

  it('has nothing to say where no jars were chosen, or they do', () => {
    expect(roomProblems(yogurt, sheet(4000, 4000, 400), [])).toEqual([]);
    expect(roomProblems(yogurt, sheet(4000, 4000, 400), [gear('jar', 'Half litres', 0.5, 10)])).toEqual([]);
  });

  it('offers the most a jar takes where a pot is larger', () => {
    const [problem] = roomProblems(yogurt, sheet(4000, 4000, 1200), [gear('jar', 'Litre jars', 1, 12)]);
    expect(english(problem!.message)).toBe('1200 g does not go into Litre jars: it takes 975 g.');
    expect(problem!.works).toEqual({ potG: 975 });
    expect(problem!.mild).toBeTrue();
  });

  it('counts the jars, and says how it goes into all of them', () => {
    const jars = [gear('jar', 'Small jars', 0.5, 4), gear('jar', 'Litre jars', 1, 2)];
    const [few] = roomProblems(yogurt, sheet(4000, 3600, 450), jars);
    expect(english(few!.message)).toBe('It fills 8 pots of 450 g; of Small jars and Litre jars there are 6.');
    expect(english(few!.remedy)).toMatch(/^Filled evenly: 2 × 900 g in Litre jars, 4 × 450 g in Small jars\.$/);
    const [none] = roomProblems(yogurt, sheet(9000, 8800, 400), jars);
    expect(english(none!.remedy)).toMatch(/^All of them together take 3\.91 kg/);
  });

  it('turns a butter mould out and fills it again; a piece too large for it is said', () => {
    const mould = gear('mould', 'Butter mould', 0.25, 1);
    expect(roomProblems(butter, sheet(2000, 1000, 250), [mould])).toEqual([]);
    expect(roomProblems(butter, sheet(2000, 1000, 500), [mould])[0]!.works).toEqual({ potG: 255 });
  });

  it('does not put four litres into a flask of two', () => {
    const flask = gear('flask', 'Flask', 2);
    const [problem] = roomProblems(yogurt, sheet(4000, 4000, 400), [flask]);
    expect(problem!.field).toBe('keeper');
    expect(problem!.mild).toBeUndefined();
    const fits = problem!.works!['massG'] as number;
    expect(fits).toBe(1900);
    expect(roomProblems(yogurt, sheet(fits, fits, 400), [flask])).toEqual([]);
    const [split] = roomProblems(yogurt, sheet(3600, 3600, 400), [{ ...flask, count: 2 }]);
    expect(english(split!.remedy)).toBe('Split it: 2 × 1.80 kg.');
  });
});

describe('what a vessel loses, as it was measured', () => {
  const measured = (kind: Gear['kind'], value: number, litres?: number): Gear => ({
    ...gear(kind, kind, 4),
    learned: { lossWPerK: { value, sd: null, atMs: 0, ...(litres !== undefined && { litres }) } },
  });

  it('is held against a usual one with as much in it', () => {
    const usual = coolingSurroundings('covered', 2000, 20).uaWPerK;
    expect(lossAgainstUsual(measured('pot', 1.5 * usual, 2))).toBeCloseTo(1.5, 9);
    expect(lossAgainstUsual(measured('flask', flaskUa(3880) / 2))).toBeCloseTo(0.5, 9); // 4 L filled to 97 %
    expect(lossAgainstUsual(gear('pot', 'new', 4))).toBeNull();
    expect(lossAgainstUsual(measured('churn', 1))).toBeNull();
  });

  it('moves what the engine expects: a leaky flask sours later, a tight one sooner', () => {
    const choices = { ...initialChoices(yogurt), massG: 1500, keeper: 'flask', preheated: 'yes' };
    const readyMin = (flaskLoss: number) => {
      const made = makeSheet(yogurt, choices, SHEET_FORECAST, { kitchen: { ...USUAL_KITCHEN, flaskLoss } });
      return made.souring!.forecast.p50Min!;
    };
    expect(readyMin(2)).toBeGreaterThan(readyMin(1) + 5);
    expect(readyMin(0.5)).toBeLessThan(readyMin(1));
  });

  it('makes a pot cool sooner that loses more', () => {
    const choices = { ...initialChoices(yogurt), coolMethod: 'covered' };
    const starterAt = (potLoss: number) => {
      const made = makeSheet(yogurt, choices, SHEET_FORECAST, { kitchen: { ...USUAL_KITCHEN, potLoss } });
      return made.stages.find((s) => s.id === 'starter')!.beginMin;
    };
    expect(starterAt(1.4)).toBeLessThan(starterAt(1) - 15);
  });

  it('comes into the kitchen with the gear a make is made in', () => {
    const usual = coolingSurroundings('covered', 2000, 20).uaWPerK;
    const kitchen = withVessels(USUAL_KITCHEN, [measured('pot', 1.2 * usual, 2), gear('jar', 'jar', 1)]);
    expect(kitchen.potLoss).toBeCloseTo(1.2, 9);
    expect(kitchen.flaskLoss).toBe(1);
  });
});
