import type { Access, Instrument, InstrumentMade, Me } from '@oat-crock/contract/api';
import { AccessActions } from '../../state/access.feature';
import { InstrumentActions } from '../../state/instruments.feature';
import { InstrumentClient } from '../../state/instrument-client';
import { entriesUntil, START_MS } from '../../testing/followed';
import { pageOf } from '../../testing/page';
import { probeOf } from '../../testing/probe';
import { until } from '../../testing/until';
import { InstrumentsPlace } from './instruments';

const MIN = 60_000;
const NOW = START_MS + 20 * MIN;
const MINE = probeOf({ id: 'mine', name: 'Mine', simulated: false, lastMs: NOW - 3 * MIN, lastValue: 4.62 });
const ICE = probeOf({ id: 'ice', name: 'By the stove', kind: 'thermometer', quantity: 'tempC' });
const MADE: InstrumentMade = { instrument: MINE, token: 'tok-en' };
const access = (role: Me['role']): Access => ({
  ...{ closed: true, hasPassphrase: true, calendarKey: 'k' },
  me: { deviceId: 'd', name: 'tablet', maker: 'Per', role, endsMs: null },
});

async function place(role: Me['role'] = 'keeps', instruments: readonly Instrument[] = [MINE, ICE], wire: object = {}) {
  const asked: unknown[][] = [];
  const hear =
    (name: string, answer: unknown) =>
    (...args: unknown[]) => (asked.push([name, ...args]), Promise.resolve(answer));
  const client = {
    ...{ add: hear('add', MADE), change: hear('change', MINE), place: hear('place', MINE) },
    ...{ renewToken: hear('renewToken', MADE), remove: hear('remove', {}), check: hear('check', MINE) },
    log: hear('log', { kept: 2, thinned: 0, impossible: [], outside: 1 }),
    ...{ forgetCheck: hear('forgetCheck', MINE), ...wire },
  };
  const page = await pageOf(
    InstrumentsPlace,
    entriesUntil(20),
    NOW,
    {},
    [{ provide: InstrumentClient, useValue: client }],
    [AccessActions.received({ access: access(role) }), InstrumentActions.received({ instruments })],
  );
  await page.fixture.whenStable();
  return { ...page, asked };
}

describe('the instruments', () => {
  it('show what each reads and when, are renamed, paused and taken away', async () => {
    const { asked, click, fill, text } = await place();
    expect(text()).toMatch(/pH meter\s+pH 4\.62, 3 min ago/);
    expect(text()).toContain('Thermometer, simulated');
    await fill('article input', ' In the pot ', 'change');
    expect(asked.at(-1)).toEqual(['change', 'mine', { name: 'In the pot', isPaused: false }]);
    await fill('article input', ' ', 'change');
    expect(asked.length).toBe(1);
    await click('Pause Mine');
    expect(asked.at(-1)).toEqual(['change', 'mine', { name: 'Mine', isPaused: true }]);
    await until(() => text().includes('Mine is paused.'));
    await click('Take Mine away');
    await until(() => text().includes('Mine is gone; what it read stays.'));
  });

  it('are added; the token is shown with a line to try it, and only a real one has a new one', async () => {
    const { asked, click, element, fill, submit, text } = await place();
    await submit('oc-add-instrument');
    expect(text()).toContain('say what it is called');
    await fill('#add-name', 'Mine');
    await submit('oc-add-instrument');
    await until(() => element.querySelector('pre') !== null);
    expect(asked.at(-1)).toEqual(['add', 'Mine', 'thermometer']);
    const line = element.querySelector('pre')!.textContent!;
    expect(line).toContain('/api/v1/instruments/mine/readings');
    expect(line).toContain("-H 'Authorization: Bearer tok-en'");
    expect(JSON.parse(/-d '(.+)'$/.exec(line)![1]!)).toEqual({ readings: [{ value: 6.6 }] });
    const renews = [...element.querySelectorAll('button')].filter((b) => b.textContent!.includes('New token'));
    expect(renews.length).toBe(1);
    await click('New token for Mine');
    expect(asked.at(-1)).toEqual(['renewToken', 'mine']);
  });

  it('are checked in buffers or ice water: what comes of it is said while it is filled in', async () => {
    const { asked, click, element, fill, submit, text } = await place();
    await click('Check Mine');
    await until(() => element.querySelector('oc-check-form') !== null);
    await submit('oc-check-form');
    expect(text()).toContain('Fill in what it showed.');
    await fill('#check-mineneutral', '7.2');
    await fill('#check-mineacid', '5.5');
    expect(text()).toContain('not to be relied on');
    await fill('#check-mineacid', '4.2');
    expect(text()).toContain('Slope 99 % of the ideal: sound.');
    await submit('oc-check-form');
    await until(() => text().includes('Mine reads corrected from now on.'));
    expect(asked.at(-1)).toEqual([
      ...['check', 'mine', { by: 'buffers', shows: 'ph', tempC: 20, reads: { 'pH 4.01': 4.2, 'pH 7.00': 7.2 } }],
    ]);
    await click('Check By the stove');
    await until(() => text().includes('crushed ice'));
    await fill('#check-icereadsC', '1.2');
    expect(text()).toContain('what it reads is corrected by that');
  });

  it('say how they were checked until that is forgotten', async () => {
    const check = { atMs: NOW, checked: { by: 'ice', readsC: 0.2 } } as const;
    const { asked, click, text } = await place('works', [{ ...ICE, check }]);
    expect(text()).toMatch(/Checked .*Off by 0\.2 °C in ice water: sound\./);
    await click('Forget that');
    expect(asked.at(-1)).toEqual(['forgetCheck', 'ice']);
    expect(text()).toContain('Whoever keeps the dairy adds instruments.');
    expect(text()).not.toContain('Take away');
  });

  it('say why something was not done, and what could be one where there is none', async () => {
    const { click, text } = await place('keeps', [MINE], { remove: () => Promise.reject(new Error('away')) });
    await click('Take Mine away');
    await until(() => text().includes('does not answer'));
    expect((await place('keeps', [])).text()).toContain('None yet.');
  });

  it('have a logger’s file read in: columns guessed, the clock corrected, the make it stood in found', async () => {
    const { asked, click, element, fill, submit, text, fixture } = await place();
    await click('Read a file of By the stove in');
    await until(() => element.querySelector('oc-logger-form') !== null);
    const clock = (min: number) => new Date(START_MS + min * MIN).toISOString().slice(0, 16).replace('T', ' ');
    const lines = [-5, 5, 10].map((min, i) => `${i + 1};${clock(min + 60)};${40 + i},5`);
    const files = new DataTransfer();
    files.items.add(new File([`No.;Time;Temp (°C)\n${lines.join('\n')}\nstopped;;`], 'logger.csv'));
    const chooser = element.querySelector<HTMLInputElement>('oc-logger-form input[type=file]')!;
    chooser.files = files.files;
    chooser.dispatchEvent(new Event('change'));
    await until(() => text().includes('3 readings from'));
    expect(text()).toContain('40.5 °C to 42.5 °C; 1 line left out.');
    expect(text()).toContain('lies ahead of now');
    await submit('oc-logger-form');
    expect(text()).toContain('No make was on while it read');
    await fill('#file-iceaheadMin', '60');
    await fixture.whenStable();
    expect(text()).not.toContain('lies ahead of now');
    await submit('oc-logger-form');
    await until(() => text().includes('2 readings kept, 1 outside of the make.'));
    const [what, id, batchId, readings] = asked.at(-1)!;
    expect([what, id, typeof batchId]).toEqual(['log', 'ice', 'string']);
    expect(readings).toEqual(
      [-5, 5, 10].map((min, i) => ({ atMs: Math.floor(START_MS / MIN) * MIN + min * MIN, value: 40.5 + i })),
    );
  });
});
