import type { Text } from '@oat-crock/core';

/** Ways in which somebody is told with no page open: an e-mail, a signed request to an address, or a note of one of their devices. */
export const ALERT_WAYS = ['mail', 'webhook', 'push'] as const;
export type AlertWay = (typeof ALERT_WAYS)[number];

/** Hours of the day, by the household's clock, at which somebody is not told; over midnight where the second is not the later. */
export interface QuietHours {
  readonly fromH: number;
  readonly toH: number;
}

/** What may be said of somebody who is told of hands. */
export interface AlertWish {
  /** Who it is: what a plan gives to them is theirs. */
  readonly name: string;
  readonly way: AlertWay;
  /** An e-mail address, or where a request is sent; of a device what it is called. */
  readonly address: string;
  /** Told of all hands, or of those that a plan gives to them or to nobody. */
  readonly about: 'all' | 'own';
  /** Told so long before, min. */
  readonly leadMin: number;
  /** "house" for the hours in which the house sleeps; null for none. */
  readonly quiet: QuietHours | 'house' | null;
  /** Told in the quiet hours, too, of what cannot wait until they are over. */
  readonly wakes: boolean;
  readonly isPaused: boolean;
}

/** Somebody who is told of hands. */
export interface AlertRecipient extends AlertWish {
  readonly id: string;
  /** Why the last could not be sent; empty where it was. */
  readonly trouble: Text;
}

/** Where a browser has its notes sent, as it says it itself (Push API). */
export interface PushAddress {
  readonly endpoint: string;
  readonly keys: { readonly p256dh: string; readonly auth: string };
}

/** What became of an alert: it waits, it was sent, it could not be, it may or may not have been, or it was done before it was sent. */
export const ALERT_STATES = ['waits', 'sending', 'sent', 'failed', 'unsure', 'over'] as const;
export type AlertState = (typeof ALERT_STATES)[number];

/** Something that somebody was told, or is to be told. */
export interface Alert {
  readonly id: number;
  readonly recipientId: string;
  readonly batchId: string | null;
  readonly of: Text;
  readonly says: Text;
  /** For when it is, ms. */
  readonly dueMs: number;
  readonly state: AlertState;
  /** When it was sent or given up, ms; null while it waits. */
  readonly doneMs: number | null;
  /** Why it could not be sent; empty where it was. */
  readonly why: Text;
}

/** Who is told of hands, and what they were told. */
export interface AlertBook {
  /** Which ways there are here: mail where this server was given one to send it by. */
  readonly mail: boolean;
  /** The server's key for notes of devices (VAPID, base64url). */
  readonly pushKey: string;
  readonly recipients: readonly AlertRecipient[];
  /** The newest first. */
  readonly recent: readonly Alert[];
  /** Where this server has a stand-in that takes requests, with one that takes all mail beside it; null where mail really goes out. */
  readonly simulated: string | null;
}

/** A recipient as it is made, or its key as it is renewed: what signs requests is told this once. */
export interface AlertRecipientMade {
  readonly recipient: AlertRecipient;
  /** Signs requests; null where nothing is signed. */
  readonly secret: string | null;
}

/** What came of a trial. */
export interface AlertTrial {
  readonly isSent: boolean;
  readonly why: Text;
}

/** What a stand-in received. */
export interface SimulatedLetter {
  readonly id: number;
  readonly atMs: number;
  readonly way: AlertWay;
  readonly to: string;
  readonly subject: string;
  readonly text: string;
}
