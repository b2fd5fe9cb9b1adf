import type { Action } from '@ngrx/store';
import { USUAL_SETTINGS, type Settings } from '@oat-crock/contract/api';
import { householdSelectors } from '../state/household';
import { householdRecord, HOUSEHOLD_ID } from '../state/record-writing';
import { RecordActions } from '../state/records.feature';
import { pageOf } from '../testing/page';
import { turns, until } from '../testing/until';
import { HouseholdForm } from './household';

async function open() {
  const page = await pageOf(HouseholdForm, [], 0);
  let closed = 0;
  page.fixture.componentInstance.closed.subscribe(() => closed++);
  const money = page.element.querySelector<HTMLInputElement>('#household-currency')!;
  const pay = async (text: string) => {
    money.value = text;
    money.dispatchEvent(new Event('input'));
    await page.fixture.whenStable();
  };
  const tell = async (action: Action) => {
    page.store.dispatch(action);
    await page.fixture.whenStable();
  };
  const settings = page.store.selectSignal(householdSelectors.selectSettings);
  const writing = page.store.selectSignal(householdSelectors.selectWriting);
  return { ...page, pay, tell, money, settings, writing, closed: () => closed };
}

const told = (version: number, change: Partial<Settings>) =>
  RecordActions.received({
    records: { settings: [householdRecord({ version, settings: { ...USUAL_SETTINGS, ...change } })] },
  });

describe('the household', () => {
  it('shows what is set, each with its label and why it is asked', async () => {
    const { element, text } = await open();
    for (const input of element.querySelectorAll<HTMLInputElement>('input')) {
      expect(element.querySelector(`label[for="${input.id}"]`))
        .withContext(input.id)
        .not.toBeNull();
    }
    expect(element.querySelector<HTMLInputElement>('#household-refrigeratorC')!.value).toBe('4 °C');
    expect(text()).toContain('Sets how fast it chills and drains.');
  });

  it('closes once what it sent was taken, and not before', async () => {
    const { pay, click, tell, closed, writing } = await open();
    await pay('kr');
    await click('Save');
    expect(closed()).toBe(0);
    await tell(told(1, { roomC: 17 }));
    await turns(10);
    expect(closed()).toBe(0);
    const sent = writing()!.draft;
    const [kept] = told(2, { roomC: 17, currency: 'kr' }).records.settings!;
    await tell(RecordActions.saved({ family: 'settings', kept: kept!, sent }));
    await until(() => closed() === 1);
  });

  it('stays open and says why where it was refused', async () => {
    const { pay, click, tell, closed, text } = await open();
    await pay('too much money');
    await click('Save');
    await tell(
      RecordActions.refused({
        id: HOUSEHOLD_ID,
        errors: [{ field: 'currency', message: 'currency is too long.', remedy: 'Keep it to 6 characters.' }],
      }),
    );
    await turns(10);
    expect(closed()).toBe(0);
    expect(text()).toContain('currency is too long. Keep it to 6 characters.');
  });

  it('is not saved over a number that was not taken: it stays open, at that field', async () => {
    const { element, fixture, click, closed, writing } = await open();
    const hob = element.querySelector<HTMLInputElement>('#household-hobW')!;
    hob.value = '1';
    hob.dispatchEvent(new Event('input'));
    await fixture.whenStable();
    await click('Save');
    await turns(10);
    expect([closed(), writing()]).toEqual([0, undefined]);
    expect(document.activeElement).toBe(hob);
    expect(element.querySelector('oc-number-field [role=alert]')!.textContent).toContain('From 200 to');
  });

  it('tells the later of two what both changed, keeps it, and takes theirs where that is wanted', async () => {
    const { pay, click, tell, closed, text, money, writing } = await open();
    await pay('kr');
    await click('Save');
    await tell(told(7, { currency: 'øre' }));
    await turns(10);
    expect(closed()).toBe(0);
    expect(text()).toContain('Somebody else has changed this meanwhile: Your money.');
    expect(money.value).toBe('kr');
    await click('Take theirs');
    expect([money.value, writing()]).toEqual(['øre', undefined]);
    expect(closed()).toBe(0);
    expect(text()).not.toContain('Somebody else');
  });

  it('keeps what was written when it is closed without a word, and says at its field what is wrong', async () => {
    const { pay, tell, element, fixture, closed } = await open();
    await pay('kroner');
    element.querySelector('dialog')!.close();
    await until(() => closed() === 1);
    expect(fixture.componentInstance['draft']().currency).toBe('kroner');
    const wrong = { field: 'hobW', message: 'hobW is too low.', remedy: 'Give 200 or more.' };
    await tell(RecordActions.refused({ id: HOUSEHOLD_ID, errors: [wrong] }));
    const field = element.querySelector('#household-hobW')!.closest('oc-asked-field')!;
    expect(field.querySelector('[role=alert]')!.textContent).toContain('Give 200 or more.');
    expect(element.querySelector('.trouble')).toBeNull();
  });

  it('leaves everything as it was when it is told to', async () => {
    const { pay, click, settings, writing, closed } = await open();
    await pay('kr');
    await click('Leave it as it was');
    await until(() => closed() === 1);
    expect([settings().currency, writing()]).toEqual([USUAL_SETTINGS.currency, undefined]);
  });
});
