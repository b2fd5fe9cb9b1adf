import type { ServerEvent, StoredEntry } from '@oat-crock/contract';
import type { Request, Response } from 'express';

/** Tells every open page what happens (server-sent events). */
export interface Events {
  readonly tell: (event: ServerEvent) => void;
  /** What is told is heard within the server too. */
  readonly hear: (listener: (event: ServerEvent) => void) => void;
  /** Joins a page; one that was away and says what it saw last gets what it missed. */
  readonly join: (request: Request, response: Response) => void;
  readonly close: () => void;
}

const STILL_HERE_MS = 15_000;

/** @param missedAfter what a page missed of the log, after a place in its order */
export function events(missedAfter: (seq: number) => readonly StoredEntry[]): Events {
  const pages = new Set<Response>();
  const listeners: ((event: ServerEvent) => void)[] = [];
  const beat = setInterval(() => pages.forEach((page) => page.write(': still here\n\n')), STILL_HERE_MS);
  beat.unref();
  return {
    tell: (event) => {
      const text = frame(event);
      pages.forEach((page) => page.write(text));
      listeners.forEach((listener) => listener(event));
    },
    hear: (listener) => {
      listeners.push(listener);
    },
    join: (request, response) => {
      // no-transform keeps the stream from being compressed, which would hold events back until a buffer is full
      response.status(200).set({ 'content-type': 'text/event-stream', 'cache-control': 'no-store, no-transform' });
      response.flushHeaders();
      response.write('retry: 1000\n\n');
      const last = Number(request.get('last-event-id') ?? request.query['since']);
      if (Number.isInteger(last) && last >= 0) {
        const missed = missedAfter(last);
        if (missed.length > 0) response.write(frame({ type: 'entries', entries: missed }));
      }
      pages.add(response);
      request.on('close', () => pages.delete(response));
    },
    close: () => {
      clearInterval(beat);
      pages.forEach((page) => page.end());
      pages.clear();
    },
  };
}

function frame(event: ServerEvent): string {
  const id = event.type === 'entries' ? `id: ${event.entries.at(-1)!.seq}\n` : '';
  return `${id}data: ${JSON.stringify(event)}\n\n`;
}
