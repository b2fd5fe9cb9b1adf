import { Pipe, signal, type PipeTransform } from '@angular/core';
import { inUnits, METRIC, type Units } from '@oat-crock/core';
import { dequal } from 'dequal/lite';

const inUse = signal<Units>(METRIC, { equal: dequal });

/** The household's units, for every number on every page. What reads them follows when they are changed. */
export const units = inUse.asReadonly();

/** From now on the household measures in these. */
export function measureIn(wanted: Units): void {
  inUse.set(wanted);
}

/** Sentences said already, by what they were; forgotten where the units change. */
const said = new Map<string, string>();
let saidIn: Units = METRIC;
const MOST_KEPT = 4000;

/** A sentence of the engine in the household's units. */
export function say(text: string): string {
  const now = units();
  if (saidIn !== now || said.size > MOST_KEPT) {
    said.clear();
    saidIn = now;
  }
  let words = said.get(text);
  if (words === undefined) {
    words = inUnits(text, now);
    said.set(text, words);
  }
  return words;
}

/** A sentence of the engine in the household's units, in a template. Impure as the units may change under it. */
@Pipe({ name: 'said', pure: false })
export class SaidPipe implements PipeTransform {
  transform(text: string): string {
    return say(text);
  }
}
