import { USUAL_SETTINGS } from '@oat-crock/contract/api';
import { peopleOver } from './people.js';
import { weekdayOf } from './zone.js';

const MIN = 60_000;
const DAY_MIN = 1440;
const START = Date.UTC(2026, 4, 4, 9);

describe('the people of a household', () => {
  const settings = {
    ...USUAL_SETTINGS,
    zone: 'UTC',
    away: [{ fromMs: START + DAY_MIN * MIN, toMs: START + 2 * DAY_MIN * MIN }],
    helpers: [{ name: 'Orla', fromH: 8, toH: 12, days: [weekdayOf({ year: 2026, month: 5, day: 4 })] }],
  };

  it('are those of the house, away when they said so, and each who helps, there in their hours only', () => {
    const [house, helper] = peopleOver(settings, START, 7 * DAY_MIN);
    expect(house!.away).toEqual([{ fromMin: DAY_MIN, toMin: 2 * DAY_MIN }]);
    // From nine, when the plan begins, until noon; and a week later.
    expect(helper!.away).toEqual([{ fromMin: 180, toMin: 7 * DAY_MIN - 60 }]);
    expect(helper!.asleep).toEqual([]);
    expect(peopleOver(settings, START, 8 * DAY_MIN)[1]!.away.map((s) => s.toMin - s.fromMin)).toEqual([
      7 * DAY_MIN - 60 - 180,
      8 * DAY_MIN - (7 * DAY_MIN + 180),
    ]);
  });

  it('are away in hours of each week as well, and do what they may, as much as is enough', () => {
    const monday = weekdayOf({ year: 2026, month: 5, day: 4 });
    const market = { days: [monday], fromH: 7, toH: 12 };
    const orla = { ...settings.helpers[0]!, wishes: { hot: 'not' } as const, mostH: 1.5 };
    const [house, helper] = peopleOver(
      { ...settings, awayWeekly: [market], helpers: [orla], mostH: 5 },
      START,
      8 * DAY_MIN,
    );
    expect(house!.away).toEqual([
      { fromMin: DAY_MIN, toMin: 2 * DAY_MIN },
      { fromMin: -120, toMin: 180 },
      { fromMin: 7 * DAY_MIN - 120, toMin: 7 * DAY_MIN + 180 },
    ]);
    expect([helper!.wishes, helper!.mostMin, house!.mostMin]).toEqual([{ hot: 'not' }, 90, 300]);
    expect(Object.keys(peopleOver(settings, START, DAY_MIN)[1]!)).not.toContain('mostMin');
  });

  it('who help have working hours and times away of their own, once and each week', () => {
    const monday = weekdayOf({ year: 2026, month: 5, day: 4 });
    const orla = {
      ...{ ...settings.helpers[0]!, fromH: 6, toH: 22, works: { fromH: 8, toH: 17 } },
      ...{ away: settings.away, awayWeekly: [{ days: [monday], fromH: 12, toH: 13 }] },
    };
    const [, helper] = peopleOver({ ...settings, away: [], helpers: [orla] }, START, 2 * DAY_MIN);
    // There from when the plan begins, at nine, until ten at night; at the crocks until five; away at noon, and all of Tuesday from nine.
    expect(helper!.works).toEqual([{ fromMin: -60, toMin: 480 }]);
    expect(helper!.away).toEqual([
      { fromMin: 13 * 60, toMin: 2 * DAY_MIN },
      { fromMin: DAY_MIN, toMin: 2 * DAY_MIN },
      { fromMin: 180, toMin: 240 },
    ]);
  });

  it('who never helps are never there', () => {
    const never = { ...settings, helpers: [{ name: 'Orla', fromH: 8, toH: 12, days: [] }] };
    expect(peopleOver(never, START, DAY_MIN)[1]!.away).toEqual([{ fromMin: 0, toMin: DAY_MIN }]);
  });
});
