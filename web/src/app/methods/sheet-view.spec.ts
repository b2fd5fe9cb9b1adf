import { By } from '@angular/platform-browser';
import { makeSheet, methodById, SHEET_FORECAST } from '@oat-crock/core';
import { START_MS } from '../testing/followed';
import { pageOf } from '../testing/page';
import { NumberField } from '../ui/number-field';
import { ChoiceField } from './choice-field';
import { SheetView } from './sheet-view';

const method = methodById('strained-yogurt');
const sheetOf = (choices: Record<string, number | string>) =>
  makeSheet(method, choices, { ...SHEET_FORECAST, members: 100, fanPoints: 8 });
const view = (choices: Record<string, number | string>, startMs = START_MS) =>
  pageOf(SheetView, [], startMs, { sheet: sheetOf(choices), startMs });

describe('the make sheet', () => {
  it('says what to weigh in grams and in measures, and what comes of it', async () => {
    const page = await view({ fatPct: 6 });
    expect(page.text()).toMatch(/3\.70 kg ?Whole milk, 3\.6 % fat ?[\d.]+ L/);
    expect(page.text()).toMatch(/295 g|296 g/);
    expect(page.text()).toMatch(/Product ?\d\.\d\d kg/);
    expect(page.text()).toMatch(/Sugars left ?\d\.\d g/);
    expect(page.text()).toContain('per kg');
  });

  it('says when it is ready, and each of the hands by the clock', async () => {
    const page = await view({});
    expect(page.text()).toMatch(/Sour enough ?likely \d\d:\d\d, between/);
    expect(page.element.querySelectorAll('.hands li').length).toBe(9);
    expect(page.element.querySelector('.hands time')!.textContent).toBe('08:00');
  });

  it('shows hands in the night as unwelcome as they are', async () => {
    const page = await view({}, START_MS + 12 * 3_600_000);
    expect(page.element.querySelectorAll('.hands .night').length).toBeGreaterThan(0);
    expect(page.text()).toContain('in the night');
  });

  it('carries its cautions', async () => {
    expect((await view({ milk: 'raw', fatPct: 4.2 })).text()).toContain('Raw milk is not for anyone pregnant');
  });
});

describe('a choice', () => {
  const choice = (key: string) => method.groups.flatMap((g) => g.choices).find((c) => c.key === key)!;

  it('of a number is told as it changes, and an emptied field chooses nothing', async () => {
    const page = await pageOf(ChoiceField, [], START_MS, { choice: choice('heatC'), value: 85 });
    const chosen: (number | string)[] = [];
    page.fixture.componentInstance.chosen.subscribe((v) => chosen.push(v));
    const field = page.fixture.debugElement.query(By.directive(NumberField)).componentInstance as NumberField;
    for (const value of [90, null, 63]) field.changed.emit(value);
    expect(chosen).toEqual([90, 63]);
    expect([field.min(), field.max(), field.suffix()]).toEqual([63, 95, ' °C']);
  });

  it('of two options shows both side by side, with the reason of the one chosen', async () => {
    const page = await pageOf(ChoiceField, [], START_MS, { choice: choice('lid'), value: 'on' });
    expect([...page.element.querySelectorAll('.few button')].map((b) => b.textContent.trim())).toEqual([
      'Lid on',
      'Lid off',
    ]);
    expect(page.text()).toContain('Nothing lost, no skin.');
  });

  it('says at the field what defeats the make', async () => {
    const problem = { field: 'heatC', message: 'Milk boils over.', remedy: 'Ask for less.' };
    const page = await pageOf(ChoiceField, [], START_MS, { choice: choice('heatC'), value: 85, problem });
    expect(page.element.querySelector('[role="alert"]')!.textContent).toContain('Milk boils over. Ask for less.');
  });
});
