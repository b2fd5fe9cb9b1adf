import { By } from '@angular/platform-browser';
import { follow, replay, type EntryBody } from '@oat-crock/core';
import { Crock } from '../../shared/ui/crock';
import { entriesUntil, START_MS } from '../../testing/followed';
import { until } from '../../testing/until';
import { pageOf } from '../../testing/page';
import { probeOf } from '../../testing/probe';
import { FollowActions } from '../../state/follow.feature';
import { instrumentsFeature, InstrumentActions } from '../../state/instruments.feature';
import { recordsFeature } from '../../state/records.feature';
import { keptFinish } from './finish-draft';
import { BatchList } from './batch-list';
import { Make } from './make';

const MIN = 60_000;
const ID = '01J00000000000000000000BTC';
const at = (minute: number, ...more: Parameters<typeof entriesUntil>[1][]) =>
  pageOf(Make, entriesUntil(minute, ...more), START_MS + minute * MIN, { batchId: ID });

const fill = async (page: Awaited<ReturnType<typeof at>>, id: string, text: string) => {
  const input = page.element.querySelector<HTMLInputElement>(`#${id}`)!;
  input.value = text;
  input.dispatchEvent(new Event('input'));
  await page.fixture.whenStable();
};
/** The first line written, once it was checked by its schema. */
const body = async (page: Awaited<ReturnType<typeof at>>) => {
  await until(() => page.written().length > 0);
  return page.written()[0]?.body;
};

describe('Make', () => {
  beforeEach(() => localStorage.removeItem('oat-crock.finishing'));

  it('shows the pour, the stages, the plot and the balance of a pot', async () => {
    const page = await at(200);
    expect(page.element.querySelector('h1')!.textContent).toBe('Pot');
    expect(page.element.querySelectorAll('.stages button').length).toBe(9);
    expect(page.element.querySelector('[aria-current="step"]')!.textContent.trim()).toBe('keep warm');
    expect(page.element.querySelector('oc-plot title')!.textContent).toContain('Acidity');
    expect(page.text()).toMatch(/Went in ?4\.10 kg/);
  });

  it('shows another stage when it is picked, and the one at hand again when it is picked again', async () => {
    const page = await at(200);
    await page.click('heat 85 °C');
    expect(page.element.querySelector('oc-plot title')!.textContent).toContain('heat 85');
    await page.click('heat 85 °C');
    expect(page.element.querySelector('oc-plot title')!.textContent).toContain('Acidity');
  });

  it('takes the second click of a double click, and a key held down, for the first', async () => {
    const page = await at(200);
    const press = page.element.querySelector<HTMLElement>('[data-next-hands] button')!;
    const key = new KeyboardEvent('keydown', { key: 'Enter', repeat: true, cancelable: true, bubbles: true });
    press.dispatchEvent(key);
    expect(key.defaultPrevented).toBeTrue();
    press.dispatchEvent(new MouseEvent('click', { detail: 2, bubbles: true }));
    expect(page.written()).toEqual([]);
    press.dispatchEvent(new MouseEvent('click', { detail: 1, bubbles: true }));
    expect(page.written().length).toBe(1);
  });

  it('records the next hands', async () => {
    const page = await at(200);
    await page.click(/^It is sour enough/);
    expect(page.written()[0]!.body).toEqual({ type: 'step', stageId: 'chill' });
  });

  it('keeps a corrected line in the log, struck through, and can take another back', async () => {
    const page = await at(200, [150, { type: 'note', text: 'calm' }]);
    const note = entriesUntil(200, [150, { type: 'note', text: 'calm' }]).at(-1)!;
    await page.click('Take back: calm');
    expect(page.written()[0]!.body).toEqual({ type: 'correction', replaces: note.id, body: null });
    expect(page.element.querySelector('oc-log-list s')!.textContent).toBe('calm');
  });

  it('asks for the weights at the end, and is not finished without them', async () => {
    const page = await at(1250);
    expect(page.text()).toContain('Weigh it and log what came out');
    await page.click('Finish the make');
    expect(page.text()).toContain('Weigh the product');
    expect(page.written()).toEqual([]);
  });

  it('wants all four marks or none', async () => {
    const page = await at(1250);
    const group = page.element.querySelector('[aria-label^="Taste"]')!;
    group.querySelectorAll<HTMLButtonElement>('button')[3]!.click();
    const form = page.fixture.debugElement.query((e) => e.name === 'oc-finish-form').componentInstance as {
      productG: { set: (g: number) => void };
    };
    form.productG.set(1650);
    await page.click('Finish the make');
    expect(page.text()).toContain('Give all four marks, or none');
  });

  it('finishes with weights, pots and words, and puts what is left into the larder as a lot', async () => {
    const page = await at(1250);
    const form = page.fixture.debugElement.query((e) => e.name === 'oc-finish-form').componentInstance as {
      productG: { set: (g: number) => void };
    };
    form.productG.set(1650);
    page.element.querySelector<HTMLInputElement>('.keep input')!.click();
    await fill(page, 'finish-words', 'A little loose');
    await page.click('Finish the make');
    const finished = await body(page);
    if (finished?.type !== 'finished') throw new Error('it is finished');
    expect([finished.productG, finished.pots, finished.words]).toEqual([1650, 4, 'A little loose']);
    const [left] = finished.left!;
    expect(left!.what).toBe('Acid whey');
    const lot = page.store.selectSignal(recordsFeature.selectWriting)()[left!.lotId]!;
    expect(lot.draft).toEqual(jasmine.objectContaining({ kind: 'whey', from: ID, amount: left!.massG }));
  });

  it('keeps what was typed while the forecast goes on under it', async () => {
    const page = await at(1250);
    const form = page.fixture.debugElement.query((e) => e.name === 'oc-finish-form').componentInstance as {
      heldBackG: { (): number; set: (g: number) => void };
      pots: { (): number; set: (n: number) => void };
    };
    form.heldBackG.set(140);
    form.pots.set(3);
    const later = replay(entriesUntil(1250, [1245, { type: 'reading', quantity: 'wheyG', value: 2310, by: 'scale' }]))!;
    const followed = follow(later, START_MS + 1255 * MIN, { members: 60, seed: 2, fanPoints: 2 });
    page.store.dispatch(FollowActions.workedOut({ followed }));
    await page.fixture.whenStable();
    expect([form.heldBackG(), form.pots()]).toEqual([140, 3]);
  });

  it('has what was typed of the finish again when the page is come back to, each make its own, until it is finished', async () => {
    const first = await at(1250);
    await fill(first, 'finish-words', 'Firmer than last time');
    await first.click('Finish the make');
    expect(first.text()).toContain('Weigh the product');
    const again = await at(1250);
    expect(again.element.querySelector<HTMLInputElement>('#finish-words')!.value).toBe('Firmer than last time');
    expect(keptFinish('another')).toEqual({});
    const form = again.fixture.debugElement.query((e) => e.name === 'oc-finish-form').componentInstance as {
      productG: { set: (g: number) => void };
    };
    form.productG.set(1650);
    await again.click('Finish the make');
    expect(await body(again)).toEqual(jasmine.objectContaining({ type: 'finished', words: 'Firmer than last time' }));
    expect(keptFinish(ID)).toEqual({});
  });

  it('puts up with rubbish where what was typed was kept', () => {
    for (const rubbish of ['soup', '7', `{"${ID}":{"productG":"many"}}`, `{"${ID}":{"words":3}}`, `{"${ID}":null}`]) {
      localStorage.setItem('oat-crock.finishing', rubbish);
      expect(keptFinish(ID)).withContext(rubbish).toEqual({});
    }
    localStorage.removeItem('oat-crock.finishing');
  });

  it('shows what stands on the pots of a finished make', async () => {
    const page = await at(1270, [1260, { type: 'finished', productG: 1650, wheyG: 2300, heldBackG: 120, score: null }]);
    const label = page.element.querySelector('oc-label-panel')!.textContent.replace(/\s+/g, ' ');
    expect(label).toMatch(/Lot ?261123-0BTC ?Made ?24 Nov 2026 ?Use by/);
    expect(label).toMatch(/Contains ?milk/);
  });

  it('sets what was weighed beside what was forecast, once it is finished', async () => {
    const end = [1260, { type: 'finished', productG: 1500, wheyG: 2300, heldBackG: 120, score: null }] as const;
    const page = await at(1270, end);
    expect(page.text()).toContain('Weighed');
    expect(page.text()).toMatch(/\d+ % less than forecast/);
    expect(page.element.querySelector('oc-finish-form')).toBeNull();
  });

  it('is discarded only with a reason', async () => {
    const page = await at(200);
    await page.click('Stop and discard this make');
    await page.click('Discard it');
    expect(page.text()).toContain('Say why.');
    expect(page.written()).toEqual([]);
    await fill(page, 'decide-why', 'pink spots');
    await fill(page, 'decide-who', '');
    await page.click('Discard it');
    expect(page.text()).toContain('Say who decides it.');
    await fill(page, 'decide-who', 'Ine');
    await page.click('Discard it');
    expect(await body(page)).toEqual({ type: 'discarded', reason: 'pink spots', by: 'Ine' });
  });

  it('on hold says by whom and why, and is not finished until somebody lets it go', async () => {
    const held = [1245, { type: 'held', by: 'Ine', reason: 'Smelled of yeast.' }] as const;
    const page = await at(1250, held);
    expect(page.text()).toMatch(/On hold since \w+ \d\d:\d\d, by Ine: Smelled of yeast\./);
    expect(page.element.querySelector('oc-finish-form form')).toBeNull();
    await page.click('Let it go after all');
    await fill(page, 'decide-why', 'Tasted and measured: sound.');
    await fill(page, 'decide-who', 'Tam');
    await page.click('Let it go');
    expect(await body(page)).toEqual({ type: 'released', reason: 'Tasted and measured: sound.', by: 'Tam' });
    const released = [1248, { type: 'released', by: 'Tam', reason: 'Sound.' }] as const;
    const free = await at(1250, held, released);
    expect(free.element.querySelector('oc-finish-form form')).not.toBeNull();
  });

  it('offers what the evidence calls for, and takes it in one touch', async () => {
    const page = await at(360, [355, { type: 'cue', cue: 'taste', answer: 'sharp' }]);
    await page.click('Done, on to the next: Go on with it now');
    expect(page.written()[0]!.body).toEqual({ type: 'step', stageId: 'chill' });
    const foul = await at(200, [150, { type: 'cue', cue: 'smell', answer: 'foul' }]);
    await foul.click('Discard it: Stop and discard it');
    expect(foul.element.querySelector<HTMLInputElement>('#decide-why')!.value).toContain('foul');
  });

  it('asks for nothing on the word of a look that contradicts all the rest', async () => {
    const page = await at(200, [150, { type: 'cue', cue: 'taste', answer: 'sharp' }]);
    expect(page.text()).not.toContain('It tastes sharp already.');
    expect(page.text()).not.toContain('Go on with it now');
  });

  it('says what was otherwise than planned, and what that does', async () => {
    const page = await pageOf(
      Make,
      entriesUntil(200).map((e) =>
        e.body.type === 'step' && e.body.stageId === 'cool' ? { ...e, atMs: START_MS + 33 * MIN } : e,
      ),
      START_MS + 200 * MIN,
      { batchId: ID },
    );
    expect(page.text()).toMatch(/Hold: 2 min instead of 15 min\. \d+ g less of it/);
  });

  it('puts a probe into the crock and back on the shelf', async () => {
    const page = await at(200);
    page.store.dispatch(InstrumentActions.received({ instruments: [probeOf()] }));
    await page.fixture.whenStable();
    page.element.querySelector<HTMLInputElement>('oc-probe-list input')!.click();
    expect(page.store.selectSignal(instrumentsFeature.selectAll)()[0]!.batchId).toBe(ID);
  });

  it('says what a probe read last and what is wrong with it, and tells a simulated one to fail', async () => {
    const page = await at(200);
    const NOW = START_MS + 200 * MIN;
    const impossible = { atMs: NOW - 5 * MIN, value: 13.2 };
    const read = { batchId: ID, lastMs: NOW - 2 * MIN, lastValue: 6.41, sameSinceMs: NOW - 2 * MIN, impossible };
    page.store.dispatch(InstrumentActions.received({ instruments: [probeOf(read)] }));
    await page.fixture.whenStable();
    const list = page.element.querySelector('oc-probe-list')!;
    expect(list.textContent).toContain('pH 6.41, 2 min ago');
    expect(list.textContent).toContain('It read 13.2, which cannot be');
    const dispatched: unknown[] = [];
    spyOn(page.store, 'dispatch').and.callFake(((action: unknown) => void dispatched.push(action)) as never);
    const probes = page.fixture.debugElement.query((e) => e.name === 'oc-probe-list').componentInstance as {
      giveFault: (id: string, fault: string) => void;
    };
    probes.giveFault('p', 'stuck');
    probes.giveFault('p', 'none');
    await page.click('Calibrate');
    expect(dispatched).toEqual([
      InstrumentActions.giveFault({ id: 'p', fault: 'stuck' }),
      InstrumentActions.giveFault({ id: 'p', fault: null }),
      InstrumentActions.calibrate({ id: 'p' }),
    ]);
  });

  it('names the logger of the room, which stands in no crock', async () => {
    const page = await at(200);
    const read = { lastMs: START_MS + 198 * MIN, lastValue: 17.6, sameSinceMs: START_MS + 198 * MIN };
    const wall = probeOf({ id: 'wall', name: 'Room logger', quantity: 'roomC', simulated: false, ...read });
    page.store.dispatch(InstrumentActions.received({ instruments: [wall] }));
    await page.fixture.whenStable();
    const list = page.element.querySelector('oc-probe-list')!;
    expect(list.textContent.replace(/\s+/g, ' ')).toMatch(/Room logger: for every make ?17\.6 °C, 2 min ago/);
    expect(list.querySelector('input')).toBeNull();
  });

  it('says so when there is no such make', async () => {
    const page = await pageOf(Make, entriesUntil(200), START_MS, { batchId: 'none' });
    expect(page.text()).toContain('No such make');
  });
});

describe('the list of makes', () => {
  it('shows each with its state, and leads to a first one where there is none', async () => {
    const page = await pageOf(BatchList, entriesUntil(200), START_MS);
    expect(page.text()).toMatch(/Pot ?Strained yogurt ?begun .* ?on the way/);
  });

  it('tints a crock by what was read, or by what was wanted where nobody measured', async () => {
    const tint = async (...more: Parameters<typeof entriesUntil>[1][]) => {
      const page = await pageOf(BatchList, entriesUntil(1240, ...more), START_MS);
      return (page.fixture.debugElement.query(By.directive(Crock)).componentInstance as Crock).ph();
    };
    const end: EntryBody = { type: 'finished', productG: 1700, wheyG: null, heldBackG: null, score: null };
    expect(await tint()).toBe(6.6);
    expect(await tint([1245, end])).toBe(4.5);
    expect(await tint([900, { type: 'reading', quantity: 'ph', value: 4.21, by: 'meter' }], [1245, end])).toBe(4.21);
  });

  it('is not silent when empty', async () => {
    const page = await pageOf(BatchList, [], START_MS);
    expect(page.text()).toContain('No make has been started');
  });
});
