import type { Family } from '@oat-crock/contract/wire';
import type { Draft } from '../state/larder.feature';
import { fieldsOf, valueAt } from './fields';

/** A field that two people have written differently, in words. */
export interface Difference {
  readonly label: string;
  readonly mine: string;
  readonly theirs: string;
}

const MATERIAL = [
  ['material.fatPct', 'Fat'],
  ['material.proteinPct', 'Protein'],
  ['material.lactosePct', 'Sugars'],
] as const;

interface Compared {
  readonly path: string;
  readonly label: string;
  readonly say: (value: unknown) => string;
}

/** What of two versions of a record is not the same, field by field as the form shows them. */
export function differences(family: Family, mine: Draft, theirs: object): readonly Difference[] {
  const kind = String(mine.kind);
  const fields = fieldsOf(family, kind).flatMap((f): Compared[] =>
    f.type === 'label'
      ? MATERIAL.map(([path, label]) => ({ path, label, say: sayWith(' g') }))
      : [{ path: f.path, label: f.label, say: sayer(f) }],
  );
  return fields.flatMap(({ path, label, say }) => {
    const [a, b] = [valueAt(mine, path), valueAt(theirs, path)];
    return a === b ? [] : [{ label, mine: say(a), theirs: say(b) }];
  });
}

function sayer(field: ReturnType<typeof fieldsOf>[number]): (value: unknown) => string {
  if (field.type === 'option') return (value) => field.options.find((o) => o.id === value)?.label ?? 'nothing';
  if (field.type === 'switch') return (value) => (value === true ? 'yes' : 'no');
  return sayWith(field.type === 'number' ? field.suffix : '');
}

const sayWith = (suffix: string) => (value: unknown) =>
  typeof value === 'number'
    ? `${Math.round(value * 100) / 100}${suffix}`
    : typeof value === 'string' && value
      ? value
      : 'nothing';
