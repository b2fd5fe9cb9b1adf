import { HttpErrorResponse } from '@angular/common/http';
import type { AlertBook, AlertRecipient, AlertWish, Me } from '@oat-crock/contract/api';
import { AccessActions } from '../../state/access.feature';
import { AlertClient } from '../../state/alert-client';
import { UnreachedActions } from '../../state/unreached.feature';
import { pageOf } from '../../testing/page';
import { NOW } from '../../testing/soured-makes';
import { until } from '../../testing/until';
import { AlertsPlace } from './alerts';
import { DeviceNotes } from './device-notes';
import { draftOf, NEW_WISH, wishOf } from './wish-fields';

const INE: AlertRecipient = {
  ...{ id: 'ine', name: 'Ine', way: 'mail', address: 'ine@oat-crock.example', about: 'all', leadMin: 10 },
  ...{ quiet: { fromH: 21, toH: 7 }, wakes: true, isPaused: false, trouble: '' },
};
const BOOK: AlertBook = {
  ...{ mail: true, pushKey: 'key', recipients: [INE], simulated: 'http://127.0.0.1:8123/bell' },
  recent: [
    {
      ...{ id: 1, recipientId: 'ine', batchId: 'b1', of: 'Quark', says: 'Cut it.', dueMs: NOW, doneMs: NOW, why: '' },
      state: 'sent',
    },
  ],
};
const me = (role: Me['role']): Me => ({ deviceId: 'd', name: 'tablet', maker: 'Per', role, endsMs: null });

async function place({ book = BOOK, role = 'keeps' as Me['role'], wire = {}, notes = {} } = {}) {
  const asked: unknown[][] = [];
  const hear =
    (name: string, answer: unknown) =>
    (...args: unknown[]) => (asked.push([name, ...args]), Promise.resolve(answer));
  const client = {
    ...{ book: hear('book', book), letters: hear('letters', { letters: [] }) },
    ...{ add: hear('add', { recipient: INE, secret: 'whsec_abc' }), change: hear('change', book) },
    ...{ remove: hear('remove', { ...book, recipients: [] }), tryOut: hear('tryOut', { isSent: true, why: '' }) },
    ...wire,
  };
  const access = { closed: true, hasPassphrase: true, calendarKey: 'k', me: me(role) };
  const provided = [
    { provide: AlertClient, useValue: client },
    { provide: DeviceNotes, useValue: { canBe: false, ...notes } },
  ];
  const page = await pageOf(AlertsPlace, [], NOW, {}, provided, [AccessActions.received({ access })]);
  await page.fixture.whenStable();
  const fill = (id: string, value: string) => page.fill(`#told-${id}`, value);
  const submit = () => page.submit('oc-recipient-form');
  return { ...page, asked, fill, submit };
}

describe('who is told with no page open', () => {
  it('is shown with what they are told, when, and what they were told', async () => {
    const { text } = await place();
    await until(() => text().includes('Who is told'));
    expect(text()).toContain('E-mail: ine@oat-crock.example');
    expect(text()).toContain(
      'All hands, 10 min before. Not from 21:00 to 07:00. What cannot wait is told all the same.',
    );
    expect(text()).toMatch(/Quark\s+Cut it\.\s+Ine was told at/);
    expect(text()).toContain('Empty. Send a trial.');
  });

  it('gets a trial, is paused and removed, each said in words', async () => {
    const { asked, click, text } = await place();
    await until(() => text().includes('Ine'));
    await click('Send a trial to Ine');
    await until(() => text().includes('The trial for Ine was taken.'));
    await click('Pause Ine');
    expect(asked.at(-1)!.slice(0, 2)).toEqual(['change', 'ine']);
    expect((asked.at(-1)![2] as AlertWish).isPaused).toBe(true);
    await click('Remove Ine');
    await until(() => text().includes('Nobody yet.'));
  });

  it('says why a trial did not go, and that somebody is not reached', async () => {
    const book = { ...BOOK, mail: false, recipients: [{ ...INE, trouble: 'the box is full' }] };
    const { click, text } = await place({
      book,
      wire: { tryOut: () => Promise.resolve({ isSent: false, why: 'the box is full' }) },
    });
    await until(() => text().includes('Not reached: the box is full'));
    expect(text()).toContain('OAT_CROCK_MAIL');
    await click('Send a trial to Ine');
    await until(() => text().includes('The trial for Ine did not go: the box is full'));
  });

  it('is added: what is wrong stands at its field, the key of requests is shown once', async () => {
    const problem = {
      ...{ type: '', status: 422, title: 'Refused', detail: '' },
      errors: [{ field: 'address', message: 'It is no address.', remedy: 'Write one.' }],
    };
    let refuses = true;
    const added: AlertWish[] = [];
    const add = (wish: AlertWish) => {
      added.push(wish);
      if (refuses) return Promise.reject(new HttpErrorResponse({ status: 422, error: problem }));
      return Promise.resolve({ recipient: INE, secret: 'whsec_abc' });
    };
    const { element, fill, submit, text } = await place({ wire: { add } });
    await until(() => element.querySelector('#told-name') !== null);
    await fill('name', ' Per ');
    await fill('address', 'per');
    await submit();
    await until(() => text().includes('It is no address. Write one.'));
    await fill('address', 'per@oat-crock.example');
    expect(text()).not.toContain('It is no address.');
    refuses = false;
    await submit();
    await until(() => text().includes('whsec_abc'));
    expect(added.at(-1)).toEqual({
      ...{ name: 'Per', way: 'mail', address: 'per@oat-crock.example', about: 'all', leadMin: 10 },
      ...{ quiet: 'house', wakes: false, isPaused: false },
    });
    expect(text()).toContain('Per will be told.');
    expect(element.querySelector<HTMLInputElement>('#told-name')!.value).toBe('');
  });

  it('is changed in the same form, which stands as it is kept', async () => {
    const { asked, click, element, fill, submit } = await place();
    await until(() => element.querySelector('article') !== null);
    await click('Change how Ine is told');
    await until(() => element.querySelector<HTMLInputElement>('#told-name')!.value === 'Ine');
    expect(document.activeElement?.id).toBe('told-name');
    await fill('address', 'i@oat-crock.example');
    await submit();
    const { id, trouble, ...wish } = INE;
    expect([id, trouble]).toEqual(['ine', '']);
    expect(asked.find(([what]) => what === 'change')).toEqual([
      ...['change', 'ine', { ...wish, address: 'i@oat-crock.example' }],
    ]);
  });

  it('is asked again when somebody was told, is nothing for an inspector, and without an answer that is said', async () => {
    const { asked, store, fixture } = await place();
    const books = () => asked.filter(([what]) => what === 'book').length;
    const before = books();
    store.dispatch(UnreachedActions.told({ names: [] }));
    await fixture.whenStable();
    await until(() => books() > before);
    const inspector = await place({ role: 'looks' });
    expect(inspector.asked).toEqual([]);
    expect(inspector.text()).toContain('Whoever works at the crocks');
    const away = await place({ wire: { book: () => Promise.reject(new Error('away')) } });
    await until(() => away.text().includes('The server does not answer'));
  });

  it('has each wish back as it was filled in', () => {
    const NEW = wishOf(NEW_WISH);
    for (const quiet of [null, 'house', { fromH: 21, toH: 7 }] as const) {
      const wish: AlertWish = { ...NEW, name: 'Ine', address: 'ine@oat-crock.example', quiet };
      expect(wishOf(draftOf(wish))).toEqual(wish);
    }
    expect(wishOf({ ...NEW_WISH, name: ' Per ', address: ' p@x.example ' })).toEqual(
      jasmine.objectContaining({ name: 'Per', address: 'p@x.example', quiet: 'house' }),
    );
  });
});
