import { By } from '@angular/platform-browser';
import { makeSheet, methodById, SHEET_FORECAST } from '@oat-crock/core';
import { START_MS } from '../../testing/followed';
import { pageOf } from '../../testing/page';
import { NumberField } from '../../shared/ui/number-field';
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

describe('the sheet of another make', () => {
  const other = (id: string, choices: Record<string, number | string> = {}) => {
    const sheet = makeSheet(methodById(id), choices, { ...SHEET_FORECAST, members: 100, fanPoints: 8 });
    return pageOf(SheetView, [], START_MS, { sheet, startMs: START_MS });
  };
  const fact = (element: HTMLElement, what: string) =>
    [...element.querySelectorAll('.facts div')].find((div) => div.querySelector('dt')!.textContent.trim() === what)
      ?.textContent;

  it('tells small doses as they are measured: drops, millilitres, pieces', async () => {
    const cheese = (await other('cream-cheese')).text();
    expect(cheese).toMatch(/0\.08 g ?Rennet ?2 drops/);
    expect(cheese).toMatch(/1\.8 g ?Calcium chloride solution ?1\.4 mL/);
    expect((await other('plant-yogurt')).text()).toMatch(/0\.80 g ?Live capsules ?2/);
  });

  it('names everything that is left, with its use', async () => {
    expect(fact((await other('clabber')).element, 'Soured cream')).toContain('churn it');
    expect(fact((await other('scalded-cream')).element, 'Thin cream')).toContain('bake with it');
    expect(fact((await other('grain-kefir')).element, 'Kefir grains')).toContain('next milk');
    expect(fact((await other('strained-yogurt')).element, 'Acid whey')).toContain('never makes soft curd');
    expect(fact((await other('thick-cream')).element, 'Starter held back')).toBeUndefined();
  });

  it('says how long it keeps and why, what salt and what alcohol are in it', async () => {
    const kefir = (await other('grain-kefir')).element;
    expect(fact(kefir, 'Keeps')).toMatch(/\d+ days ?at 4 °C, unopened\. Acid keeps it/);
    expect(fact(kefir, 'In 100 g')).toMatch(/0\.1 g alcohol/);
    const curd = (await other('acid-heat-curd')).element;
    expect(fact(curd, 'Keeps')).toContain('only cold');
    expect(fact(curd, 'In 100 g')).not.toContain('alcohol');
    expect(fact(curd, 'In 100 g')).toMatch(/0\.\d g salt/);
  });

  it('says what to look for and from about when, only where somebody looks', async () => {
    const { element } = await other('room-yogurt');
    const lines = [...element.querySelectorAll('.hands li')].map((li) => li.textContent);
    const looked = lines.filter((line) => line.includes('Look for it'));
    expect(looked.length).toBe(1);
    expect(looked[0]).toMatch(/wobbles from about .*\d\d:\d\d.*leaves the wall from about/);
    expect((await other('acid-heat-curd')).text()).not.toContain('Look for it');
  });

  it('warns of a hot pan that will not cool in time', async () => {
    const { element } = await other('scalded-cream', { massG: 20_000, vesselL: 40, depthCm: 12 });
    expect(element.querySelector('.finding')!.textContent).toMatch(/From 57 to 21 °C.*two hours are the limit/);
    expect((await other('scalded-cream')).element.querySelector('.finding')).toBeNull();
  });

  it('says what is over when the pots are full', async () => {
    expect(fact((await other('grain-kefir')).element, 'Product')).toMatch(/fills 1 pot, 4\d\d g over/);
    expect(fact((await other('grain-kefir', { potG: 975 })).element, 'Product')).not.toContain('over');
  });
});

describe('a choice', () => {
  const choice = (key: string) => method.groups.flatMap((g) => g.choices).find((c) => c.key === key)!;

  it('of a number is told as it changes, and an emptied field chooses nothing', async () => {
    const page = await pageOf(ChoiceField, [], START_MS, { choice: choice('heatC'), value: 85, method });
    const chosen: (number | string)[] = [];
    page.fixture.componentInstance.chosen.subscribe((v) => chosen.push(v));
    const field = page.fixture.debugElement.query(By.directive(NumberField)).componentInstance as NumberField;
    for (const value of [90, null, 63]) field.changed.emit(value);
    expect(chosen).toEqual([90, 63]);
    expect([field.min(), field.max(), field.suffix()]).toEqual([63, 95, ' °C']);
  });

  it('of two options shows both side by side, with the reason of the one chosen', async () => {
    const page = await pageOf(ChoiceField, [], START_MS, { choice: choice('lid'), value: 'on', method });
    expect([...page.element.querySelectorAll('.few button')].map((b) => b.textContent.trim())).toEqual([
      'Lid on',
      'Lid off',
    ]);
    expect(page.text()).toContain('Nothing lost, no skin.');
  });

  it('says at the field what defeats the make', async () => {
    const problem = { field: 'heatC', message: 'Milk boils over.', remedy: 'Ask for less.' };
    const page = await pageOf(ChoiceField, [], START_MS, { choice: choice('heatC'), value: 85, method, problem });
    expect(page.element.querySelector('[role="alert"]')!.textContent).toContain('Milk boils over. Ask for less.');
  });
});
