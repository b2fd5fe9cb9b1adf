import { localTime, momentAt } from '@oat-crock/calendar';
import { HOUR, NOW, openPlan, order, written } from '../testing/plan-page';

describe('a search for plans', () => {
  // Wanted at one, so that a make may begin some hours later than is best and still be in time.
  const at = (hours: number) => ({ is: 'once', atMs: NOW + hours * HOUR }) as const;
  const two = [order(1, { due: at(76) }), order(2, { whom: 'the school', due: at(100) })];
  const taken = async () => {
    const page = await openPlan({ orders: two });
    await page.key('t');
    return page;
  };

  it('says of two leanings that come to the same that they do', async () => {
    const { desk } = await openPlan({ orders: [order(1)] });
    const found = desk.searching()!.found;
    expect(found.map((f) => f.of)).toEqual(['even', 'fresh', 'early']);
    expect(found[0]!.sameAs).toBeNull();
    for (const { sameAs, pours } of found.filter((f) => f.sameAs !== null)) {
      const other = found.find((f) => f.of === sameAs)!;
      expect(Math.abs(pours[0]!.startMs - other.pours[0]!.startMs)).toBeLessThanOrEqual(HOUR);
    }
  });

  it('that another takes the place of is heard no more', async () => {
    const { desk } = await taken();
    const first = desk.searchAnew();
    const second = desk.suppose({ is: 'out of use', gear: 'Small box' });
    await Promise.all([first, second]);
    expect(desk.searching()!.supposing).toEqual({ is: 'out of use', gear: 'Small box' });
    expect(desk.searching()!.found.map((f) => f.of)).toEqual(['mend']);
    expect(desk.searching()!.running).toBeFalse();
    const third = desk.searchAnew();
    desk.close();
    await third;
    expect(desk.searching()).toBeNull();
  });

  it('shows what would be left out and why, were a box out of use, and takes nothing of it by itself', async () => {
    const page = await taken();
    const before = written(page).map((p) => p.startMs);
    await page.desk.suppose({ is: 'out of use', gear: 'Small box' });
    await page.settled();
    expect(page.text()).toContain('What if the Small box is out of use');
    expect(page.text()).toContain('Scalded yogurt for the quay: It wants a thermostat, and the larder has none.');
    expect(page.text()).toContain('Scalded yogurt for the school is left out.');
    expect(written(page).map((p) => p.startMs)).toEqual(before);
  });

  it('moves what a late delivery is wanted for, and names when its hands then come', async () => {
    const page = await taken();
    await page.desk.suppose({ is: 'comes late', what: 'milk', byMin: 120 });
    await page.settled();
    expect(page.text()).toContain('What if the milk comes 2 h late');
    const [found] = page.desk.searching()!.found;
    const first = Math.min(...written(page).map((p) => p.startMs));
    for (const pour of found!.pours) expect(pour.startMs).toBeGreaterThanOrEqual(first + 2 * HOUR);
    expect(page.text()).toMatch(/is begun \w+ \d\d:\d\d, .+ later; its hands then come \w+ \d\d:\d\d/);
    await page.click(/^Show it: Moving as little/);
    await page.settled();
    expect(page.text()).toContain('Not taken yet: Moving as little as it must.');
  });
});

describe('the planner', () => {
  it('knows nothing of a pour it was not told of', async () => {
    const { desk } = await openPlan({ orders: [order(1)] });
    expect(await desk.moved('01J0000000000000000000NONE', NOW, null)).toBeNull();
  });

  it('keeps a pour by its id from one question to the next, and says again where it is', async () => {
    const { desk } = await openPlan({ orders: [order(1)] });
    const [pour] = desk.standing()!.pours;
    const same = await desk.moved(pour!.id, pour!.startMs, null);
    expect(same!.pour).toEqual(pour!);
    expect(same!.breaks).toEqual([]);
    const night = momentAt(localTime(pour!.startMs, 'UTC'), 2, 'UTC');
    const moved = await desk.moved(pour!.id, night, null);
    expect(moved!.pour.id).toBe(pour!.id);
    expect(moved!.pour.accepted).toContain('night');
    expect(moved!.breaks.map((b) => b.is)).toContain('night');
    expect(moved!.repair!.startMs).not.toBe(night);
  });
});
