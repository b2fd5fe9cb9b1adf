import { clockTime, fromNow, mass, span, tasteOf, toFive, windowWords } from './words';

const at = (day: number, hour: number, minute = 0) => new Date(2026, 10, day, hour, minute).getTime();

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
