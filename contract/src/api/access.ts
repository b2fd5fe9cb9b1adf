/** What a device may: each role may what those before it may. */
export const ROLES = ['looks', 'works', 'keeps'] as const;

/** "looks" reads, "works" logs and plans at the crocks, "keeps" keeps the dairy: its settings, data and who may. */
export type Role = (typeof ROLES)[number];

/** Whether a role is enough where another is asked for. */
export const mayAs = (role: Role, asked: Role): boolean => ROLES.indexOf(role) >= ROLES.indexOf(asked);

/** A device that was let in. */
export interface Device {
  readonly id: string;
  /** What it is: "the tablet by the sink". */
  readonly name: string;
  /** Whose hands use it: their name stands at the lines it writes. */
  readonly maker: string;
  readonly role: Role;
  /** When it was let in and when it asked for something last, by the machine's clock, ms. */
  readonly letInMs: number;
  readonly lastMs: number;
  /** When it is shut out by itself; null for never. */
  readonly endsMs: number | null;
}

/** A way in that waits to be used: a code for one device, or a link for whoever has it. */
export interface Invitation {
  readonly id: string;
  readonly kind: 'code' | 'link';
  readonly role: Role;
  readonly maker: string;
  readonly endsMs: number;
}

/** Whoever asks. */
export interface Me {
  /** Null on the machine itself, where nothing is asked for. */
  readonly deviceId: string | null;
  readonly name: string;
  readonly maker: string;
  readonly role: Role;
  readonly endsMs: number | null;
}

/** How a device stands to the dairy. */
export interface Access {
  /** Whether the dairy is closed to whoever was not let in; false where it is served to this machine alone. */
  readonly closed: boolean;
  readonly hasPassphrase: boolean;
  /** Null where whoever asks was not let in. */
  readonly me: Me | null;
  /** What a calendar that cannot be let in names in its address; null where nothing is asked for, or the device was not let in. */
  readonly calendarKey: string | null;
}

/** Who may, as it is shown to whoever keeps the dairy. */
export interface Devices {
  /** Where other devices reach the dairy, "http://10.0.0.7:4310"; empty where only this machine does. */
  readonly addresses: readonly string[];
  readonly devices: readonly Device[];
  readonly invitations: readonly Invitation[];
}

/** An invitation as it is made: what lets in is told this once. */
export interface Invited extends Invitation {
  /** "K7QM-3XPD", or the secret of a link. */
  readonly secret: string;
}

/** No passphrase is shorter. */
export const PASSPHRASE_LEAST = 10;
