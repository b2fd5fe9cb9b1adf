import { english } from '@oat-crock/messages';
import { runs } from '../testing/runs.js';
import fc from 'fast-check';
import { replay, type Batch } from '../batch/replay.js';
import { referenceStock } from '../materials/reference-materials.js';
import { follow } from '../follow/follow.js';
import type { LotStock } from '../lots/lot.js';
import { pouredBy } from '../make/plan.js';
import { plannedOf } from '../make/planned.js';
import { makeSheet } from '../make/sheet.js';
import { STAGE_KIND_NAMES } from '../stages/registry.js';
import { methodFaults } from '../make/check-method.js';
import { withAsked, withFixed, withoutStage, withStage, withStageMoved, valueNow } from './edit-method.js';
import { METHODS, methodById } from './index.js';
import { choicesOf, type Method } from './method.js';
import { askedOf } from './stage-asks.js';
import { methodFile, variantOf } from './variant.js';

const FEW = { members: 20, seed: 1, fanPoints: 2 };
const keys = (m: Method) => choicesOf(m).map((c) => c.key);
const at = (m: Method, id: string) => m.stages.findIndex((s) => s.id === id);
const scalded = methodById('scalded-yogurt');

describe('a method as data', () => {
  it('of the house is sound, by the same check as one’s own', () => {
    for (const method of METHODS) expect(methodFaults(method)).withContext(method.id).toEqual([]);
  });

  it('comes through a file unchanged', () => {
    for (const method of METHODS) {
      expect(JSON.parse(JSON.stringify(methodFile(method)))).toEqual({ oatCrock: 'method', version: 1, method });
    }
  });

  it('is told where it is wrong, and what would be right', () => {
    const first = (m: unknown) => methodFaults(m as Method)[0]!;
    const stage = (change: object) => ({
      ...scalded,
      stages: scalded.stages.map((s, i) => (i === 1 ? { ...s, ...change } : s)),
    });
    expect(first(stage({ kind: 'levitate' })).field).toBe('stages.1.kind');
    expect(english(first(stage({ params: { targetC: 'hot' } })).remedy)).toMatch(/^Give \d/);
    expect(english(first(stage({ params: { targetC: { choice: 'moon' } } })).message)).toContain('"moon"');
    expect(first(stage({ params: { loudness: 3 } })).field).toBe('stages.1.params.loudness');
    expect(first(stage({ onlyIf: { choice: 'moon', is: 'full' } })).field).toBe('stages.1.onlyIf');
    expect(english(first({ ...scalded, stages: [] }).remedy)).toContain('blend, base or bought');
    expect(first({ ...scalded, stages: [scalded.stages[0], scalded.stages[0]] }).field).toBe('stages.1.id');
    const [group] = scalded.groups;
    const twice = { ...scalded, groups: [...scalded.groups, group] };
    expect(english(first(twice).message)).toContain('asked twice');
    const heat = scalded.stages[at(scalded, 'heat')]!;
    expect(methodFaults({ ...scalded, stages: [heat] }).length).toBeGreaterThan(0);
  });

  it('knows bounds or words for every parameter of every kind of stage', () => {
    for (const kind of STAGE_KIND_NAMES) {
      for (const [key, asked] of Object.entries(askedOf(kind))) {
        const right = asked.kind === 'number' ? asked.min <= asked.max : asked.values.length > 0;
        expect(right).withContext(`${kind} ${key}`).toBeTrue();
      }
    }
    const texture = askedOf('strain')['texture']!;
    expect([texture.kind, english(texture.label)]).toEqual(['option', 'Until it is']);
  });
});

describe('a variant', () => {
  it('makes of itself what its origin makes of the same choices', () => {
    const choices = { massG: 6000, vesselL: 10, fatPct: 5, targetPh: 4.4, lid: 'off' };
    const own = variantOf(scalded, 'ours', 'Our yogurt', choices);
    const [theirs, ours] = [makeSheet(scalded, choices, FEW), makeSheet(own, {}, FEW)];
    expect(ours.product).toEqual(theirs.product);
    expect(ours.amounts).toEqual(theirs.amounts);
    expect(english(own.name)).toBe('Our yogurt');
    expect(methodFaults(own)).toEqual([]);
  });

  it('leaves out what is not among its choices', () => {
    const own = variantOf(scalded, 'ours', 'Ours', { milk: 'lot:01J', moon: 'full' });
    expect(choicesOf(own)).toEqual(choicesOf(scalded));
  });
});

describe('raw milk', () => {
  const T0 = Date.UTC(2026, 4, 2, 8);
  const begun = (change: Partial<Batch>): Batch => ({
    ...replay([
      {
        id: '1',
        batchId: 'b',
        atMs: T0,
        source: 'hand',
        body: { type: 'started', methodId: 'room-yogurt', choices: {}, name: 'Pot' },
      },
    ])!,
    steps: [
      { stageId: 'starter', atMs: T0 + 20 * 60_000 },
      { stageId: 'warm', atMs: T0 + 30 * 60_000 },
    ],
    ...change,
  });
  const warns = (batch: Batch) =>
    follow(batch, T0 + 2 * 3_600_000, FEW).findings.some((f) => english(f.reason).toLowerCase().includes('raw'));

  it('is warned of whether it was chosen, settled in a method of one’s own, or a lot of the larder', () => {
    const room = methodById('room-yogurt');
    const settled = withFixed(room, at(room, 'blend'), 'milk', 'raw');
    const raw: LotStock = { ...referenceStock('raw'), id: 'lot:1', kind: 'milk' };
    expect(warns(begun({}))).toBeFalse();
    expect(warns(begun({ choices: { milk: 'raw', fatPct: 4.2 } }))).toBeTrue();
    expect(warns(begun({ ownMethod: settled, choices: { fatPct: 4.2 } }))).toBeTrue();
    expect(warns(begun({ choices: { milk: 'lot:1', fatPct: 4.2 }, stocks: [raw] }))).toBeTrue();
    const sheet = makeSheet(settled, { fatPct: 4.2 }, FEW);
    expect(sheet.cautions.some((c) => english(c).startsWith('Raw milk'))).toBeTrue();
  });

  it('counts among the causes of a fault by what was poured, not by what a choice is called', () => {
    const ultra: LotStock = { ...referenceStock('ultra-heated'), id: 'lot:1', kind: 'milk' };
    const poured = (batch: Batch) => pouredBy(plannedOf(batch).stages).map((s) => s.treatment);
    expect(poured(begun({ choices: { milk: 'lot:1', fatPct: 3.5 }, stocks: [ultra] }))).toEqual(['ultra-heated']);
    expect(poured(begun({ choices: { fatPct: 8 } }))).toEqual(['72C-15s', '72C-15s']);
  });
});

describe('writing a method', () => {
  it('fixes what was asked, and asks what was fixed, with the same make in the end', () => {
    const curd = methodById('smooth-curd');
    const heat = at(curd, 'heat');
    const fixed = withFixed(curd, heat, 'targetC', 95);
    expect(keys(fixed)).not.toContain('heatC');
    const asked = withAsked(fixed, heat, 'targetC');
    expect(keys(asked)).toContain('targetC');
    const product = makeSheet(curd, {}, FEW).product;
    expect(makeSheet(fixed, {}, FEW).product).toEqual(product);
    expect(makeSheet(asked, {}, FEW).product).toEqual(product);
    expect(makeSheet(asked, { targetC: 84 }, FEW).heat.peakC).toBeLessThan(86);
  });

  it('takes a stage out with what only it asked, and keeps what others ask', () => {
    const hold = at(scalded, 'hold');
    const without = withoutStage(scalded, hold);
    expect(keys(without)).not.toContain('holdMin');
    expect(keys(without)).toContain('massG');
    expect(methodFaults(without)).toEqual([]);
  });

  it('puts a new stage in under a name of its own, and moves it', () => {
    const more = withStage(withStage(scalded, 'rest', 3), 'rest', 3);
    expect(new Set(more.stages.map((s) => s.id)).size).toBe(more.stages.length);
    expect(valueNow(more, more.stages[3]!, 'minutes')).toBe(10);
    expect(methodFaults(more)).toEqual([]);
    const moved = withStageMoved(more, 3, 0);
    expect(moved.stages[0]!.kind).toBe('rest');
    expect(withStageMoved(more, 3, 99)).toBe(more);
  });

  it('never makes a method that names what it does not ask, whatever is done to it', () => {
    const edit = fc.record({ what: fc.constantFrom('out', 'move', 'in', 'ask'), a: fc.nat(), b: fc.nat() });
    fc.assert(
      fc.property(fc.constantFrom(...METHODS), fc.array(edit, { minLength: 1, maxLength: 8 }), (method, edits) => {
        const end = edits.reduce((m, { what, a, b }) => {
          const i = a % Math.max(1, m.stages.length);
          if (what === 'out') return withoutStage(m, i);
          if (what === 'move') return withStageMoved(m, i, b % Math.max(1, m.stages.length));
          if (what === 'in') return withStage(m, STAGE_KIND_NAMES[b % STAGE_KIND_NAMES.length]!, i);
          const asks = Object.keys(askedOf(m.stages[i]?.kind ?? 'blend'));
          return asks.length > 0 ? withAsked(m, i, asks[b % asks.length]!) : m;
        }, method);
        const unknown = methodFaults(end).filter((f) => /not asked|asked twice|Two stages/.test(english(f.message)));
        expect(unknown).toEqual([]);
      }),
      { numRuns: runs(60) },
    );
  });
});
