import type { HandsCall } from '@oat-crock/calendar';
import type { Alert, AlertRecipient, AlertState, AlertWish } from '@oat-crock/contract';
import type { Text } from '@oat-crock/core';
import type { Db } from './open.js';

/** Somebody who is told of hands, with what only the server knows of them. */
export interface KeptRecipient extends AlertRecipient {
  /** What signs requests, or where a browser has its notes sent (JSON of `PushAddress`); empty where nothing is needed. */
  readonly secret: string;
}

/** An alert that waits to be sent. */
export interface WaitingAlert extends Alert {
  readonly key: string;
  readonly latestMs: number;
  /** So many times it was tried. */
  readonly tries: number;
  /** When it is tried next, by this machine's clock, ms. */
  readonly nextMs: number;
}

/** The keys by which browsers know whose notes they show (base64url). */
export interface PushKeys {
  readonly publicKey: string;
  readonly privateKey: string;
}

/** Who is told of hands, and what they were told. */
export interface AlertStore {
  readonly recipients: () => KeptRecipient[];
  readonly recipient: (id: string) => KeptRecipient | null;
  readonly add: (recipient: KeptRecipient) => void;
  readonly change: (id: string, wish: AlertWish) => boolean;
  readonly renew: (id: string, secret: string) => void;
  /** Takes somebody away with all they were told; false where there was nobody. */
  readonly remove: (id: string) => boolean;
  readonly trouble: (id: string, why: Text) => void;
  /** For which moment somebody was last to be told of a call, ms; undefined for never. */
  readonly toldFor: (recipientId: string, key: string) => number | undefined;
  /** Writes down that somebody is to be told, before anything is sent. */
  readonly note: (recipientId: string, call: HandsCall) => void;
  readonly waiting: (recipientId: string) => WaitingAlert[];
  /** It need not be told just now: when it is near again, it is noted anew. */
  readonly drop: (ids: readonly number[]) => void;
  /** They are being sent, for the moments they are due at now. */
  readonly sending: (alerts: readonly WaitingAlert[]) => void;
  readonly mark: (ids: readonly number[], state: AlertState, doneMs: number | null, why?: Text) => void;
  /** Lets it wait for another try. */
  readonly putOff: (ids: readonly number[], nextMs: number, why: Text) => void;
  /** What was being sent when a server died may have been sent: it is not sent again. */
  readonly settle: (nowMs: number, why: Text) => void;
  /** The newest, the newest first. */
  readonly recent: () => Alert[];
  /** The keys for notes of devices, made by `make` when they are first asked for. */
  readonly pushKeys: (make: () => PushKeys) => PushKeys;
}

/** So many are shown, and so many are kept once they are over. */
const [SHOWN, KEPT] = [40, 1000];

const RECIPIENT = `SELECT id, name, way, address, about, lead_min AS leadMin, quiet, wakes, is_paused AS isPaused, secret,
  trouble FROM alert_recipient`;
const ALERT = `SELECT id, recipient_id AS recipientId, call_key AS key, batch_id AS batchId, of_what AS ofWhat, says,
  due_ms AS dueMs, latest_ms AS latestMs, state, tries, next_ms AS nextMs, done_ms AS doneMs, why FROM alert`;

interface RecipientRow extends Omit<KeptRecipient, 'quiet' | 'wakes' | 'isPaused' | 'trouble'> {
  readonly quiet: string;
  readonly wakes: number;
  readonly isPaused: number;
  readonly trouble: string;
}

interface AlertRow extends Omit<WaitingAlert, 'of' | 'says' | 'why'> {
  readonly ofWhat: string;
  readonly says: string;
  readonly why: string;
}

export function alertStore(db: Db): AlertStore {
  const recipients = db.prepare<[], RecipientRow>(`${RECIPIENT} ORDER BY name, id`);
  const recipient = db.prepare<[string], RecipientRow>(`${RECIPIENT} WHERE id = ?`);
  const add = db.prepare(
    `INSERT INTO alert_recipient (id, name, way, address, about, lead_min, quiet, wakes, is_paused, secret)
     VALUES (@id, @name, @way, @address, @about, @leadMin, @quiet, @wakes, @isPaused, @secret)`,
  );
  const change = db.prepare(
    `UPDATE alert_recipient SET name = @name, address = @address, about = @about, lead_min = @leadMin, quiet = @quiet,
       wakes = @wakes, is_paused = @isPaused, trouble = '""' WHERE id = @id AND way = @way`,
  );
  const renew = db.prepare<[string, string]>('UPDATE alert_recipient SET secret = ? WHERE id = ?');
  const remove = db.prepare<[string]>('DELETE FROM alert_recipient WHERE id = ?');
  const trouble = db.prepare<[string, string]>('UPDATE alert_recipient SET trouble = ? WHERE id = ?');
  const toldFor = db.prepare<[string, string], { dueMs: number }>(
    'SELECT max(due_ms) AS dueMs FROM alert WHERE recipient_id = ? AND call_key = ? HAVING count(*) > 0',
  );
  const note = db.prepare(
    `INSERT INTO alert (recipient_id, call_key, batch_id, of_what, says, due_ms, latest_ms, state, next_ms)
     VALUES (@recipientId, @key, @batchId, @of, @says, @dueMs, @latestMs, 'waits', 0)`,
  );
  const waiting = db.prepare<[string], AlertRow>(
    `${ALERT} WHERE recipient_id = ? AND state = 'waits' ORDER BY due_ms, id`,
  );
  const drop = db.prepare<[number]>(`DELETE FROM alert WHERE id = ? AND state = 'waits'`);
  const mark = db.prepare('UPDATE alert SET state = @state, done_ms = @doneMs, why = @why WHERE id = @id');
  const sending = db.prepare(
    `UPDATE alert SET state = 'sending', due_ms = @dueMs, latest_ms = @latestMs WHERE id = @id`,
  );
  const putOff = db.prepare(
    `UPDATE alert SET state = 'waits', tries = tries + 1, next_ms = @nextMs, why = @why WHERE id = @id`,
  );
  const settle = db.prepare(`UPDATE alert SET state = 'unsure', done_ms = ?, why = ? WHERE state = 'sending'`);
  const recent = db.prepare<[number], AlertRow>(`${ALERT} ORDER BY id DESC LIMIT ?`);
  const prune = db.prepare<[number]>(
    `DELETE FROM alert WHERE state NOT IN ('waits', 'sending') AND id <= (SELECT max(id) FROM alert) - ?`,
  );
  const keys = db.prepare<[], PushKeys>('SELECT public_key AS publicKey, private_key AS privateKey FROM push_keys');
  const keepKeys = db.prepare('INSERT INTO push_keys VALUES (1, @publicKey, @privateKey)');
  return {
    recipients: () => recipients.all().map(recipientOf),
    recipient: (id) => {
      const row = recipient.get(id);
      return row ? recipientOf(row) : null;
    },
    add: (wish) => void add.run(columnsOf(wish)),
    change: (id, wish) => change.run({ ...columnsOf(wish), id }).changes > 0,
    renew: (id, secret) => void renew.run(secret, id),
    remove: (id) => remove.run(id).changes > 0,
    trouble: (id, why) => void trouble.run(JSON.stringify(why), id),
    toldFor: (recipientId, key) => toldFor.get(recipientId, key)?.dueMs,
    note: (recipientId, { key, batchId, of, says, atMs, latestMs }) => {
      const words = { of: JSON.stringify(of), says: JSON.stringify(says) };
      const times = { dueMs: Math.round(atMs), latestMs: Math.round(latestMs) };
      note.run({ recipientId, key, batchId, ...words, ...times });
    },
    waiting: (recipientId) => waiting.all(recipientId).map(alertOf),
    drop: db.transaction((ids: readonly number[]) => ids.forEach((id) => drop.run(id))),
    sending: db.transaction((all: readonly WaitingAlert[]) => {
      for (const { id, dueMs, latestMs } of all) sending.run({ id, dueMs, latestMs });
    }),
    mark: db.transaction((ids: readonly number[], state: AlertState, doneMs: number | null, why: Text = '') => {
      for (const id of ids) mark.run({ id, state, doneMs, why: JSON.stringify(why) });
      prune.run(KEPT);
    }),
    putOff: db.transaction((ids: readonly number[], nextMs: number, why: Text) => {
      for (const id of ids) putOff.run({ id, nextMs, why: JSON.stringify(why) });
    }),
    settle: (nowMs, why) => void settle.run(nowMs, JSON.stringify(why)),
    recent: () => recent.all(SHOWN).map(alertOf),
    pushKeys: (make) => {
      const kept = keys.get();
      if (kept) return kept;
      const made = make();
      keepKeys.run(made);
      return made;
    },
  };
}

const columnsOf = ({ quiet, wakes, isPaused, ...wish }: AlertWish) => ({
  ...wish,
  quiet: JSON.stringify(quiet),
  wakes: Number(wakes),
  isPaused: Number(isPaused),
});

function recipientOf({ quiet, wakes, isPaused, trouble, ...row }: RecipientRow): KeptRecipient {
  return {
    ...row,
    quiet: JSON.parse(quiet) as AlertRecipient['quiet'],
    wakes: wakes === 1,
    isPaused: isPaused === 1,
    trouble: JSON.parse(trouble) as Text,
  };
}

function alertOf({ ofWhat, says, why, ...row }: AlertRow): WaitingAlert {
  const texts = { of: JSON.parse(ofWhat) as Text, says: JSON.parse(says) as Text, why: JSON.parse(why) as Text };
  return { ...row, ...texts };
}
