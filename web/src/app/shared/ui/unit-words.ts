import { say, type Text } from '@oat-crock/core';
import { textOf } from './said';

/** Units that are words, by what the engine and the forms call them, in every system they may be shown in. */
const WORDS: Readonly<Record<string, Text>> = {
  'days ago': say('unit.daysAgo'),
  days: say('unit.days'),
  '% of the milk': say('unit.ofTheMilk'),
  '% of the curd': say('unit.ofTheCurd'),
  '% of each bottle': say('unit.ofEachBottle'),
  '% acid': say('unit.acid'),
  '% fat': say('unit.fat'),
  'per kg': say('unit.perKg'),
  'per lb': say('unit.perLb'),
  'per hour': say('unit.perHour'),
  'a litre': say('unit.aLitre'),
  each: say('unit.each'),
  packets: say('unit.packets'),
  capsules: say('unit.capsules'),
  times: say('unit.times'),
  // Its label says what is counted.
  makes: '',
  drops: say('unit.drops'),
  'drops a mL': say('unit.dropsAMl'),
  'IMCU a mL': say('unit.imcuAMl'),
  'IMCU a kg': say('unit.imcuAKg'),
  'IMCU a lb': say('unit.imcuALb'),
  'g a kg': say('unit.gAKg'),
  'cm deep': say('unit.cmDeep'),
  'in deep': say('unit.inDeep'),
  '°C less': say('unit.cLess'),
  '°F less': say('unit.fLess'),
  '°C a minute': say('unit.cAMinute'),
  '°F a minute': say('unit.fAMinute'),
  'times the butter': say('unit.timesTheButter'),
};

/** A unit as it is read after its number; one that is a sign ("g", "°C", "pH") is the same in every language. */
export function unitWords(unit: string): string {
  const words = WORDS[unit];
  return words === undefined ? unit : textOf(words);
}
