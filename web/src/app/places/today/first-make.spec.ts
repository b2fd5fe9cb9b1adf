import { METHODS, makeSheet } from '@oat-crock/core';
import { WITHOUT_WORKER } from '../../testing/engine';
import { START_MS } from '../../testing/followed';
import { pageOf } from '../../testing/page';
import { draftFeature } from '../../state/draft.feature';
import { householdSelectors } from '../../state/household';
import { FirstMake } from './first-make';
import { firstMakeOf, KEEPERS, STARTERS } from './first-make-answers';

const FEW = { members: 20, seed: 1, fanPoints: 2 };

async function open() {
  const page = await pageOf(FirstMake, [], START_MS, {}, [WITHOUT_WORKER]);
  const settled = async () => {
    await page.fixture.whenStable();
    await new Promise((done) => setTimeout(done));
    await page.fixture.whenStable();
  };
  await settled();
  const press = async (words: string | RegExp) => {
    await page.click(words);
    await settled();
  };
  return { ...page, press, settled };
}

describe('a first make', () => {
  it('is answered already, and begun with one touch', async () => {
    const page = await open();
    expect(page.text()).toMatch(/kg of scalded yogurt: 57 min of hands, ready/);
    await page.press('Start it now');
    const [started] = page.written();
    expect(started!.body).toEqual(
      jasmine.objectContaining({
        type: 'started',
        methodId: 'scalded-yogurt',
        choices: jasmine.objectContaining({ massG: 2000 }),
      }),
    );
  });

  it('follows the answers: what is there to sour it with, what keeps it warm, how much milk', async () => {
    const page = await open();
    await page.press('None: lemon will do');
    expect(page.text()).toContain('Soft curd');
    expect(page.text()).not.toContain('What keeps it warm?');
    await page.press('A packet of powder');
    await page.press('Vacuum flask');
    const milk = page.element.querySelector<HTMLInputElement>('#first-milk')!;
    milk.value = '1 L';
    milk.dispatchEvent(new Event('input'));
    await page.settled();
    expect(page.text()).toMatch(/9\d\d g of scalded yogurt/);
    await page.press('Look at its sheet');
    const draft = page.store.selectSignal(draftFeature.selectDrafts)()['scalded-yogurt']!;
    expect(draft.choices).toEqual({ massG: 1030, keeper: 'flask', form: 'freeze-dried' });
  });

  it('says whether hands fall in the night, by the hours that are told', async () => {
    const page = await open();
    const sleep = async (id: string, text: string) => {
      const field = page.element.querySelector<HTMLInputElement>(id)!;
      field.value = text;
      field.dispatchEvent(new Event('input'));
      await page.settled();
    };
    await sleep('#first-from', '6 pm');
    expect(page.store.selectSignal(householdSelectors.selectDraft)().asleepFromH).toBe(18);
    // Until the server has it, the household sleeps as it did.
    expect(page.text()).toMatch(/in the night/);
  });

  it('is one that comes out, whatever is answered', () => {
    for (const { id: keeper } of KEEPERS) {
      for (const { id: starter } of STARTERS) {
        const { methodId, choices } = firstMakeOf(keeper, starter, 2000);
        const sheet = makeSheet(
          METHODS.find((m) => m.id === methodId)!,
          choices,
          FEW,
        );
        expect(sheet.problems.filter((p) => !p.mild))
          .withContext(`${keeper} ${starter}`)
          .toEqual([]);
        expect(sheet.keeps).withContext(`${keeper} ${starter}`).not.toBeNull();
      }
    }
  });
});
