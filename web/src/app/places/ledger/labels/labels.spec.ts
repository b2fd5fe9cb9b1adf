import type { Action } from '@ngrx/store';
import type { EntryBody } from '@oat-crock/core';
import { Paper } from '../../../shared/paper/paper';
import { pageOf } from '../../../testing/page';
import { until } from '../../../testing/until';
import { recordsFeature } from '../../../state/records.feature';
import { HouseholdActions } from '../../../state/household';
import { LABEL_STOCKS } from './label-sheet';
import { codeText } from './label-words';
import { Labels } from './labels';

const NOW = Date.UTC(2026, 4, 5, 12);
const ID = '01J000000000000000000000L1';
const made = (useBy: string | null) =>
  (
    [
      [0, { type: 'started', methodId: 'scalded-yogurt', choices: { massG: 4000, potG: 400 }, name: 'Quay pots' }],
      [
        1200,
        { type: 'finished', productG: 3600, wheyG: null, heldBackG: null, score: null, pots: 9, useBy, openDays: 6 },
      ],
    ] as [number, EntryBody][]
  ).map(([minute, body], i) => ({
    ...{ id: `01J0000000000000000000L1${useBy === null ? 'B' : 'A'}${i}`, batchId: ID, source: 'hand', body },
    atMs: NOW - 86_400_000 + minute * 60_000,
  }));

describe('labels for pots', () => {
  const saved: { name: string; pages: object; how: string }[] = [];
  const paper = {
    save: (name: string, pages: object, how: string) => Promise.resolve(void saved.push({ name, pages, how })),
  };
  const pageWith = async (useBy: string | null = '2026-05-20') => {
    saved.length = 0;
    const page = await pageOf(Labels, made(useBy), NOW, { id: ID }, [{ provide: Paper, useValue: paper }]);
    await until(() => page.element.querySelector('.label img') !== null);
    return page;
  };

  it('say what it is, its lot, its last day, what it is of and how it is kept, and go onto sheets as many as there are pots', async () => {
    const page = await pageWith();
    const label = page.element.querySelector('.label')!.textContent;
    for (const said of [
      'Scalded yogurt',
      'Use by 20 May 2026',
      'Lot 260504-',
      '400 g',
      'Contains: milk',
      'Ingredients: ',
      'open, 6 days',
    ])
      expect(label).withContext(said).toContain(said);
    expect(page.element.querySelectorAll('.printed').length).toBe(9);
    const asked = spyOn(page.store, 'dispatch').and.callThrough();
    await page.click('9 labels as PDF');
    await until(() => saved.length > 0);
    expect(saved[0]).toEqual(jasmine.objectContaining({ how: 'as it is' }));
    expect(JSON.stringify(saved[0]!.pages).match(/Use by 20 May 2026/g)!.length).toBe(9);
    // What was printed on is kept with the household, and what is being typed of that is left alone.
    expect(asked).toHaveBeenCalledWith(
      HouseholdActions.labelStockWanted({ labelStock: LABEL_STOCKS.threeByEight }) as unknown as () => Action,
    );
    expect(page.store.selectSignal(recordsFeature.selectWriting)()).toEqual({});
  });

  it('say when it was made where nothing showed what keeps it, and that nobody stands on them as their maker', async () => {
    const page = await pageWith(null);
    expect(page.element.querySelector('.label')!.textContent).toContain('Made 5 May 2026');
    expect(page.text()).toContain('it has no last day');
    expect(page.text()).toContain('Who makes it does not stand on it');
  });

  it('are not printed over the edge of a page', async () => {
    const page = await pageWith();
    const rows = page.element.querySelector<HTMLInputElement>('#label-rows')!;
    rows.value = '9';
    for (const event of ['input', 'change', 'blur']) rows.dispatchEvent(new Event(event));
    await page.fixture.whenStable();
    expect(page.text()).toContain('do not lie on the page');
    expect([...page.element.querySelectorAll('button')].at(-1)!.disabled).toBeTrue();
  });

  it('carry the address of the lot where other devices reach the kitchen, else its code', () => {
    const batch = { id: ID, startedMs: NOW } as Parameters<typeof codeText>[0];
    expect(codeText(batch, { origin: 'http://dairy:4310', hostname: 'dairy' })).toBe(
      `http://dairy:4310/ledger/trace/${ID}`,
    );
    expect(codeText(batch, { origin: 'http://127.0.0.1:4310', hostname: '127.0.0.1' })).toMatch(/^260505-/);
  });
});
