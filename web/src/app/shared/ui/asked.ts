import type { Text } from '@oat-crock/core';
import type { Option } from './option-field';

/** A field of a form: where its value stands in what is filled in, what it is called, and why it is asked. */
export interface FieldOf<T extends string> {
  readonly type: T;
  /** "price", "material.fatPct" */
  readonly path: string;
  readonly label: Text;
  readonly why?: Text;
}

/** A number; its suffix begins with a space and names the metric unit. */
export interface NumberAsked extends FieldOf<'number'> {
  readonly suffix: string;
  readonly min: number;
  readonly max: number;
  readonly step: number;
  /** What an empty field means, where it may be empty. */
  readonly empty?: Text;
  /** With a button at either side. */
  readonly buttons?: true;
}

/** One of a list; `numeric` where what is kept is the number that the option's id spells. */
export interface OptionAsked extends FieldOf<'option'> {
  readonly options: readonly Option[];
  readonly numeric?: true;
  /** With a line to type a part of a label into: for long lists. */
  readonly filter?: true;
}

export interface TextAsked extends FieldOf<'text'> {
  readonly most?: number;
}

/** What any form may ask; some have fields of their own beside. */
export type Asked = NumberAsked | OptionAsked | TextAsked | FieldOf<'switch'>;

/** A number asked for, from a least to a most by steps. */
export function numberAsked(
  path: string,
  label: Text,
  suffix: string,
  [min, max, step]: readonly [number, number, number],
  more: Partial<NumberAsked> = {},
): NumberAsked {
  return { type: 'number', path, label, suffix, min, max, step, ...more };
}
