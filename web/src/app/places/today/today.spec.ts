import { pageOf } from '../../testing/page';
import { entriesUntil, START_MS } from '../../testing/followed';
import { RoomActions } from '../../state/room.feature';
import { Today } from './today';

import { WITHOUT_WORKER } from '../../testing/engine';

const MIN = 60_000;
const at = (minute: number, ...more: Parameters<typeof entriesUntil>[1][]) =>
  pageOf(Today, entriesUntil(minute, ...more), START_MS + minute * MIN);

describe('Today', () => {
  it('of an empty dairy asks what a first make needs', async () => {
    const page = await pageOf(Today, [], START_MS, {}, [WITHOUT_WORKER]);
    expect(page.element.querySelector('oc-first-make')).not.toBeNull();
  });

  it('shows the next hands large, with amounts, what to look for and their give', async () => {
    const page = await at(200);
    const first = page.element.querySelector('oc-task-card')!;
    expect(first.textContent).toMatch(/Spoon \d+ g into a clean jar/);
    expect(first.textContent).toContain('It leaves the wall');
    expect(first.textContent).toMatch(/it can wait until \d\d:\d\d/);
    expect(page.element.querySelectorAll('oc-task-card').length).toBe(3);
  });

  it('records the hands with one touch, at this moment, by hand', async () => {
    const page = await at(200);
    await page.click(/^It is sour enough\. Spoon/);
    const [entry] = page.written();
    expect(entry!.body).toEqual({ type: 'step', stageId: 'chill' });
    expect([entry!.atMs, entry!.source]).toEqual([START_MS + 200 * MIN, 'hand']);
  });

  it('joins hands that follow each other into one visit, and leaves single ones alone', async () => {
    const visits = async (minute: number) =>
      [...(await at(minute)).element.querySelectorAll('.visit')].map((v) => v.textContent);
    const [first, ...others] = await visits(2);
    expect(first).toMatch(/^One visit, \d\d:\d[05] to \d\d:\d[05]: 6 things for your hands, \d+ min in all$/);
    expect(others).toEqual([]);
    expect(await visits(200)).toEqual([]);
  });

  it('takes a look in one touch', async () => {
    const page = await at(200);
    await page.click('wobbles');
    expect(page.written()[0]!.body).toEqual({ type: 'cue', cue: 'set', answer: 'wobbles' });
  });

  it('says of each pour what it is doing and when it will be ready', async () => {
    const page = await at(200);
    const aside = page.element.querySelector('aside')!.textContent.replace(/\s+/g, ' ');
    expect(aside).toMatch(/Sour enough: likely \d\d:\d\d, between \d\d:\d\d and \d\d:\d\d/);
    expect(aside).toMatch(/Keep warm · 4\d\.\d °C · pH \d\.\d\d/);
  });

  it('says what the evidence calls for, and what is on hold, by whom', async () => {
    const page = await at(360, [355, { type: 'cue', cue: 'taste', answer: 'sharp' }]);
    expect(page.element.querySelector('oc-task-card .call')!.textContent).toMatch(/as sour as wanted|tastes sharp/);
    const held = await at(200, [150, { type: 'held', by: 'Ine', reason: 'Smelled of yeast.' }]);
    expect(held.element.querySelector('aside')!.textContent).toContain('On hold, by Ine: Smelled of yeast.');
  });

  it('says how warm the room is where a logger reads it, and what that does', async () => {
    const page = await at(200);
    expect(page.text()).not.toContain('in the room');
    page.store.dispatch(RoomActions.received({ readings: [{ atMs: START_MS + 190 * MIN, tempC: 17.2 }] }));
    await page.fixture.whenStable();
    expect(page.text()).toMatch(/17\.2 °C in the room, 10 min ago: 2\.8 °C cooler than usual, so .* takes longer\./);
    page.store.dispatch(RoomActions.received({ readings: [{ atMs: START_MS + 195 * MIN, tempC: 20.3 }] }));
    await page.fixture.whenStable();
    expect(page.text()).toContain('as usual at this hour');
  });

  it('says hold in so many words when a make is far over its time', async () => {
    const page = await pageOf(Today, entriesUntil(71), START_MS + (71 + 560) * MIN);
    expect(page.text()).toContain('nobody has measured pH 4.6');
  });

  it('sends the last hands to the make’s own page, to be weighed', async () => {
    const page = await at(1250);
    const link = page.element.querySelector('a[data-next-hands]')!;
    expect(link.getAttribute('href')).toMatch(/^\/make\//);
  });

  it('rests when nothing is on, and keeps an eye on the starter held back', async () => {
    const done = [1260, { type: 'finished', productG: 1700, wheyG: 2200, heldBackG: 120, score: null }] as const;
    const page = await pageOf(Today, entriesUntil(1250, done), START_MS + (1260 + 3 * 1440) * MIN);
    expect(page.text()).toContain('Your hands are free');
    expect(page.text()).toContain('120 g starter');
    expect(page.text()).toContain('4 days old');
  });
});
