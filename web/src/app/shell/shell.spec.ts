import { entriesUntil, START_MS } from '../testing/followed';
import { pageOf } from '../testing/page';
import { ClockActions, clockFeature } from '../state/clock.feature';
import { LogActions } from '../state/log.feature';
import { Logger } from '../state/logger';
import { LogPadState } from '../shared/log/log-pad.state';
import { TestBed } from '@angular/core/testing';
import { Shell } from './shell';

const MIN = 60_000;
const open = () => pageOf(Shell, entriesUntil(200), START_MS + 200 * MIN);
const press = (key: string, target: EventTarget = document) =>
  target.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }));

describe('the shell', () => {
  it('names its places, its time and the pours on the shelf', async () => {
    const page = await open();
    expect(page.text()).toContain('Today');
    expect(page.text()).toMatch(/Mon 23 Nov 11:20/);
    expect(page.element.querySelectorAll('oc-shelf oc-pour').length).toBe(1);
  });

  it('says that the server is away, that work goes on, and how much waits', async () => {
    const page = await open();
    page.store.dispatch(ClockActions.lineLost());
    page.store.dispatch(
      LogActions.logged({ entries: [{ ...entriesUntil(0)[0]!, id: 'z', body: { type: 'note', text: 'x' } }] }),
    );
    await page.fixture.whenStable();
    expect(page.text()).toContain('not answering');
    expect(page.text()).toContain('1 waiting');
  });

  it('says that this device’s clock is off only where it is far off', async () => {
    const page = await open();
    const compared = async (aheadMs: number) => {
      const clock = page.store.selectSignal(clockFeature.selectClock)()!;
      page.store.dispatch(ClockActions.compared({ clock, aheadMs }));
      await page.fixture.whenStable();
      return page.text();
    };
    expect(await compared(2 * MIN - 1)).not.toContain('This device’s clock');
    expect(await compared(2 * MIN)).toContain('This device’s clock is 2 min fast.');
    expect(await compared(-20 * MIN)).toContain('This device’s clock is 20 min slow.');
  });

  it('says what the server would not take, until it is seen', async () => {
    const page = await open();
    const errors = [{ field: 'body.value', message: 'value must be less.', remedy: 'Give 9 or less.' }];
    const entry = { ...entriesUntil(0)[0]!, id: 'z', body: { type: 'note', text: 'x' } } as const;
    page.store.dispatch(LogActions.refused({ entry, errors }));
    await page.fixture.whenStable();
    expect(page.text()).toContain('Give 9 or less.');
    await page.click('I have seen it');
    expect(page.text()).not.toContain('Give 9 or less.');
  });

  it('takes back by U what this page wrote, naming the pot and the line, and writes it again by Y', async () => {
    const page = await open();
    const pressed = async (key: string) => {
      press(key);
      await page.fixture.whenStable();
      return page.text();
    };
    // eight hours of lines that others wrote are not this page's to take back
    expect(await pressed('u')).toContain('There is nothing of yours to take back');
    expect(page.written()).toEqual([]);
    TestBed.inject(Logger).write(entriesUntil(0)[0]!.batchId, { type: 'step', stageId: 'chill' });
    const said = await pressed('u');
    expect(said).toMatch(/Taken back, .+: Began: chill/);
    expect(page.written().at(-1)!.body).toEqual(jasmine.objectContaining({ type: 'correction', body: null }));
    expect(await pressed('y')).toMatch(/Written again, .+: Began: chill/);
    await pressed('u');
    await page.click(/Write it again/);
    expect(page.text()).toContain('Written again');
    expect(await pressed('y')).toContain('Nothing was taken back');
  });

  it('opens the pad by L, but leaves keys typed into a field to the field', async () => {
    const page = await open();
    const pad = TestBed.inject(LogPadState);
    const field = document.createElement('input');
    page.element.append(field);
    press('l', field);
    expect(pad.request()).toBeNull();
    press('l');
    expect(pad.request()!.batchId).toBe('01J00000000000000000000BTC');
    pad.close();
  });

  it('shows its keys by ?, and asks to hurry the clock only where it can be hurried', async () => {
    const page = await open();
    press('?');
    await page.fixture.whenStable();
    expect(page.element.querySelector('oc-keys')).not.toBeNull();
    expect(page.element.querySelector('.rates')).not.toBeNull();
    const clock = { rate: 1, realMs: 0, kitchenMs: START_MS, adjustable: false };
    page.store.dispatch(ClockActions.received({ clock }));
    await page.fixture.whenStable();
    expect(page.element.querySelector('.rates')).toBeNull();
  });
});
