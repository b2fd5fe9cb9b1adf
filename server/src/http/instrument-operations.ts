import {
  faultSchema,
  instrumentChangeSchema,
  instrumentCheckSchema,
  instrumentReadingsSchema,
  loggerReadingsSchema,
  newInstrumentSchema,
  placementSchema,
} from '@oat-crock/contract';
import type { Operation } from './operation.js';

/** What can be asked about instruments. */
export const INSTRUMENT_OPERATIONS: readonly Operation[] = [
  { path: '/instruments', method: 'get', summary: 'The instruments', answers: { '200': 'Instruments' } },
  {
    path: '/instruments/{id}/placement',
    method: 'put',
    summary: 'Put an instrument into a crock, or back on the shelf',
    body: placementSchema,
    answers: { '200': 'Placed', '404': 'No such instrument' },
  },
  {
    path: '/instruments/{id}/readings',
    method: 'post',
    summary: 'Readings of an instrument, with its token as a bearer; as text/csv too, a moment and a value a line',
    body: instrumentReadingsSchema,
    answers: { '201': 'Kept', '202': 'It stands in no crock, or is paused', '401': 'Not its token' },
  },
  {
    path: '/instruments/{id}/fault',
    method: 'put',
    summary: 'Give a simulated instrument a fault, or none',
    body: faultSchema,
    answers: { '200': 'Given', '404': 'No such instrument', '409': 'It is a real one' },
  },
  {
    path: '/instruments/{id}/calibration',
    method: 'post',
    summary: 'Calibrate a simulated instrument',
    answers: { '200': 'Calibrated', '404': 'No such instrument', '409': 'It is a real one' },
  },
  {
    path: '/instruments',
    method: 'post',
    summary: 'Add an instrument of one’s own; what it shows to be known, its token, is told once',
    body: newInstrumentSchema,
    answers: { '201': 'Instrument' },
  },
  {
    path: '/instruments/{id}',
    method: 'put',
    summary: 'Name an instrument, or pause it: what a paused one sends is not kept',
    body: instrumentChangeSchema,
    answers: { '200': 'Instrument', '404': 'No such instrument' },
  },
  {
    path: '/instruments/{id}',
    method: 'delete',
    summary: 'Take an instrument away; what it read stays',
    answers: { '200': 'Instruments', '404': 'No such instrument' },
  },
  {
    path: '/instruments/{id}/log',
    method: 'post',
    summary: 'Readings out of a logger’s file, by somebody who was let in; those within the make it stood in are kept',
    body: loggerReadingsSchema,
    answers: { '201': 'Kept', '404': 'No such instrument' },
  },
  {
    path: '/instruments/{id}/token',
    method: 'post',
    summary: 'Renew an instrument’s token; it is told once',
    answers: { '200': 'Instrument', '404': 'No such instrument', '409': 'It is a simulated one' },
  },
  {
    path: '/instruments/{id}/checks',
    method: 'post',
    summary:
      'What a pH meter showed in two buffers, or a thermometer in ice water: what it reads from then on is corrected',
    body: instrumentCheckSchema,
    answers: { '201': 'Instrument', '404': 'No such instrument' },
  },
  {
    path: '/instruments/{id}/checks',
    method: 'delete',
    summary: 'Forget how an instrument was checked',
    answers: { '200': 'Instrument', '404': 'No such instrument' },
  },
];
