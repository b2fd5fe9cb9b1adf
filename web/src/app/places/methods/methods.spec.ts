import { english } from '@oat-crock/messages';
import type { ComponentFixture } from '@angular/core/testing';
import { makeSheet, METHODS, scaleTo, type Goal } from '@oat-crock/core';
import type { MakeAsked } from '../../engine/engine-api';
import { Engine } from '../../engine/engine';
import { START_MS } from '../../testing/followed';
import { pageOf } from '../../testing/page';
import { DraftActions } from '../../state/draft.feature';
import { LogActions } from '../../state/log.feature';
import { Methods } from './methods';

/** The engine without its worker. */
const AT_HAND = {
  provide: Engine,
  useValue: {
    sheet: ({ method, choices, stocks }: MakeAsked) =>
      Promise.resolve(makeSheet(method, choices, { members: 60, seed: 1, fanPoints: 4 }, { stocks })),
    quieter: () => Promise.resolve({ nightHands: 0, begin: null, choices: [] }),
    scale: ({ method, choices, stocks }: MakeAsked, goal: Goal) =>
      Promise.resolve(scaleTo(method, choices, goal, { stocks })),
  },
};
const open = (methodId: string) => pageOf(Methods, [], START_MS, { methodId }, [AT_HAND]);
/** The sheet is promised, then drawn. */
async function settled(fixture: ComponentFixture<unknown>): Promise<void> {
  await fixture.whenStable();
  await new Promise((done) => setTimeout(done));
  await fixture.whenStable();
}
const names = (element: HTMLElement, nav: string) =>
  [...element.querySelectorAll(`nav[aria-label="${nav}"] a`)].map((a) => a.textContent.trim());
const heads = (element: HTMLElement) => [...element.querySelectorAll('.head b')].map((b) => b.textContent.trim());

describe('deciding a make', () => {
  it('shows the families, and the makes of the one at hand', async () => {
    const { element } = await open('quark');
    expect(names(element, 'Families')).toEqual([...new Set(METHODS.map((m) => english(m.family)))]);
    expect(names(element, 'Methods')).toEqual(['Cream cheese', 'By yogurt', 'Yogurt cheese', 'Quark']);
    expect(element.querySelector('nav[aria-label="Families"] .here')!.textContent.trim()).toBe('Fresh cheese');
    expect(element.querySelector('nav[aria-label="Methods"] [aria-current="page"]')!.textContent.trim()).toBe('Quark');
  });

  it('every family leads to a make of its own', async () => {
    const { element } = await open('clabber');
    const led = [...element.querySelectorAll<HTMLAnchorElement>('nav[aria-label="Families"] a')].map(
      (a) => METHODS.find((m) => a.pathname === `/methods/${m.id}`)!.family,
    );
    expect(led.map(english)).toEqual(names(element, 'Families'));
  });

  it('leaves out of sight what has no say, a choice or a whole group, and brings it back', async () => {
    const page = await open('yogurt-cheese');
    expect(heads(page.element)).toContain('Heat');
    expect(page.text()).not.toContain('Its fat');
    await page.click(/^Beginning/);
    await page.click('Yogurt, bought or made');
    expect(heads(page.element)).not.toContain('Heat');
    expect(page.text()).toContain('Its fat');
    await page.click('Milk');
    expect(heads(page.element)).toContain('Heat');
  });

  it('says what would not work, at its group and over the sheet, and does not let it be started', async () => {
    const page = await open('soda-cheese');
    const start = () =>
      [...page.element.querySelectorAll('button')].find((b) => b.textContent.includes('Start this make'))!;
    await settled(page.fixture);
    expect(start().disabled).toBeFalse();
    page.store.dispatch(DraftActions.chosen({ methodId: 'soda-cheese', key: 'cookC', value: 66 }));
    await settled(page.fixture);
    expect(page.element.querySelector('.defeats')!.textContent).toContain('With egg in it 66 °C is not enough.');
    const group = [...page.element.querySelectorAll('.group')].find((g) => g.textContent.includes('Soda and melting'))!;
    expect(group.classList).toContain('wrong');
    expect(group.textContent).toContain('Bring it to 74 °C');
    expect(start().disabled).toBeTrue();
    page.store.dispatch(DraftActions.chosen({ methodId: 'soda-cheese', key: 'eggPct', value: 0 }));
    await settled(page.fixture);
    expect(start().disabled).toBeFalse();
  });
});

describe('milk and cream as two amounts', () => {
  async function cheese() {
    const page = await open('cream-cheese');
    await settled(page.fixture);
    const field = (id: string) => page.element.querySelector<HTMLInputElement>(`#${id}`)!;
    const type = async (id: string, text: string) => {
      field(id).value = text;
      field(id).dispatchEvent(new Event('input'));
      await settled(page.fixture);
    };
    return { ...page, field, type };
  }

  it('follow the total and the fat, and lead them', async () => {
    const { field, type } = await cheese();
    expect(field('lines-cream').value).toBe('790 g');
    await type('choice-massG', '2 kg');
    expect(field('lines-cream').value).toBe('395 g');
    await type('lines-milk', '2 L');
    await type('lines-cream', '500 mL + 100 mL');
    expect(field('choice-massG').value).toBe('2660 g');
    // 2060 g of 3.6 % and 600 g of 36 %.
    expect(field('choice-fatPct').value).toBe('10.91 %');
  });

  it('stay as typed where the make takes no such fat, which is said, and change nothing', async () => {
    const { element, field, type } = await cheese();
    await type('lines-milk', '500');
    expect(element.querySelector('oc-milk-lines [role=alert]')!.textContent).toContain('this make takes 5 to 16 %');
    expect(field('choice-massG').value).toBe('4000 g');
    await type('lines-cream', '100');
    expect(element.querySelector('oc-milk-lines [role=alert]')).toBeNull();
    expect(field('choice-massG').value).toBe('600 g');
  });

  it('are not asked of milk as it comes', async () => {
    const { element, click } = await open('scalded-yogurt');
    expect(element.querySelector('#lines-milk')).toBeNull();
    await click('Milk and cream');
    expect(element.querySelector('#lines-milk')).not.toBeNull();
  });
});

describe('the address of a make that there is not', () => {
  it('says so once it is known, and leads to all there are', async () => {
    const page = await open('no-such-make');
    page.store.dispatch(LogActions.loaded({ entries: [] }));
    await settled(page.fixture);
    expect(page.text()).toContain('no make is known as “no-such-make”');
    expect(page.element.querySelector<HTMLAnchorElement>('section a')!.pathname).toBe('/methods');
    expect(page.text()).not.toContain('Start this make');
  });
});
