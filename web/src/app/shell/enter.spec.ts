import { HttpErrorResponse } from '@angular/common/http';
import type { Access } from '@oat-crock/contract/api';
import { AccessClient } from '../state/access-client';
import { AccessActions } from '../state/access.feature';
import { pageOf } from '../testing/page';
import { NOW } from '../testing/soured-makes';
import { until } from '../testing/until';
import { Enter } from './enter';
import { Shell } from './shell';

const OUT: Access = { closed: true, hasPassphrase: false, me: null, calendarKey: null };
const LOOKS: Access = {
  ...OUT,
  me: { deviceId: 'd', name: 'tablet', maker: 'Ane', role: 'looks', endsMs: NOW },
  calendarKey: 'k',
};

/** Opens the door over a server that lets in, or does not. */
async function door(enter: (...way: unknown[]) => Promise<Access> = () => Promise.resolve(LOOKS)) {
  const ways: unknown[][] = [];
  const wire = { enter: (...way: unknown[]) => (ways.push(way), enter(...way)) };
  const provided = [{ provide: AccessClient, useValue: wire }];
  const page = await pageOf(Enter, [], NOW, {}, provided, [AccessActions.received({ access: OUT })]);
  let done = 0;
  Object.assign(page.fixture.componentInstance, { done: () => done++ });
  const type = (id: string, value: string) => {
    const field = page.element.querySelector<HTMLInputElement>(`#${id}`)!;
    field.value = value;
    field.dispatchEvent(new Event('input'));
  };
  const submit = async () => {
    page.element.querySelector('form')!.dispatchEvent(new Event('submit', { cancelable: true }));
    await page.fixture.whenStable();
  };
  return { ...page, ways, type, submit, done: () => done };
}

describe('the door of a dairy', () => {
  afterEach(() => history.replaceState(null, '', location.pathname + location.search));

  it('takes a code for a code and all else for the passphrase, and says whose hands come on what', async () => {
    const { ways, type, submit, done, text } = await door();
    expect(text()).toContain('no passphrase yet');
    type('enter-name', 'by the sink');
    for (const given of ['K7QM-3XPD', 'k7qm3xpd', 'K7QM 3XPD', 'lamp curd ferry oats']) {
      type('enter-secret', given);
      await submit();
    }
    type('enter-maker', ' Ane ');
    await submit();
    expect(ways.map(([way]) => Object.keys(way as object)[0])).toEqual([
      ...['secret', 'secret', 'secret', 'passphrase', 'passphrase'],
    ]);
    expect(ways[0]).toEqual([{ secret: 'K7QM-3XPD' }, 'by the sink', '']);
    expect(ways.at(-1)!.slice(1)).toEqual(['by the sink', 'Ane']);
    expect(done()).toBe(5);
  });

  it('asks for no code where one came with the address', async () => {
    history.replaceState(null, '', `${location.pathname}${location.search}#in=K7QM3XPD`);
    const { ways, submit, element } = await door();
    expect(element.querySelector('#enter-secret')).toBeNull();
    expect(element.textContent).not.toContain('no passphrase yet');
    await submit();
    expect(ways[0]![0]).toEqual({ secret: 'K7QM3XPD' });
  });

  it('sends nothing that is not filled in, and says why it stays shut in the server’s words', async () => {
    const error = {
      title: 'Refused',
      detail: '',
      errors: [{ field: 'secret', message: 'It lets nobody in.', remedy: 'Have a new one shown.' }],
    };
    const { ways, type, submit, element, done } = await door(() =>
      Promise.reject(new HttpErrorResponse({ status: 422, error })),
    );
    await submit();
    const said = () => element.querySelector('[role=alert]')!.textContent!;
    expect([ways.length, said()]).toEqual([
      0,
      jasmine.stringContaining('Write what this device is') as unknown as string,
    ]);
    type('enter-secret', 'K7QM-3XPD');
    await submit();
    await until(() => said().includes('It lets nobody in. Have a new one shown.'));
    expect(done()).toBe(0);
    expect(element.querySelector<HTMLButtonElement>('button[type=submit]')!.disabled).toBe(false);
  });

  it('stands where the places were once a device is shut out, and one that only looks is told so', async () => {
    const { element, store, fixture } = await pageOf(
      Shell,
      [],
      NOW,
      {},
      [],
      [AccessActions.received({ access: LOOKS })],
    );
    expect(element.textContent).toContain('only looks, until');
    store.dispatch(AccessActions.shutOut());
    await fixture.whenStable();
    await until(() => element.querySelector('oc-enter') !== null);
    expect(element.querySelector('router-outlet')).toBeNull();
  });
});
