import { say, type Text } from '@oat-crock/core';
import type { Draft, RecordFamily } from '../../state/record-writing';
import { textOf, tell } from '../../shared/ui/said';
import { amount, grams } from '../../shared/ui/words';
import { fieldsOf, valueAt, type LarderAsked } from './fields';

/** A field that two people have written differently, in words. */
export interface Difference {
  readonly label: string;
  readonly mine: string;
  readonly theirs: string;
}

const MATERIAL = [
  ['material.fatPct', say('page.larder.differences.fat')],
  ['material.proteinPct', say('page.larder.differences.protein')],
  ['material.lactosePct', say('page.larder.differences.sugars')],
] as const;

interface Compared {
  readonly path: string;
  readonly label: Text;
  readonly say: (value: unknown) => string;
}

/** What of two versions of a record is not the same, field by field as the form shows them. */
export function differences(family: RecordFamily, mine: Draft, theirs: object): readonly Difference[] {
  const kind = String(mine.kind);
  const fields = fieldsOf(family, kind).flatMap((f): Compared[] =>
    f.type === 'label'
      ? MATERIAL.map(([path, label]) => ({ path, label, say: ofLabel }))
      : [{ path: f.path, label: f.label, say: sayer(f) }],
  );
  return fields.flatMap(({ path, label, say }) => {
    const [a, b] = [valueAt(mine, path), valueAt(theirs, path)];
    return a === b ? [] : [{ label: textOf(label), mine: say(a), theirs: say(b) }];
  });
}

function sayer(field: LarderAsked): (value: unknown) => string {
  switch (field.type) {
    case 'option':
      return (value) =>
        textOf(field.options.find((o) => o.id === value)?.label ?? tell('page.larder.differences.nothing'));
    case 'switch':
      return (value) => (value === true ? tell('page.larder.differences.yes') : tell('page.larder.differences.no'));
    case 'number':
      return sayNumber((n) => amount(n, field.suffix.trim(), field.step));
    default:
      return (value) => (typeof value === 'string' && value ? value : tell('page.larder.differences.nothing'));
  }
}

const sayNumber = (words: (n: number) => string) => (value: unknown) =>
  typeof value === 'number' ? words(value) : tell('page.larder.differences.nothing');

/** A label's figures are in grams for 100 g everywhere. */
const ofLabel = sayNumber((n) => grams(n));
