import { TestBed } from '@angular/core/testing';
import { METRIC } from '@oat-crock/core';
import { entriesUntil, START_MS } from '../../testing/followed';
import { pageOf, type TestPage } from '../../testing/page';
import { until } from '../../testing/until';
import { measureIn } from '../ui/reader';
import { bodyProblems } from './check-body';
import { LogPad } from './log-pad';
import { LogPadState, type PadTab } from './log-pad.state';
import { english } from '@oat-crock/messages';

const ID = '01J00000000000000000000BTC';
const NOW = START_MS + 200 * 60_000;

describe('the log pad', () => {
  let page: TestPage<LogPad>;
  const pad = () => TestBed.inject(LogPadState);
  const open = async (tab: PadTab, correcting: string | null = null) => {
    pad().open(ID, tab, correcting);
    await page.fixture.whenStable();
  };
  const type = async (text: string) => {
    for (const key of text) document.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }));
    document.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true }));
    await until(() => !pad().request() || shown().includes('Give'));
    await page.fixture.whenStable();
  };
  const shown = () => document.querySelector('.pad')?.textContent ?? '';

  beforeEach(async () => {
    page = await pageOf(LogPad, entriesUntil(200), NOW);
  });
  afterEach(() => pad().close());

  it('takes a temperature typed on the keyboard, with a comma for a point', async () => {
    await open('tempC');
    await type('42,5');
    expect(page.written()[0]!.body).toEqual({ type: 'reading', quantity: 'tempC', value: 42.5, by: 'thermometer' });
    expect(page.written()[0]!.atMs).toBe(NOW);
    expect(pad().request()).toBeNull();
  });

  it('takes nothing of the very key that opened it', async () => {
    const opener = (event: KeyboardEvent) => {
      pad().open(ID, 'tempC');
      event.preventDefault();
    };
    document.addEventListener('keydown', opener, { once: true, capture: true });
    document.dispatchEvent(new KeyboardEvent('keydown', { key: 'l', bubbles: true, cancelable: true }));
    await page.fixture.whenStable();
    await type('24.5');
    expect(page.written()[0]!.body).toEqual(jasmine.objectContaining({ quantity: 'tempC', value: 24.5 }));
  });

  it('loses no key that is pressed at the very moment it is opened, or before it is there', async () => {
    const press = (text: string) => {
      for (const key of text) document.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }));
    };
    for (const text of ['14', '4.55', '85.5']) {
      pad().open(ID, 'wheyG');
      press(text);
      await page.fixture.whenStable();
      expect(document.querySelector('.shown')!.textContent).toContain(text);
    }
    const state = new LogPadState();
    state.open(ID);
    for (const key of ['4', '1', '.', '5']) state.typeEarly(key);
    expect(state.listen()).toEqual(['4', '1', '.', '5']);
    state.typeEarly('6');
    expect(state.listen()).toEqual([]);
  });

  it('refuses a pH that cannot be, in words, and stays open with what was typed', async () => {
    await open('ph');
    await type('46');
    expect(page.written()).toEqual([]);
    expect(shown()).toContain('Give 9 or less.');
    expect(shown()).toContain('46');
  });

  it('takes an amount in other words than its unit, typed or pasted, and says what it understood', async () => {
    await open('tempC');
    for (const key of '110 °F') document.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }));
    await page.fixture.whenStable();
    expect(shown()).toContain('That is 43.33 °C.');
    await type('');
    await open('tempC');
    const data = new DataTransfer();
    data.setData('text', ' 68 f ');
    document.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true }));
    await type('');
    const values = page.written().map(({ body }) => (body.type === 'reading' ? body.value : null));
    expect(values.sort()).toEqual([20, 43.33]);
  });

  it('logs nothing of what it does not understand, and says so', async () => {
    await open('tempC');
    for (const key of '2 qats') document.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }));
    document.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true }));
    await page.fixture.whenStable();
    expect(page.written()).toEqual([]);
    expect(shown()).toContain('“2 qats” is no amount in °C.');
  });

  it('takes one point only, and deletes', async () => {
    await open('ph');
    for (const key of ['4', '.', '.', '6', '7', 'Backspace']) {
      document.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }));
    }
    await page.fixture.whenStable();
    expect(document.querySelector('.shown')!.textContent).toContain('4.6');
  });

  it('corrects a line at the time of that line', async () => {
    const note = [150, { type: 'note', text: 'calm' }] as const;
    TestBed.resetTestingModule();
    page = await pageOf(LogPad, entriesUntil(200, note), NOW);
    const line = entriesUntil(200, note).at(-1)!;
    await open('note', line.id);
    expect(document.querySelector('textarea')!.value).toBe('calm');
  });

  it('asks for the looks of the stage at hand', async () => {
    await open('cue');
    expect([...document.querySelectorAll('.pad [role=group].look')].map((l) => l.getAttribute('aria-label'))).toEqual([
      'Tilt it: how does it stand?',
      'Whey on top?',
      'A clean spoon: how does it taste?',
      'How does it smell?',
    ]);
  });
});

describe('the log pad of a household in ounces and Fahrenheit', () => {
  let page: TestPage<LogPad>;
  const open = async (tab: PadTab, correcting: string | null = null) => {
    TestBed.inject(LogPadState).open(ID, tab, correcting);
    await page.fixture.whenStable();
  };
  const press = (...keys: string[]) => {
    for (const key of keys) document.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }));
  };

  beforeEach(async () => {
    measureIn({ temperature: 'F', mass: 'oz', volume: 'us' });
    page = await pageOf(LogPad, entriesUntil(200), NOW);
  });
  afterEach(() => {
    TestBed.inject(LogPadState).close();
    measureIn(METRIC);
  });

  it('is typed in their units and keeps the metric figure', async () => {
    await open('tempC');
    expect(document.querySelector('.shown')!.textContent).toContain('°F');
    press('1', '0', '4', 'Enter');
    await until(() => page.written().length > 0);
    const { body } = page.written()[0]!;
    expect(body.type === 'reading' && body.value).toBeCloseTo(40, 9);
  });

  it('says its bounds in them', async () => {
    await open('tempC');
    press('3', '0', '0', 'Enter');
    await until(() => document.querySelector('.wrong') !== null);
    expect(document.querySelector('.wrong')!.textContent).toContain('Give 230 °F or less.');
    expect(page.written()).toEqual([]);
  });

  it('leaves a line that is corrected to the same as it was, to its last digit', async () => {
    const stood = 42.3717;
    const log = entriesUntil(200, [190, { type: 'reading', quantity: 'tempC', value: stood, by: 'thermometer' }]);
    TestBed.resetTestingModule();
    page = await pageOf(LogPad, log, NOW);
    await open('tempC', log.at(-1)!.id);
    expect(document.querySelector('.shown')!.textContent).toContain('108.27');
    press('Enter');
    await until(() => page.written().length > 0);
    const { body } = page.written()[0]!;
    expect(body.type === 'correction' && body.body?.type === 'reading' && body.body.value).toBe(stood);
  });
});

describe('checking before logging', () => {
  it('uses the server’s own bounds', async () => {
    expect(await bodyProblems({ type: 'reading', quantity: 'wheyG', value: 500, by: 'scale' })).toEqual([]);
    const [problem] = await bodyProblems({ type: 'reading', quantity: 'wheyG', value: -5, by: 'scale' });
    expect(english(problem!.remedy)).toBe('Give 0 or more.');
    expect(english((await bodyProblems({ type: 'note', text: '' }))[0]!.remedy)).toBe('Write something.');
  });
});
