import { problem, type ServerEvent, type StoredEntry } from '@oat-crock/contract';
import { say } from '@oat-crock/core';
import type { Request, Response } from 'express';
import { ipKeyGenerator } from 'express-rate-limit';
import { whoSent } from '../access/who.js';
import { HttpProblem } from './errors.js';

/** Tells every open page what happens (server-sent events). */
export interface Events {
  readonly tell: (event: ServerEvent) => void;
  /** What is told is heard within the server too. */
  readonly hear: (listener: (event: ServerEvent) => void) => void;
  /** Joins a page; one that was away and says what it saw last gets what it missed. A device whose time is over is told nothing more. */
  readonly join: (request: Request, response: Response, nowMs: () => number) => void;
  /** Ends what some devices listen to (null: this machine, or whoever is asked nothing). */
  readonly leave: (goes: (deviceId: string | null) => boolean) => void;
  readonly close: () => void;
}

const STILL_HERE_MS = 15_000;

/** How much pages may ask of a server. */
export interface EventLimits {
  /** So many pages listen at once, of each device (or address), and of all. */
  readonly each: number;
  readonly all: number;
  /** A page that reads slower than it is told is let go once so much waits for it, bytes: it comes again and asks what it missed. */
  readonly waitingBytes: number;
  /** Who missed more lines than that is told to read everything anew. */
  readonly missed: number;
}

const USUAL: EventLimits = { each: 30, all: 300, waitingBytes: 4_000_000, missed: 5000 };

/** A page that listens. */
interface Page {
  readonly response: Response;
  readonly deviceId: string | null;
  /** The device, or the address, that it counts for. */
  readonly of: string;
  /** Whether the time for which its device was let in is over. */
  readonly isOver: () => boolean;
}

/** @param missedAfter what a page missed of the log, after a place in its order */
export function events(
  missedAfter: (seq: number) => readonly StoredEntry[],
  { each, all, waitingBytes, missed }: EventLimits = USUAL,
): Events {
  const pages = new Set<Page>();
  const listeners: ((event: ServerEvent) => void)[] = [];
  const write = (page: Page, text: string) => {
    if (page.isOver()) return void page.response.end();
    page.response.write(text);
    if (page.response.writableLength > waitingBytes) page.response.destroy();
  };
  const beat = setInterval(() => pages.forEach((page) => write(page, ': still here\n\n')), STILL_HERE_MS);
  beat.unref();
  return {
    tell: (event) => {
      const text = frame(event);
      pages.forEach((page) => write(page, text));
      listeners.forEach((listener) => listener(event));
    },
    hear: (listener) => {
      listeners.push(listener);
    },
    join: (request, response, nowMs) => {
      const { deviceId = null, endsMs = null } = whoSent(request) ?? {};
      const of = deviceId ?? ipKeyGenerator(request.ip ?? '');
      const own = [...pages].filter((page) => page.of === of).length;
      if (own >= each || pages.size >= all)
        throw new HttpProblem(
          problem(429, say('server.http.events.tooManyPages'), say('server.http.events.closeSome')),
        );
      // no-transform keeps the stream from being compressed, which would hold events back until a buffer is full
      response.status(200).set({ 'content-type': 'text/event-stream', 'cache-control': 'no-store, no-transform' });
      response.flushHeaders();
      response.write('retry: 1000\n\n');
      const last = Number(request.get('last-event-id') ?? request.query['since']);
      if (Number.isInteger(last) && last >= 0) {
        const lines = missedAfter(last);
        if (lines.length > 0)
          response.write(frame(lines.length > missed ? { type: 'renewed' } : { type: 'entries', entries: lines }));
      }
      const isOver = () => endsMs !== null && endsMs <= nowMs();
      const page: Page = { response, deviceId, of, isOver };
      pages.add(page);
      request.on('close', () => pages.delete(page));
    },
    leave: (goes) => {
      for (const page of pages) if (goes(page.deviceId)) page.response.end();
    },
    close: () => {
      clearInterval(beat);
      pages.forEach(({ response }) => response.end());
      pages.clear();
    },
  };
}

function frame(event: ServerEvent): string {
  const id = event.type === 'entries' ? `id: ${event.entries.at(-1)!.seq}\n` : '';
  return `${id}data: ${JSON.stringify(event)}\n\n`;
}
