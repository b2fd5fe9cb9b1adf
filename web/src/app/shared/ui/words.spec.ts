import { METRIC, say } from '@oat-crock/core';
import { datesIn, pickedAs, written } from './dates';
import { measureIn } from './reader';
import { named, textOf } from './said';
import { clockTime, fromNow, litres, longDay, mass, pricePer, span, tasteOf, temp, toFive, windowWords } from './words';

const at = (day: number, hour: number, minute = 0) => Date.UTC(2026, 10, day, hour, minute);

describe('words', () => {
  it('say a moment by the clock, with the weekday on another day', () => {
    expect(clockTime(at(23, 16, 5), at(23, 9))).toBe('16:05');
    expect(clockTime(at(24, 6, 50), at(23, 9))).toBe('Tue 06:50');
  });

  it('say a window as likely and between, to five minutes', () => {
    const window = { p10Ms: at(23, 16, 3), p50Ms: at(23, 16, 14), p90Ms: at(23, 16, 32) };
    expect(windowWords(window, at(23, 12))).toBe('likely 16:15, between 16:05 and 16:30');
    expect(windowWords({ ...window, p90Ms: null }, at(23, 12))).toBe('likely 16:15, not before 16:05');
    expect(windowWords({ p10Ms: null, p50Ms: null, p90Ms: null }, 0)).toBe('not as things stand');
  });

  it('give masses and durations one sensible precision with their unit', () => {
    expect([mass(620.4), mass(1990.6), mass(12_345)]).toEqual(['620 g', '1.99 kg', '12.3 kg']);
    expect([span(35), span(131), span(850)]).toEqual(['35 min', '2 h 10', '14 h']);
    expect(fromNow(at(23, 12), at(23, 10, 50))).toBe('in 1 h 10');
    expect(fromNow(at(23, 12), at(23, 12, 25))).toBe('25 min ago');
    expect(toFive(at(23, 12, 3))).toBe(at(23, 12, 5));
  });

  it('name what a pH tastes of, each word once from sweet to sharp', () => {
    const tastes = [6.4, 5, 4.6, 4.4, 4.1].map(tasteOf);
    expect(tastes).toEqual(['sweet', 'barely sour', 'mild', 'tangy', 'sharp']);
  });
});

describe('words in a household’s units', () => {
  afterEach(() => {
    measureIn(METRIC);
    datesIn('en-GB');
  });

  it('leave the names that somebody gave as they were given, and follow the units in what the engine says', () => {
    measureIn({ temperature: 'F', mass: 'oz', volume: 'us' });
    expect(named('Yogurt at 43 °C, 2 kg')).toBe('Yogurt at 43 °C, 2 kg');
    expect(named(say('stages.heat.thermometerShows', { target: { tempC: 43 } }))).toContain('109 °F');
    expect(textOf(say('plan.nameFor', { name: 'Yogurt at 43 °C', whom: 'the quay' }))).toBe(
      'Yogurt at 43 °C for the quay',
    );
  });

  it('follow a change of units, and come back as they were', () => {
    const all = () => [
      mass(1990.6),
      temp(42.1),
      litres(4),
      pricePer(2, 'tal'),
      textOf(say('stages.heat.thermometerShows', { target: { tempC: 85 } })),
    ];
    const before = all();
    measureIn({ temperature: 'F', mass: 'oz', volume: 'imperial' });
    expect(all()).toEqual(['4 lb 6.2 oz', '107.8 °F', '7 pt', 'tal 0.91 per lb', jasmine.stringContaining('185 °F')]);
    measureIn(METRIC);
    expect(all()).toEqual(before);
  });

  it('write dates and clock times as the household does', () => {
    const moment = at(24, 14, 5);
    expect([clockTime(moment, moment), longDay(moment), written(moment, 'day'), pickedAs()]).toEqual([
      '14:05',
      'Tuesday 24 November',
      'Tue 24 Nov',
      'D d M yy',
    ]);
    expect(clockTime(at(24, 6, 50), moment)).toBe('06:50');
    datesIn('en-US');
    expect([clockTime(moment, moment), longDay(moment), written(moment, 'day'), pickedAs()]).toEqual([
      '2:05 PM',
      'Tuesday November 24',
      'Tue Nov 24',
      'D M d yy',
    ]);
  });
});
