import { TestBed } from '@angular/core/testing';
import { follow, replay } from '@oat-crock/core';
import { FollowActions } from '../../state/follow.feature';
import { Logger } from '../../state/logger';
import { entriesUntil, START_MS } from '../../testing/followed';
import { pageOf } from '../../testing/page';
import { HeardLine } from './heard';

const ID = '01J00000000000000000000BTC';
const NOW = START_MS + 200 * 60_000;

describe('what is said to the line that was logged last', () => {
  const heardOf = async (tempC: number) => {
    const entries = entriesUntil(200);
    const page = await pageOf(HeardLine, entries, NOW);
    const logger = TestBed.inject(Logger);
    const entry = logger.write(ID, { type: 'reading', quantity: 'tempC', value: tempC, by: 'thermometer' });
    const followed = follow(replay([...entries, entry])!, NOW, { members: 60, seed: 1, fanPoints: 4 });
    page.store.dispatch(FollowActions.workedOut({ followed }));
    await page.fixture.whenStable();
    return { page, logger };
  };

  it('stands until it is read', async () => {
    const { page } = await heardOf(56);
    expect(page.text()).toContain('56');
    expect(page.text()).toContain('The starter dies at this');
    expect(page.element.querySelector('p')!.classList).toContain('bad');
    await page.click('All right');
    expect(page.text().trim()).toBe('');
  });

  it('goes with the line it is said to', async () => {
    const { page, logger } = await heardOf(43);
    expect(page.text()).not.toBe('');
    const [entry] = page.written();
    logger.write(ID, { type: 'correction', replaces: entry!.id, body: null });
    await page.fixture.whenStable();
    expect(page.text().trim()).toBe('');
  });
});
