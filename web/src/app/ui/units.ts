import { Pipe, signal, type PipeTransform } from '@angular/core';
import { METRIC, type Text, type Units } from '@oat-crock/core';
import { ENGLISH, renderText, type Reader } from '@oat-crock/messages';
import { dequal } from 'dequal/lite';

const inUse = signal<Units>(METRIC, { equal: dequal });

/** The household's units, for every number on every page. What reads them follows when they are changed. */
export const units = inUse.asReadonly();

/** From now on the household measures in these. */
export function measureIn(wanted: Units): void {
  inUse.set(wanted);
}

/** Texts said already, by what they are; forgotten where the units change. */
let said = new Map<Text, string>();
let reader: Reader = ENGLISH;
const MOST_KEPT = 4000;

/** What the engine says, as the household reads it: in its units. */
export function textOf(text: Text): string {
  const now = units();
  if (reader.units !== now || said.size > MOST_KEPT) {
    said = new Map();
    reader = { ...ENGLISH, units: now };
  }
  let words = said.get(text);
  if (words === undefined) {
    words = renderText(text, reader);
    said.set(text, words);
  }
  return words;
}

/** What the engine says, as the household reads it, in a template. Impure as the units may change under it. */
@Pipe({ name: 'said', pure: false })
export class SaidPipe implements PipeTransform {
  transform(text: Text): string {
    return textOf(text);
  }
}

/** A name: what somebody gave a thing of theirs stands as it was given; a thing of the house is named in words. */
export const named = (name: Text): string => (typeof name === 'string' ? name : textOf(name));

/** A name in a template. Impure as the words may change under it. */
@Pipe({ name: 'named', pure: false })
export class NamedPipe implements PipeTransform {
  transform(name: Text): string {
    return named(name);
  }
}
