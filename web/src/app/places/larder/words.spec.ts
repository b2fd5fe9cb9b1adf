import { GEAR_TYPES, type GearKind, type LotKind } from '@oat-crock/core';
import { pageOf } from '../../testing/page';
import { dayOf, noonOf, sayDay } from '../../shared/ui/days';
import { fieldsOf, LOT_NAMES } from './fields';
import { learnedWords } from './learned-words';
import { Thing } from './thing';

describe('days of the calendar', () => {
  it('come back from a moment of that day, on both nights when the clocks change', () => {
    for (const day of ['2026-03-29', '2026-10-25', '2028-02-29', '2026-12-31']) {
      expect(dayOf(noonOf(day))).toBe(day);
    }
    expect(dayOf(Date.UTC(2026, 4, 2, 23, 59))).toBe('2026-05-02');
    expect(sayDay('2026-05-06')).toBe('Wed 6 May');
  });
});

describe('what was learned of gear', () => {
  const atMs = Date.UTC(2026, 4, 6, 9);

  it('is said with its unit, its spread and its day, each to a sensible figure', () => {
    expect(learnedWords('holdsC', { value: 42.13, sd: 0.28, atMs })).toBe('42.1 °C ±0.3 °C, measured Wed 6 May');
    expect(learnedWords('powerW', { value: 1748, sd: 92, atMs })).toBe('1750 W ±90 W, measured Wed 6 May');
    expect(learnedWords('lossWPerK', { value: 1.904, sd: null, atMs })).toBe('1.90 W/°C, measured Wed 6 May');
    expect(learnedWords('holdsC', undefined)).toBe('not measured yet');
  });
});

describe('what is asked of a thing', () => {
  it('always has a name, and asks nothing twice', () => {
    const kinds = [
      ...Object.keys(LOT_NAMES).map((kind) => ['lots', kind] as const),
      ...Object.keys(GEAR_TYPES).map((kind) => ['gear', kind] as const),
    ];
    for (const [family, kind] of kinds) {
      const paths = fieldsOf(family, kind).map((f) => f.path);
      expect(paths[0]).withContext(kind).toBe('name');
      expect(new Set(paths).size).withContext(kind).toBe(paths.length);
      for (const f of fieldsOf(family, kind)) {
        if (f.type === 'number') expect(f.min).withContext(`${kind} ${f.path}`).toBeLessThan(f.max);
        if (f.type === 'option') expect(f.options.length).withContext(`${kind} ${f.path}`).toBeGreaterThan(1);
      }
    }
  });

  it('asks a capacity of what holds something, and of nothing else', () => {
    for (const [kind, { holds }] of Object.entries(GEAR_TYPES)) {
      expect(fieldsOf('gear', kind).some((f) => f.path === 'holdsL'))
        .withContext(kind)
        .toBe(holds);
    }
  });
});

describe('a thing of the larder', () => {
  const kinds = [...Object.keys(LOT_NAMES), ...Object.keys(GEAR_TYPES)] as (LotKind | GearKind)[];

  it('has an outline of its own kind, hidden from readers as the words beside it say all', async () => {
    const outlines = new Set<string>();
    for (const kind of kinds) {
      const { element } = await pageOf(Thing, [], 0, { kind });
      const svg = element.querySelector('svg')!;
      expect(svg.getAttribute('aria-hidden')).toBe('true');
      outlines.add([...svg.querySelectorAll('path.edge')].map((p) => p.getAttribute('d')).join());
    }
    expect(outlines.size).toBe(kinds.length);
  });

  it('is as full as what is left of it', async () => {
    const clip = async (level: number | null) => {
      const { element } = await pageOf(Thing, [], 0, { kind: 'milk', level });
      return element.querySelector<SVGGElement>('g')?.style.clipPath ?? null;
    };
    expect(await clip(0.25)).toContain('75');
    expect(await clip(1)).toMatch(/inset\(0/);
    expect(await clip(-0.5)).toContain('100');
    expect(await clip(null)).toBeNull();
  });
});
