import { TestBed } from '@angular/core/testing';
import { samplePlannedBatch } from '../../testing/planned';
import { RecordActions } from '../../state/records.feature';
import { entriesUntil, START_MS } from '../../testing/followed';
import { pageOf } from '../../testing/page';
import { AlertAsk } from '../../places/today/alert-ask';
import { Alerts, DEVICE_NOTES } from './alerts';
import { Bell } from './bell';

const MIN = 60_000;

describe('being told of hands', () => {
  let rung = 0;
  let notes: string[] = [];
  let may = true;
  const stands = () => [
    { provide: Bell, useValue: { ring: () => void rung++ } },
    {
      provide: DEVICE_NOTES,
      useValue: {
        may: () => Promise.resolve(may),
        show: (title: string, text: string) => void notes.push(`${title}: ${text}`),
      },
    },
  ];
  /** Today at a minute of the make; its hold is over at minute 46. */
  const at = async (minute: number) => {
    const page = await pageOf(AlertAsk, entriesUntil(minute), START_MS + minute * MIN, {}, stands());
    const alerts = TestBed.inject(Alerts);
    await page.fixture.whenStable();
    TestBed.tick();
    return { page, alerts };
  };

  beforeEach(() => {
    localStorage.removeItem('oat-crock-alerts');
    [rung, notes, may] = [0, [], true];
  });
  afterAll(() => localStorage.removeItem('oat-crock-alerts'));

  it('asks once, in words; the device only where its notes are wanted', async () => {
    const { page, alerts } = await at(35);
    expect(page.text()).toContain('Shall this device tell you when hands are near?');
    await page.click('Chime alone');
    expect(alerts.by()).toBe('chime');
    await page.fixture.whenStable();
    expect(page.text()).toContain('Hands that are near ring here.');
    const again = await at(35);
    expect(again.page.text()).not.toContain('Shall this device');
  });

  it('falls back to the chime where the device says no', async () => {
    may = false;
    const { page, alerts } = await at(35);
    await page.click('Chime and note');
    await page.fixture.whenStable();
    expect(alerts.by()).toBe('chime');
  });

  it('rings once when hands are near, with what to do, and not for those far off', async () => {
    localStorage.setItem('oat-crock-alerts', JSON.stringify({ by: 'chime and note' }));
    const early = await at(35);
    expect(early.alerts.near()).toEqual([]);
    expect(rung).toBe(0);
    const { alerts } = await at(45);
    expect(alerts.near().length).toBe(1);
    expect(rung).toBe(1);
    expect(notes.length).toBe(1);
    expect(notes[0]).toMatch(/^Pot: Stand the pot in cold water/);
    expect(alerts.said()).toMatch(/^08:45, Pot: Stand the pot/);
    TestBed.tick();
    expect(rung).toBe(1);
  });

  it('stays silent where it was told to, and still says it in words', async () => {
    localStorage.setItem('oat-crock-alerts', JSON.stringify({ by: 'nothing' }));
    const { alerts } = await at(45);
    expect(rung).toBe(0);
    expect(alerts.said()).toContain('Stand the pot');
  });

  it('rings for what the plan has begun or fed, once, and again where that was moved', async () => {
    localStorage.setItem('oat-crock-alerts', JSON.stringify({ by: 'chime and note' }));
    const { page, alerts } = await at(20);
    rung = 0;
    notes = [];
    const nowMs = START_MS + 20 * MIN;
    const tell = async (startMs: number, version: number) => {
      const item = samplePlannedBatch({ name: 'Quark', whom: 'the bakery', startMs });
      page.store.dispatch(RecordActions.received({ records: { plannedBatches: [{ version, goneMs: null, item }] } }));
      await page.fixture.whenStable();
      TestBed.tick();
    };
    await tell(nowMs + 60 * MIN, 1);
    expect(rung).toBe(0);
    await tell(nowMs + 2 * MIN, 2);
    expect(rung).toBe(1);
    expect(notes).toEqual(['Quark for the bakery: Begin it.']);
    expect(alerts.near().length).toBe(1);
    await tell(nowMs + 2 * MIN, 3);
    expect(rung).toBe(1);
    await tell(nowMs + 1 * MIN, 4);
    expect(rung).toBe(2);
  });
});
