import { deviceSchema, enteringSchema, invitationSchema, passphraseSchema } from '@oat-crock/contract';
import type { Operation } from './operation.js';

/** What can be asked about who may. */
export const ACCESS_OPERATIONS: readonly Operation[] = [
  {
    path: '/access',
    method: 'get',
    summary: 'Whether the dairy is closed, and who asks',
    answers: { '200': 'Access' },
  },
  {
    path: '/access/me',
    method: 'delete',
    summary: 'Sign this device out',
    answers: { '200': 'Access' },
  },
  {
    path: '/access/passphrase',
    method: 'put',
    summary: 'Set the passphrase, and sign everybody else out where that is wished',
    body: passphraseSchema,
    answers: { '200': 'Access' },
  },
  {
    path: '/access/devices',
    method: 'post',
    summary:
      'Let this device in, by the passphrase, a code or the secret of a link; it is known by its cookie from then on',
    body: enteringSchema,
    answers: { '201': 'Access' },
  },
  {
    path: '/access/devices',
    method: 'get',
    summary: 'Devices that were let in, and ways in that wait',
    answers: { '200': 'Devices' },
  },
  {
    path: '/access/devices/{id}',
    method: 'put',
    summary: 'Change a device’s name, maker or role',
    body: deviceSchema,
    answers: { '200': 'Devices', '404': 'No such device' },
  },
  {
    path: '/access/devices/{id}',
    method: 'delete',
    summary: 'Shut a device out',
    answers: { '200': 'Devices', '404': 'No such device' },
  },
  {
    path: '/access/invitations',
    method: 'post',
    summary:
      'Make a code for one device, good for ten minutes, or a link that ends after some days; its secret is told once',
    body: invitationSchema,
    answers: { '201': 'Invitation' },
  },
  {
    path: '/access/invitations/{id}',
    method: 'delete',
    summary: 'Take a way in back, and shut out who came in by it',
    answers: { '200': 'Devices', '404': 'No such invitation' },
  },
];
