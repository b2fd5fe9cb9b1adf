import { Pipe, type PipeTransform } from '@angular/core';
import {
  listOf,
  say,
  type MessageKey,
  type MessageValues,
  type SaidQuantity,
  type Text,
  type Value,
  type ValuesOf,
} from '@oat-crock/core';
import { render, renderText, sayList, sayQuantity, type Reader } from '@oat-crock/messages';
import { reader } from './reader';

/** Texts said already, by what they are, for whom they were said. */
let said = new Map<Text, string>();
let saidFor: Reader | undefined;
const MOST_KEPT = 4000;

/** What the engine says, as the household reads it. */
export function textOf(text: Text): string {
  const now = reader();
  if (saidFor !== now || said.size > MOST_KEPT) {
    said = new Map();
    saidFor = now;
  }
  let words = said.get(text);
  if (words === undefined) {
    words = renderText(text, now);
    said.set(text, words);
  }
  return words;
}

/** What the page itself says, as the household reads it: a text by its key, with what stands in it. */
export function tell<K extends MessageKey>(key: K, ...values: ValuesOf<K>): string {
  return render(say(key, ...values), reader());
}

/** A quantity, as the household reads it. */
export const quantity = (of: SaidQuantity): string => sayQuantity(of, reader());

/** Some things in a row, as the household reads them: "a, b and c". */
export const textList = (all: readonly Value[], by: 'and' | 'or' | 'comma' = 'and'): string =>
  sayList(listOf(all, by), reader());

/** What the engine says, as the household reads it, in a template. Impure as language and units may change under it. */
@Pipe({ name: 'said', pure: false })
export class SaidPipe implements PipeTransform {
  transform(text: Text): string {
    return textOf(text);
  }
}

/**
 * What the page says, in a template: `{{ 'page.plan.begun' | say: { name } }}`. Impure as language and units may change under
 * it; said anew only where they, or what stands in it, did.
 */
@Pipe({ name: 'say', pure: false })
export class SayPipe implements PipeTransform {
  private was: {
    readonly key: MessageKey;
    readonly values: unknown;
    readonly to: Reader;
    readonly words: string;
  } | null = null;

  transform<K extends MessageKey>(key: K, ...values: ValuesOf<K>): string {
    const to = reader();
    const { was } = this;
    if (was && was.key === key && was.values === values[0] && was.to === to) return was.words;
    const words = render(say(key, ...values), to);
    this.was = { key, values: values[0], to, words };
    return words;
  }
}

/** Where a link stands in a sentence. */
const LINK = '\u0000';

/**
 * A sentence that a link stands in, where its text has `{link}`: what comes before it, and what comes after.
 * `@let at = 'page.today.from' | around: { mass };`, then `{{ at[0] }}<a …>…</a>{{ at[1] }}`.
 */
@Pipe({ name: 'around', pure: false })
export class AroundPipe implements PipeTransform {
  private readonly whole = new SayPipe();

  transform<K extends MessageKey>(key: K, values: Omit<MessageValues[K], 'link'>): readonly [string, string] {
    const [before = '', after = ''] = this.sayWhole(key, values).split(LINK);
    return [before, after];
  }

  private readonly linked = new WeakMap<object, object>();
  private sayWhole(key: MessageKey, values: object): string {
    const whole = this.linked.get(values) ?? { ...values, link: LINK };
    this.linked.set(values, whole);
    return (this.whole.transform as (key: MessageKey, values: object) => string).call(this.whole, key, whole);
  }
}

/** A name: what somebody gave a thing of theirs stands as it was given; a thing of the house is named in words. */
export const named = (name: Text): string => (typeof name === 'string' ? name : textOf(name));

/** What something of the house is called, at the head of a line: with a capital. */
export function titled(name: Text): string {
  const words = textOf(name);
  return words.charAt(0).toLocaleUpperCase() + words.slice(1);
}

/** The same within a line. */
export function untitled(name: Text): string {
  const words = textOf(name);
  return words.charAt(0).toLocaleLowerCase() + words.slice(1);
}

/** A name in a template. Impure as the words may change under it. */
@Pipe({ name: 'named', pure: false })
export class NamedPipe implements PipeTransform {
  transform(name: Text): string {
    return named(name);
  }
}
