import { METRIC } from '@oat-crock/core';
import { pageOf } from '../testing/page';
import { NumberField } from './number-field';
import { measureIn } from './reader';

async function field(value: number | null) {
  const page = await pageOf(NumberField, [], 0, {
    fieldId: 'fat',
    value,
    min: 1,
    max: 10,
    step: 0.5,
    suffix: ' %',
    buttons: true,
  });
  const told: (number | null)[] = [];
  page.fixture.componentInstance.changed.subscribe((n) => {
    told.push(n);
    page.fixture.componentRef.setInput('value', n);
  });
  return { ...page, told, input: page.element.querySelector('input')! };
}

describe('a number with its unit', () => {
  it('shows the number and the unit, and has the id its label names', async () => {
    const { input } = await field(3.5);
    expect(input.value).toBe('3.5 %');
    expect(input.id).toBe('fat');
    expect(input.getAttribute('role')).toBe('spinbutton');
  });

  it('steps up and down with its buttons, and tells each step once', async () => {
    const { element, told, fixture } = await field(3.5);
    for (const button of element.querySelectorAll('button')) {
      button.dispatchEvent(new MouseEvent('mousedown', { button: 0 }));
      button.dispatchEvent(new MouseEvent('mouseup', { button: 0 }));
      await fixture.whenStable();
    }
    expect([...told].sort()).toEqual([3.5, 4]);
  });

  it('takes what lies within its bounds and nothing else; emptied, it says so', async () => {
    const { fixture, told } = await field(8);
    const inner = fixture.componentInstance as unknown as { typed: (v: number | string | null) => void };
    for (const value of [9, 400, 6.5, '8', 8, 0.5, null, Number.NaN]) {
      inner.typed(value);
      await fixture.whenStable();
    }
    expect(told).toEqual([9, 6.5, 8, null]);
  });

  it('leaves what was typed outside the bounds as it is, and says them until it is right', async () => {
    const { element, fixture } = await field(8);
    const inner = fixture.componentInstance as unknown as { typed: (v: number) => void };
    inner.typed(400);
    await fixture.whenStable();
    expect(element.querySelector('[role=alert]')!.textContent).toBe('From 1 to 10 %.');
    inner.typed(7);
    await fixture.whenStable();
    expect(element.querySelector('[role=alert]')).toBeNull();
  });
});

describe('a number in a household’s own units', () => {
  async function inUs(value: number, suffix: string, [min, max, step]: readonly [number, number, number]) {
    measureIn({ temperature: 'F', mass: 'oz', volume: 'us' });
    const page = await pageOf(NumberField, [], 0, { fieldId: 'n', value, min, max, step, suffix });
    const told: (number | null)[] = [];
    page.fixture.componentInstance.changed.subscribe((n) => told.push(n));
    const type = async (n: number) => {
      (page.fixture.componentInstance as unknown as { typed: (v: number) => void }).typed(n);
      await page.fixture.whenStable();
    };
    return { ...page, told, type, shown: () => page.element.querySelector('input')!.value };
  }
  afterEach(() => measureIn(METRIC));

  it('is shown and typed in them, and told in metric', async () => {
    const field = await inUs(85, ' °C', [20, 95, 1]);
    expect(field.shown()).toBe('185 °F');
    await field.type(176);
    expect(field.told[0]).toBeCloseTo(80, 9);
  });

  it('tells nothing where what stood there is left as it is', async () => {
    const field = await inUs(4000, ' g', [500, 40_000, 100]);
    expect(field.shown()).toBe('8.82 lb');
    await field.type(8.82);
    expect(field.told).toEqual([]);
  });

  it('says its bounds in them, and takes the bound it says', async () => {
    const field = await inUs(85, ' °C', [20, 95, 1]);
    await field.type(204);
    expect(field.text()).toContain('From 68 to 203 °F.');
    const grams = await inUs(4000, ' g', [500, 40_000, 100]);
    await grams.type(1.1);
    expect(grams.told).toEqual([500]);
  });

  it('follows when the units are changed under it', async () => {
    const field = await inUs(4, ' L', [1, 20, 0.5]);
    expect(field.shown()).toBe('4.23 qt');
    measureIn(METRIC);
    await field.fixture.whenStable();
    expect(field.shown()).toBe('4 L');
    expect(field.told).toEqual([]);
  });

  it('leaves a label’s figures in grams', async () => {
    measureIn({ temperature: 'F', mass: 'oz', volume: 'us' });
    const page = await pageOf(NumberField, [], 0, { fieldId: 'n', value: 4, max: 10, suffix: ' g', asPrinted: true });
    expect(page.element.querySelector('input')!.value).toBe('4 g');
  });
});
