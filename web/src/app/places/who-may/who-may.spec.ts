import type { Access, Device, Devices, Invited } from '@oat-crock/contract/api';
import { AccessClient } from '../../state/access-client';
import { AccessActions } from '../../state/access.feature';
import { ClockActions } from '../../state/clock.feature';
import { WritesHere } from '../../state/writes-here';
import { Logger } from '../../state/logger';
import { pageOf } from '../../testing/page';
import { make, NOW } from '../../testing/soured-makes';
import { until } from '../../testing/until';
import { TestBed } from '@angular/core/testing';
import { WhoMay } from './who-may';

const ME: Access = {
  ...{ closed: true, hasPassphrase: true, calendarKey: 'k' },
  me: { deviceId: 'own', name: 'desk', maker: 'Per', role: 'keeps', endsMs: null },
};
const device = (id: string, more: Partial<Device> = {}): Device => ({
  ...{ id, name: id, maker: 'Ane', role: 'works', letInMs: NOW, lastMs: NOW, endsMs: null },
  ...more,
});
const ALL: Devices = {
  addresses: ['http://10.0.0.7:4310'],
  devices: [device('own', { name: 'desk' }), device('tablet')],
  invitations: [],
};
const CODE: Invited = {
  id: 'i',
  kind: 'code',
  role: 'works',
  maker: 'Ane',
  endsMs: NOW + 600_000,
  secret: 'K7QM-3XPD',
};

async function place(access: Access = ME, more: object = {}) {
  const asked: unknown[][] = [];
  const hear =
    (name: string, answer: unknown) =>
    (...args: unknown[]) => (asked.push([name, ...args]), Promise.resolve(answer));
  const wire = {
    ...{ devices: hear('devices', ALL), change: hear('change', ALL), invite: hear('invite', CODE) },
    shutOut: hear('shutOut', { ...ALL, devices: ALL.devices.slice(0, 1) }),
    setPassphrase: hear('setPassphrase', ME),
    ...more,
  };
  const told = [AccessActions.received({ access })];
  const page = await pageOf(WhoMay, [], NOW, {}, [{ provide: AccessClient, useValue: wire }], told);
  await page.fixture.whenStable();
  return { ...page, asked };
}

describe('who may', () => {
  it('shows each device, renames it, and shuts it out; one’s own signs out instead', async () => {
    const { element, asked, fill, click, text } = await place();
    const rows = () => [...element.querySelectorAll('article')].map((row) => row.getAttribute('aria-label'));
    expect(rows()).toEqual(['desk', 'tablet']);
    expect(element.querySelector('article')!.textContent).toMatch(/This device\.\s*Sign out/);
    await fill('article:nth-of-type(2) input', 'by the sink', 'change');
    expect(asked.at(-1)).toEqual(['change', 'tablet', { name: 'by the sink', maker: 'Ane', role: 'works' }]);
    await fill('article:nth-of-type(2) input', '  ', 'change');
    expect(asked.filter(([what]) => what === 'change').length).toBe(1);
    await click('Shut out tablet');
    await until(() => rows().length === 1);
    expect(text()).toMatch(/tablet is out\./i);
  });

  it('lets somebody in by a code that is read and scanned, or by a link that only looks and ends', async () => {
    const { element, asked, fill, submit, text } = await place();
    await submit('oc-invite-form');
    expect(text()).toContain('Say who comes');
    await fill('#invite-maker', 'Ane');
    await submit('oc-invite-form');
    await until(() => element.querySelector('.made img') !== null);
    expect(asked.at(-1)).toEqual(['invite', { kind: 'code', maker: 'Ane', role: 'works' }]);
    expect(element.querySelector('.code')!.textContent).toBe('K7QM-3XPD');
    // The page is at localhost, which leads nowhere from another device.
    expect(element.querySelector('.made code')!.textContent).toBe('http://10.0.0.7:4310');
    expect(text()).toContain('A code for Ane (works at the crocks) waits');
    element.querySelectorAll<HTMLInputElement>('[name=invite-kind]')[1]!.dispatchEvent(new Event('change'));
    await submit('oc-invite-form');
    expect(asked.at(-1)).toEqual(['invite', { kind: 'link', maker: 'Ane', role: 'looks', days: 3 }]);
  });

  it('sets no passphrase that is too short, and signs the others out with a new one', async () => {
    const { asked, fill, submit, text } = await place();
    await fill('#passphrase', 'nine char');
    await submit('oc-passphrase-form');
    expect(text()).toContain('Give 10 characters or more');
    await fill('#passphrase', 'lamp curd ferry oats');
    await submit('oc-passphrase-form');
    expect(asked.at(-1)).toEqual(['setPassphrase', 'lamp curd ferry oats', true]);
  });

  it('is nobody’s to change but whoever keeps the dairy', async () => {
    const { asked, text } = await place({ ...ME, me: { ...ME.me!, role: 'works' } });
    expect(asked).toEqual([]);
    expect(text()).toContain('Whoever keeps the dairy lets devices in');
  });

  it('has the name of whoever writes here at each line, where the server asks nobody', async () => {
    const open = { ...ME, closed: false, me: { ...ME.me!, deviceId: null, maker: '' } };
    const { fill, text } = await place(open);
    expect(text()).toContain('served to this machine alone');
    const log = make(31, 3, 320);
    await fill('#own-name', ' Per ', 'change');
    const writes = TestBed.inject(WritesHere);
    expect(writes.name()).toBe('Per');
    expect(TestBed.inject(Logger).write(log[0]!.batchId, { type: 'note', text: 'a' }).by).toBe('Per');
    writes.set('');
    expect('by' in TestBed.inject(Logger).write(log[0]!.batchId, { type: 'note', text: 'b' })).toBe(false);
  });

  it('says that the server has to be asked, where it does not answer', async () => {
    const wire = { devices: () => Promise.reject(new Error('away')) };
    const page = await pageOf(WhoMay, [], NOW, {}, [{ provide: AccessClient, useValue: wire }]);
    expect(page.text()).not.toContain('does not answer');
    page.store.dispatch(ClockActions.lineLost());
    await until(() => page.text().includes('who may come in is kept there'));
    expect(page.text()).toContain('The kitchen’s server does not answer');
  });
});
