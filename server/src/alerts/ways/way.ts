import type { Text } from '@oat-crock/core';
import type { KeptRecipient } from '../../store/alerts.js';
import type { AlertMessage } from '../message.js';

/**
 * What came of sending: "refused" was certainly not taken and may be tried again, of "unsure" nobody knows whether it was taken, and
 * "gone" will never be taken again.
 */
export type Sent = { readonly is: 'sent' } | { readonly is: 'refused' | 'unsure' | 'gone'; readonly why: Text };

/** A way by which messages go out. Never throws. */
export type Send = (to: KeptRecipient, message: AlertMessage) => Promise<Sent>;

/** Whoever is asked has so long to answer, ms. */
export const ANSWER_MS = 10_000;
