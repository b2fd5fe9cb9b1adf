import { english } from '@oat-crock/messages';
import { makeSheet, methodById } from '@oat-crock/core';
import type { MakeAsked } from '../../engine/engine-api';
import { Engine } from '../../engine/engine';
import { recordsFeature } from '../../state/records.feature';
import { START_MS } from '../../testing/followed';
import { pageOf, type TestPage } from '../../testing/page';
import { StageBuilder } from './stage-builder';

const AT_HAND = {
  provide: Engine,
  useValue: {
    sheet: ({ method, choices }: MakeAsked) =>
      Promise.resolve(makeSheet(method, choices, { members: 20, seed: 1, fanPoints: 2 })),
  },
};
const quark = methodById('quark');
const open = (methodId = 'quark') => pageOf(StageBuilder, [], START_MS, { methodId }, [AT_HAND]);
const writing = (page: TestPage<unknown>) =>
  Object.values(page.store.selectSignal(recordsFeature.selectWriting)()).map((w) => w.draft as unknown as typeof quark);

describe('writing a method from stages', () => {
  it('shows them in order, and that the engine can make it', async () => {
    const page = await open();
    await page.fixture.whenStable();
    expect(page.element.querySelectorAll('ol li').length).toBe(quark.stages.length);
    expect(page.text()).toContain('A method of the house');
    expect(page.element.querySelector('.verdict')!.classList).not.toContain('bad');
  });

  it('of the house makes a copy of one’s own at the first touch, and leaves the house’s as it was', async () => {
    const page = await open();
    const before = JSON.stringify(quark);
    await page.click(/^Take .* out$/);
    const [copy] = writing(page);
    expect(english(copy!.name)).toBe('Quark and lactic curd, our way');
    expect(copy!.id).not.toBe('quark');
    expect(copy!.stages.length).toBe(quark.stages.length - 1);
    expect(JSON.stringify(quark)).toBe(before);
  });

  it('says what would not work, and does not let it be saved', async () => {
    const page = await open();
    await page.click(/^Take .* out$/);
    page.fixture.componentRef.setInput('methodId', writing(page)[0]!.id);
    await page.fixture.whenStable();
    expect(page.element.querySelector('.verdict')!.textContent).toContain('blend, base or bought');
    const save = [...page.element.querySelectorAll('button')].find((b) => b.textContent.trim() === 'Save')!;
    expect(save.disabled).toBeTrue();
    await page.click('Leave it as it was');
    expect(writing(page)).toEqual([]);
  });

  it('settles what is asked, and asks again what was settled', async () => {
    const page = await open();
    await page.click(/^heat/);
    await page.click('Settle it');
    page.fixture.componentRef.setInput('methodId', writing(page)[0]!.id);
    await page.fixture.whenStable();
    const heat = () => writing(page)[0]!.stages.find((s) => s.kind === 'heat')!.params['targetC'];
    expect(typeof heat()).toBe('number');
    await page.click('Ask it each time');
    expect(typeof heat()).toBe('object');
  });
});
