import {
  FAMILY_PATHS,
  afterSchema,
  clockChangeSchema,
  planFeedSchema,
  entriesSchema,
  gearSchema,
  orderSchema,
  plannedBatchSchema,
  supplySchema,
  dryRunSchema,
  figuresSchema,
  lotSchema,
  makesSchema,
  methodSchema,
  readingsSchema,
  settingsSchema,
  type Family,
} from '@oat-crock/contract';
import type Joi from 'joi';
import { ACCESS_OPERATIONS } from './access-operations.js';
import { ALERT_OPERATIONS } from './alert-operations.js';
import { INSTRUMENT_OPERATIONS } from './instrument-operations.js';
import type { Operation } from './operation.js';

/** Open forms of a plan, by the end of their address. */
const PLAN_FORMS: Readonly<Record<string, string>> = {
  ics: 'a calendar (RFC 5545) that may be subscribed to',
  csv: 'a table of its hands (RFC 4180)',
  json: 'orders and planned makes',
};

/** Everything that can be asked of the server. */
export const OPERATIONS: readonly Operation[] = [
  { path: '/health', method: 'get', summary: 'Is it up, and what time is it here', answers: { '200': 'Up' } },
  {
    path: '/snapshot',
    method: 'get',
    summary: 'Clock, instruments, settings, and the log from a place in its order on',
    query: afterSchema,
    answers: { '200': 'Snapshot' },
  },
  ...ACCESS_OPERATIONS,
  {
    path: '/events',
    method: 'get',
    summary:
      'Server-sent events: new entries, the clock, instruments, settings, records, the room, what makes have taught',
    answers: { '200': 'text/event-stream' },
  },
  {
    path: '/entries',
    method: 'post',
    summary: 'Append entries to batches’ logs; ids are the sender’s, so sending twice is harmless',
    body: entriesSchema,
    answers: { '201': 'Written', '200': 'All were already written', '409': 'An id with other content' },
  },
  {
    path: '/batches/{id}',
    method: 'get',
    summary: 'The entries of one batch, with all readings of instruments, one a minute of each, or none',
    query: readingsSchema,
    answers: { '200': 'Entries', '404': 'No such batch' },
  },
  {
    path: '/batches/{id}/photos/{photo}',
    method: 'put',
    summary:
      'Keep a picture of a batch, a JPEG, PNG or WebP of 2 MB at most as the body; then log the line that names it',
    answers: { '201': 'Kept', '200': 'It was kept already', '404': 'No such batch', '413': 'Too large' },
  },
  {
    path: '/photos/{id}',
    method: 'get',
    summary: 'A picture',
    answers: { '200': 'The picture', '404': 'No such picture' },
  },
  {
    path: '/makes',
    method: 'get',
    summary:
      'Makes as lines of the ledger: found by words of anything said of them, filtered, sorted, a part at a time',
    query: makesSchema,
    answers: { '200': 'How many were found, how many there are, and the lines asked for' },
  },
  {
    path: '/figures',
    method: 'get',
    summary:
      'What finished makes of a method came to, or some makes; of the method with most makes where none is named',
    query: figuresSchema,
    answers: { '200': 'Figures, in order of time; and how many are still being worked out' },
  },
  {
    path: '/scorecard',
    method: 'get',
    summary: 'How often the windows that were given held, by method and by when they were given',
    answers: { '200': 'Counts' },
  },
  {
    path: '/lessons/{of}',
    method: 'get',
    summary: 'The makes that what was learned of a culture, a place, a cloth, a pot, a bottle or the maker is from',
    answers: { '200': 'Lines of the ledger, the newest first' },
  },
  {
    path: '/archive',
    method: 'get',
    summary: 'The whole dairy as one ZIP of open files, which says itself how it is read',
    answers: { '200': 'application/zip' },
  },
  {
    path: '/archive',
    method: 'post',
    summary: 'Read an archive in (application/zip), a union by id with what is here; or only try it',
    query: dryRunSchema,
    answers: { '200': 'What came of it, or would, table by table' },
  },
  {
    path: '/backups',
    method: 'get',
    summary: 'Where the data stand, what backups there are, and what came of the last',
    answers: { '200': 'Backups' },
  },
  {
    path: '/backups',
    method: 'post',
    summary: 'Make a backup now, read it back from end to end, and answer with what came of it',
    answers: { '201': 'Made', '507': 'It could not be made, or cannot be relied on: why is in the body' },
  },
  {
    path: '/backups/{name}',
    method: 'get',
    summary: 'A backup, to be kept elsewhere',
    answers: { '200': 'application/vnd.sqlite3', '404': 'No such backup' },
  },
  ...ALERT_OPERATIONS,
  {
    path: '/tables/{name}.csv',
    method: 'get',
    summary: 'Makes, movements or readings as a table (RFC 4180)',
    answers: { '200': 'text/csv', '404': 'No such table' },
  },
  {
    path: '/traces/{id}',
    method: 'get',
    summary: 'The makes that something came of and that came of it, with what was logged of each by hand',
    answers: { '200': 'Entries; of very many makes those of the newest' },
  },
  ...INSTRUMENT_OPERATIONS,
  {
    path: '/room',
    method: 'get',
    summary: 'What loggers read of the room, from one moment to another',
    answers: { '200': 'Readings' },
  },
  { path: '/clock', method: 'get', summary: 'The kitchen’s clock', answers: { '200': 'Clock' } },
  {
    path: '/clock',
    method: 'put',
    summary: 'Let the demonstration’s clock run faster, or jump ahead',
    body: clockChangeSchema,
    answers: { '200': 'Clock', '409': 'This clock is the real one' },
  },
  {
    path: '/settings',
    method: 'get',
    summary: 'The household’s settings, with an ETag',
    answers: { '200': 'Settings' },
  },
  {
    path: '/settings',
    method: 'put',
    summary: 'Change the settings; If-Match names the version read',
    body: settingsSchema,
    answers: { '200': 'Settings', '412': 'Changed by somebody else since', '428': 'No If-Match' },
  },
  {
    path: '/larder',
    method: 'get',
    summary: 'Lots and gear, those that were taken away among them, each with its version',
    answers: { '200': 'Larder' },
  },
  {
    path: '/cultures',
    method: 'get',
    summary: 'Cultures and their lines, as an open file',
    answers: { '200': 'Cultures' },
  },
  ...kept('lots', 'a lot', lotSchema),
  {
    path: '/lots/{id}/uses',
    method: 'get',
    summary: 'What makes took out of a lot',
    answers: { '200': 'Uses', '404': 'No such lot' },
  },
  ...['ics', 'csv', 'json'].map((form): Operation => ({
    path: `/plan.${form}`,
    method: 'get',
    summary: `The plan that was taken, as ${PLAN_FORMS[form]!}`,
    ...(form === 'ics' && { query: planFeedSchema }),
    answers: { '200': 'Plan' },
  })),
  ...kept('gear', 'a piece of gear', gearSchema),
  ...kept('orders', 'an order', orderSchema),
  ...kept('plannedBatches', 'a planned make', plannedBatchSchema),
  ...kept('supplies', 'milk or cream that is brought', supplySchema),
  ...kept('methods', 'a method of one’s own', methodSchema),
  {
    path: '/method.schema.json',
    method: 'get',
    summary: 'The schema of an open method file',
    answers: { '200': 'JSON Schema' },
  },
];

/** What can be done with one of a family of records. */
function kept(family: Family, what: string, body: Joi.Schema): Operation[] {
  const answers = {
    '412': 'Changed by somebody else since; `current` is what stands there',
    '428': 'No version named',
  };
  const path = `/${FAMILY_PATHS[family]}/{id}`;
  return [
    {
      path,
      method: 'put',
      summary: `Write ${what}, or bring it back: If-Match names the version read, If-None-Match: * a new one`,
      body,
      answers: { '200': 'Changed', '201': 'Made', ...answers },
    },
    {
      path,
      method: 'delete',
      summary: `Take ${what} away; it stays for what was made of it`,
      answers: { '200': 'Taken away', '404': 'No such thing', ...answers },
    },
  ];
}
