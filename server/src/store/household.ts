import { USUAL_SETTINGS, type Settings, type VersionedSettings } from '@oat-crock/contract/api';
import type { Db } from './open.js';

export interface HouseholdStore {
  readonly settings: () => VersionedSettings;
  /** Writes settings over the named version; null where somebody else has written since. */
  readonly saveSettings: (settings: Settings, overVersion: number) => VersionedSettings | null;
  readonly clock: () => { readonly rate: number; readonly kitchenMs: number } | null;
  readonly saveClock: (rate: number, kitchenMs: number) => void;
}

/** @param zone the time zone of a household that has not chosen one */
export function householdStore(db: Db, zone: string): HouseholdStore {
  const read = db.prepare<[], { version: number; body: string }>('SELECT version, body FROM settings');
  const write = db.prepare(
    `INSERT INTO settings (only_row, version, body) VALUES (1, @version, @body)
     ON CONFLICT (only_row) DO UPDATE SET version = @version, body = @body`,
  );
  const readClock = db.prepare<[], { rate: number; kitchenMs: number }>(
    'SELECT rate, kitchen_ms AS kitchenMs FROM clock',
  );
  const writeClock = db.prepare(
    `INSERT INTO clock (only_row, rate, kitchen_ms) VALUES (1, @rate, @kitchenMs)
     ON CONFLICT (only_row) DO UPDATE SET rate = @rate, kitchen_ms = @kitchenMs`,
  );

  const settings = (): VersionedSettings => {
    const row = read.get();
    const usual = { ...USUAL_SETTINGS, zone };
    if (!row) return { version: 0, settings: usual };
    return { version: row.version, settings: { ...usual, ...(JSON.parse(row.body) as Partial<Settings>) } };
  };
  const saveSettings = db.transaction((next: Settings, overVersion: number) => {
    const now = settings();
    if (now.version !== overVersion) return null;
    write.run({ version: now.version + 1, body: JSON.stringify(next) });
    return { version: now.version + 1, settings: next };
  });
  return {
    settings,
    saveSettings,
    clock: () => readClock.get() ?? null,
    saveClock: (rate, kitchenMs) => {
      writeClock.run({ rate, kitchenMs: Math.round(kitchenMs) });
    },
  };
}
