import { alertRecipientSchema, alertWishSchema } from '@oat-crock/contract';
import type { Operation } from './operation.js';

/** What can be asked about who is told of hands. */
export const ALERT_OPERATIONS: readonly Operation[] = [
  {
    path: '/alerts',
    method: 'get',
    summary: 'Who is told of hands with no page open, by which ways, and what they were told',
    answers: { '200': 'Alerts' },
  },
  {
    path: '/alerts/letters',
    method: 'get',
    summary: 'What the demonstration’s stand-ins for mail and requests received',
    answers: { '200': 'Letters', '404': 'There are no stand-ins' },
  },
  {
    path: '/alerts/recipients',
    method: 'post',
    summary:
      'Have somebody told, by mail, by signed requests (Standard Webhooks) or by notes of a device (Web Push); what signs is told once',
    body: alertRecipientSchema,
    answers: { '201': 'Recipient' },
  },
  {
    path: '/alerts/recipients/{id}',
    method: 'put',
    summary: 'Change how somebody is told',
    body: alertWishSchema,
    answers: { '200': 'Alerts', '404': 'Nobody such' },
  },
  {
    path: '/alerts/recipients/{id}',
    method: 'delete',
    summary: 'Have somebody told no more',
    answers: { '200': 'Alerts', '404': 'Nobody such' },
  },
  {
    path: '/alerts/recipients/{id}/trial',
    method: 'post',
    summary: 'Send somebody a trial, and answer with what came of it',
    answers: { '200': 'What came of it', '404': 'Nobody such' },
  },
  {
    path: '/alerts/recipients/{id}/key',
    method: 'post',
    summary: 'Renew what signs requests; it is told once',
    answers: { '200': 'Recipient', '404': 'Nobody such' },
  },
];
