import { pino } from 'pino';
import { serve, type Served, type ServeSettings } from '../../server/dist/serve.js';
import { timeSettings } from '../../server/dist/time/settings.js';
import { HOUR } from './hour.js';

export const ENVIRONMENT = { OAT_CROCK_START: HOUR.start, OAT_CROCK_ZONE: HOUR.zone };
const SILENT = pino({ level: 'silent' });

/** A name that leads to this machine, and is none of its own: whoever asks under it comes from elsewhere. */
export const ELSEWHERE = 'dairy.test';

/** Opens a kitchen within this process; 0 = on any port that is free. */
export const serveHere = (
  file: string,
  demo: boolean,
  port = 0,
  year = false,
  more: Partial<ServeSettings> = {},
): Promise<Served> =>
  serve({
    demo,
    // A year of makes teaches for minutes: one test has it, and waits for nothing of it.
    year,
    file,
    host: '127.0.0.1',
    port,
    time: timeSettings(ENVIRONMENT, demo, () => 'UTC'),
    log: SILENT,
    // A test makes its own.
    daily: false,
    ...more,
  });
