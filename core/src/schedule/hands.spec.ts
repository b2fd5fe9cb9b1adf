import { EIGHT_PIECES, daily, maker, someWeeks } from '../testing/weeks.js';
import { whoDoesWhat, type GivenHands } from './hands.js';
import type { Person } from './hours.js';
import { planFor } from './plan.js';
import type { PlannedMake } from './planning-problem.js';
import { awakeMin } from './timeline.js';

const DAY = 1440;
const helper = (name: string, more: Partial<Person> = {}): Person => ({
  ...{ name, asleep: [], works: null, away: [] },
  ...more,
});

/** Everybody's hands in order of time: whose, from when, and for how long. */
function handsIn(makes: readonly PlannedMake[]) {
  return makes
    .flatMap(({ network, hands }) =>
      hands.steps.map((given, i) => ({ ...given, minutes: awakeMin(network.steps[i]!) })),
    )
    .filter(({ minutes }) => minutes > 0)
    .sort((a, b) => a.beginMin - b.beginMin);
}

describe('who does what', () => {
  it('is nobody twice at once, not by a minute, and nothing is done before its time', () => {
    for (const people of [[maker(14)], [maker(14), helper('Ines', { away: daily(14, 8, 14) })]]) {
      const week = { ...someWeeks(12, 7, 3), people, gear: EIGHT_PIECES };
      const { makes } = planFor(week, 30);
      expect(makes.length).toBeGreaterThan(8);
      for (const { name } of people) {
        const own = handsIn(makes).filter(({ who }) => who === name);
        own
          .slice(1)
          .forEach(({ beginMin }, i) =>
            expect(beginMin).toBeGreaterThanOrEqual(own[i]!.beginMin + own[i]!.minutes - 1e-6),
          );
      }
      for (const { steps, hands } of makes)
        hands.steps.forEach(({ beginMin }, i) => {
          expect(beginMin).toBeGreaterThanOrEqual(steps[i]!.beginMin);
          expect(beginMin - steps[i]!.beginMin).toBeLessThanOrEqual(60);
        });
    }
  });

  it('is somebody who is there and awake where there is one, and evenly', () => {
    const away = [{ fromMin: 0, toMin: 3 * DAY }];
    const people = [helper('A'), helper('B', { away })];
    const { makes } = planFor({ ...someWeeks(8, 7, 4), people, gear: EIGHT_PIECES }, 20);
    const all = handsIn(makes);
    const minutesOf = (name: string, from: number) =>
      all
        .filter((hand: GivenHands) => hand.who === name && hand.beginMin >= from)
        .reduce((sum, { minutes }) => sum + minutes, 0);
    expect(all.some(({ who, beginMin }) => who === 'B' && beginMin < 3 * DAY)).toBeFalse();
    const [a, b] = [minutesOf('A', 3 * DAY), minutesOf('B', 3 * DAY)];
    expect(a + b).toBeGreaterThan(60);
    expect(Math.min(a, b) / Math.max(a, b)).toBeGreaterThan(0.5);
  });

  it('leaves who is at something that is on already to it', () => {
    const { makes } = planFor({ ...someWeeks(3, 7, 5), people: [maker(7)], gear: EIGHT_PIECES }, 10);
    const [make] = makes;
    const atMin = make!.steps[0]!.beginMin;
    const on = [{ name: 'Pot', tasks: [{ atMin: atMin - 5, minutes: 20 }], demands: [] }];
    expect(whoDoesWhat([helper('A')], [make!], on)[0]!.steps[0]!.beginMin).toBeCloseTo(atMin + 15, 6);
    expect(whoDoesWhat([helper('A'), helper('B')], [make!], on)[0]!.steps[0]).toEqual({ who: 'B', beginMin: atMin });
  });

  it('waits for who is busy, but no longer than an hour', () => {
    const { makes } = planFor({ ...someWeeks(3, 7, 5), people: [maker(7)], gear: EIGHT_PIECES }, 10);
    const [make] = makes;
    const twice = whoDoesWhat([helper('A')], [make!, make!]);
    const [first, second] = twice.map(({ steps }) => steps[0]!.beginMin);
    expect(second! - first!).toBeCloseTo(awakeMin(make!.network.steps[0]!), 6);
    // Of twenty alike the last do not wait all day.
    const many = whoDoesWhat(
      [helper('A')],
      Array.from({ length: 20 }, () => make!),
    );
    expect(Math.max(...many.map(({ steps }) => steps[0]!.beginMin)) - make!.steps[0]!.beginMin).toBeLessThanOrEqual(60);
    expect(whoDoesWhat([], [make!])[0]!.steps[0]).toEqual({ who: '', beginMin: make!.steps[0]!.beginMin });
  });
});
