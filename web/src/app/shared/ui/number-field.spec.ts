import type { ComponentFixture } from '@angular/core/testing';
import { METRIC } from '@oat-crock/core';
import { pageOf } from '../../testing/page';
import { NumberField } from './number-field';
import { measureIn } from './reader';

/** Puts a text into a field, as by a hand, in place of what stood there. */
const typingInto = (input: HTMLInputElement, fixture: ComponentFixture<unknown>) => async (text: string) => {
  input.value = text;
  input.dispatchEvent(new Event('input'));
  await fixture.whenStable();
};

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
  const input = page.element.querySelector('input')!;
  return { ...page, told, input, type: typingInto(input, page.fixture) };
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
      button.click();
      await fixture.whenStable();
    }
    expect(told).toEqual([3, 3.5]);
  });

  it('takes what lies within its bounds and nothing else; emptied, it says so', async () => {
    const { type, told } = await field(8);
    for (const text of ['9', '400', '6.5', '8 %', '8', '0.5', '', 'a few', '8 g', 'six']) await type(text);
    expect(told).toEqual([9, 6.5, 8, null, 6]);
  });

  it('leaves what was typed outside the bounds as it is, and says them until it is right', async () => {
    const { element, type, input } = await field(8);
    await type('400');
    expect(element.querySelector('[role=alert]')!.textContent).toBe('From 1 to 10 %.');
    await type('4-');
    expect(element.querySelector('[role=alert]')!.textContent).toBe('Type a number from 1 to 10 %.');
    expect(input.validationMessage).toBe('Type a number from 1 to 10 %.');
    await type('4 g');
    expect(element.querySelector('[role=alert]')!.textContent).toBe(
      '“g” is not understood here: an amount from 1 to 10 %.',
    );
    input.dispatchEvent(new Event('blur'));
    expect(input.value).toBe('4 g');
    await type('7');
    expect(element.querySelector('[role=alert]')).toBeNull();
    expect(input.checkValidity()).toBeTrue();
  });

  it('holds its digits alone while it is entered, as they are typed, and its unit again when it is left', async () => {
    const { type, input, fixture, told } = await field(3.5);
    input.dispatchEvent(new Event('focus'));
    expect(input.value).toBe('3.5');
    expect([input.selectionStart, input.selectionEnd]).toEqual([0, 3]);
    await type('3.');
    await type('3.20');
    expect(input.value).toBe('3.20');
    input.dispatchEvent(new Event('blur'));
    await fixture.whenStable();
    expect(input.value).toBe('3.2 %');
    expect(told).toEqual([3, 3.2]);
  });
});

describe('an amount in other words than the field’s own', () => {
  async function milk() {
    const more = { fieldId: 'milk', value: 4000, min: 250, max: 60_000, step: 250, suffix: ' g' };
    const page = await pageOf(NumberField, [], 0, { ...more, saidWith: { gPerMl: 1.03, pieceG: 400 } });
    const told: (number | null)[] = [];
    page.fixture.componentInstance.changed.subscribe((n) => {
      told.push(n);
      page.fixture.componentRef.setInput('value', n);
    });
    const input = page.element.querySelector('input')!;
    const understood = () => page.element.querySelector('.understood')?.textContent;
    return { ...page, told, input, understood, type: typingInto(input, page.fixture) };
  }
  afterEach(() => measureIn(METRIC));

  it('is taken, stays as it was said, and what was understood stands beneath', async () => {
    const { type, input, told, understood, fixture } = await milk();
    expect(understood()).toBeUndefined();
    await type('2 qt');
    expect(told).toEqual([1949]);
    expect(understood()).toBe('That is 1949 g.');
    input.dispatchEvent(new Event('blur'));
    await fixture.whenStable();
    expect(input.value).toBe('2 qt');
    await type('3 cans');
    expect(told.at(-1)).toBe(1200);
  });

  it('gives way once something else has changed the number', async () => {
    const { type, input, understood, fixture } = await milk();
    await type('2 qt');
    input.dispatchEvent(new Event('blur'));
    fixture.componentRef.setInput('value', 3000);
    await fixture.whenStable();
    expect(input.value).toBe('3000 g');
    expect(understood()).toBeUndefined();
  });

  it('is in the household’s units beneath, and in grams', async () => {
    measureIn({ temperature: 'F', mass: 'oz', volume: 'us' });
    const { type, understood, told } = await milk();
    await type('half a gallon');
    expect(told).toEqual([1949]);
    expect(understood()).toBe('That is 4.3 lb, 1.95 kg.');
  });

  it('tells nothing while it is half typed', async () => {
    const { type, told } = await milk();
    for (const text of ['1', '1 ', '1 l', '1 lb', '1 lb 4', '1 lb 4 o', '1 lb 4 oz']) await type(text);
    expect(told).toEqual([1030, 453.6, 567]);
  });
});

describe('an hour of the day', () => {
  it('is shown as the clock shows it, read as people say it, and asked for as an hour where it is none', async () => {
    const more = { fieldId: 'at', value: 7, max: 23.75, step: 0.25, suffix: ' clock' };
    const page = await pageOf(NumberField, [], 0, more);
    const told: (number | null)[] = [];
    page.fixture.componentInstance.changed.subscribe((n) => told.push(n));
    const input = page.element.querySelector('input')!;
    expect(input.value).toBe('07:00');
    const type = typingInto(input, page.fixture);
    await type('6:30 pm');
    await type('supper');
    expect(told).toEqual([18.5]);
    expect(page.element.querySelector('[role=alert]')!.textContent).toContain(
      'Type an hour of the day from 00:00 to 23:45',
    );
  });
});

describe('a number in a household’s own units', () => {
  async function inUs(value: number, suffix: string, [min, max, step]: readonly [number, number, number]) {
    measureIn({ temperature: 'F', mass: 'oz', volume: 'us' });
    const page = await pageOf(NumberField, [], 0, { fieldId: 'n', value, min, max, step, suffix });
    const told: (number | null)[] = [];
    page.fixture.componentInstance.changed.subscribe((n) => told.push(n));
    const input = page.element.querySelector('input')!;
    return { ...page, told, type: typingInto(input, page.fixture), shown: () => input.value };
  }
  afterEach(() => measureIn(METRIC));

  it('is shown and typed in them, and told in metric', async () => {
    const field = await inUs(85, ' °C', [20, 95, 1]);
    expect(field.shown()).toBe('185 °F');
    await field.type('176');
    expect(field.told[0]).toBeCloseTo(80, 9);
  });

  it('tells nothing where what stood there is left as it is', async () => {
    const field = await inUs(4000, ' g', [500, 40_000, 100]);
    expect(field.shown()).toBe('8.82 lb');
    await field.type('8.82');
    expect(field.told).toEqual([]);
  });

  it('says its bounds in them, and takes the bound it says', async () => {
    const field = await inUs(85, ' °C', [20, 95, 1]);
    await field.type('204');
    expect(field.text()).toContain('From 68 to 203 °F.');
    const grams = await inUs(4000, ' g', [500, 40_000, 100]);
    await grams.type('1.1');
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
