import { Subject } from 'rxjs';
import type { OddRecord } from '@oat-crock/contract/api';
import { Actions } from '@ngrx/effects';
import { say } from '@oat-crock/core';
import { OddActions } from '../state/odd.feature';
import { pageOf } from '../testing/page';
import { NOW } from '../testing/soured-makes';
import { Shell } from './shell';

const record = (id: string, name: string): OddRecord => ({
  ...{ family: 'lots', id, version: 3, name, field: 'useBy' },
  message: say('problem.day'),
});

describe('records that stand as they would not be written', () => {
  it('are said at the head of every page one at a time, with what is wrong, and can be taken away', async () => {
    const told = [OddActions.received({ odd: [record('a', 'Evening milk'), record('b', '')] })];
    const page = await pageOf(Shell, [], NOW, {}, [{ provide: Actions, useValue: new Subject() }], told);
    const dispatched = spyOn(page.store, 'dispatch').and.callThrough();
    expect(page.text()).toMatch(/2 records .*Evening milk.*useBy/);
    await page.click('Take it away');
    expect(dispatched.calls.mostRecent().args[0] as unknown).toEqual(
      OddActions.takeAway({ record: record('a', 'Evening milk') }),
    );
    page.store.dispatch(OddActions.received({ odd: [record('b', '')] }));
    await page.fixture.whenStable();
    expect(page.text()).toMatch(/One record .*\?/);
    page.store.dispatch(OddActions.received({ odd: [] }));
    await page.fixture.whenStable();
    expect(page.text()).not.toContain('Take it away');
  });
});
