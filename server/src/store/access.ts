import type { Device, Invitation } from '@oat-crock/contract';
import type { Db } from './open.js';

/** A device as it is kept: what it shows to be let in is known by its hash. */
export interface KeptDevice extends Device {
  readonly tokenHash: string;
  /** The link it came in by; null for none. */
  readonly byLink: string | null;
}

/** Who may use the dairy. */
export interface AccessStore {
  /** What is kept of the passphrase; null where none was set. */
  readonly passphrase: () => string | null;
  readonly setPassphrase: (kept: string) => void;
  readonly calendarKey: () => string;
  readonly devices: () => KeptDevice[];
  readonly deviceBy: (tokenHash: string) => KeptDevice | null;
  readonly letIn: (device: KeptDevice) => void;
  readonly change: (device: Pick<Device, 'id' | 'name' | 'maker' | 'role'>) => boolean;
  readonly seen: (id: string, atMs: number) => void;
  /** Shuts a device out; false where there was none. */
  readonly shutOut: (id: string) => boolean;
  /** Shuts out every device but one (null: every one). */
  readonly shutOutOthers: (id: string | null) => void;
  readonly invitations: () => Invitation[];
  readonly invitationBy: (secretHash: string) => Invitation | null;
  readonly invite: (invitation: Invitation & { readonly secretHash: string }) => void;
  /** Takes an invitation back, and shuts out whoever came in by it; false where there was none. */
  readonly takeBack: (id: string) => boolean;
  /** Forgets devices and invitations whose time is over. */
  readonly forgetOver: (nowMs: number) => void;
}

const DEVICE = `SELECT id, token_hash AS tokenHash, name, maker, role, let_in_ms AS letInMs, last_ms AS lastMs,
  ends_ms AS endsMs, by_link AS byLink FROM device`;
const INVITATION = 'SELECT id, kind, role, maker, ends_ms AS endsMs FROM invitation';

/** @param newKey makes a secret that cannot be guessed */
export function accessStore(db: Db, newKey: () => string): AccessStore {
  interface Row {
    readonly passphrase: string | null;
    readonly calendarKey: string;
  }
  db.prepare('INSERT INTO access (only_row, calendar_key) VALUES (1, ?) ON CONFLICT DO NOTHING').run(newKey());
  const access = db.prepare<[], Row>('SELECT passphrase, calendar_key AS calendarKey FROM access');
  const setPassphrase = db.prepare<[string]>('UPDATE access SET passphrase = ?');
  const devices = db.prepare<[], KeptDevice>(`${DEVICE} ORDER BY let_in_ms, id`);
  const deviceBy = db.prepare<[string], KeptDevice>(`${DEVICE} WHERE token_hash = ?`);
  const letIn = db.prepare(
    `INSERT INTO device (id, token_hash, name, maker, role, let_in_ms, last_ms, ends_ms, by_link)
     VALUES (@id, @tokenHash, @name, @maker, @role, @letInMs, @lastMs, @endsMs, @byLink)`,
  );
  const change = db.prepare('UPDATE device SET name = @name, maker = @maker, role = @role WHERE id = @id');
  const seen = db.prepare<[number, string]>('UPDATE device SET last_ms = ? WHERE id = ?');
  const shutOut = db.prepare<[string]>('DELETE FROM device WHERE id = ?');
  const shutOutOthers = db.prepare<[string | null]>('DELETE FROM device WHERE id IS NOT ?');
  const invitations = db.prepare<[], Invitation>(`${INVITATION} ORDER BY ends_ms, id`);
  const invitationBy = db.prepare<[string], Invitation>(`${INVITATION} WHERE secret_hash = ?`);
  const invite = db.prepare(
    `INSERT INTO invitation (id, secret_hash, kind, role, maker, ends_ms)
     VALUES (@id, @secretHash, @kind, @role, @maker, @endsMs)`,
  );
  const takeBack = db.prepare<[string]>('DELETE FROM invitation WHERE id = ?');
  const shutOutOfLink = db.prepare<[string]>('DELETE FROM device WHERE by_link = ?');
  const oldDevices = db.prepare<[number]>('DELETE FROM device WHERE ends_ms <= ?');
  const oldInvitations = db.prepare<[number]>('DELETE FROM invitation WHERE ends_ms <= ?');
  return {
    passphrase: () => access.get()!.passphrase,
    setPassphrase: (kept) => void setPassphrase.run(kept),
    calendarKey: () => access.get()!.calendarKey,
    devices: () => devices.all(),
    deviceBy: (hash) => deviceBy.get(hash) ?? null,
    letIn: (device) => void letIn.run(device),
    change: (device) => change.run(device).changes > 0,
    seen: (id, atMs) => void seen.run(atMs, id),
    shutOut: (id) => shutOut.run(id).changes > 0,
    shutOutOthers: (id) => void shutOutOthers.run(id),
    invitations: () => invitations.all(),
    invitationBy: (hash) => invitationBy.get(hash) ?? null,
    invite: (invitation) => void invite.run(invitation),
    takeBack: db.transaction((id: string) => {
      shutOutOfLink.run(id);
      return takeBack.run(id).changes > 0;
    }),
    forgetOver: db.transaction((nowMs: number) => {
      oldDevices.run(nowMs);
      oldInvitations.run(nowMs);
    }),
  };
}
