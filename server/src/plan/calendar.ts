import {
  plannedBatchName,
  doersOf,
  visitsOf,
  type Kept,
  type PlannedBatch,
  type PlannedTask,
  type Visit,
} from '@oat-crock/contract';
import ical, { ICalAlarmType, ICalEventStatus } from 'ical-generator';
import { duration, say, temp, weighed, type Text } from '@oat-crock/core';
import { type Words } from '../words.js';
import type { LiveHands } from './live-hands.js';

const MIN_MS = 60_000;
/** Before each visit the calendar says a word, seconds. */
const ALARM_S = 10 * 60;
/** A calendar that is subscribed to asks again after so long, s. */
const ASK_AGAIN_S = 3600;
/** What was to be ready longer ago than this is no more in it, ms. */
const KEPT_MS = 30 * 24 * 60 * MIN_MS;
/** A feeding takes so long to begin, and to put into the cold, minutes. */
const FEED_MIN = { begin: 10, end: 5 } as const;

/**
 * The visits of planned makes, and when each is handed on, as a calendar (RFC 5545). Every event keeps its UID for as long as its
 * make is of the same order, day and part, and counts its versions, so that reading it again replaces what was read before;
 * what was taken away is sent as cancelled. A make that was begun has the hands that it still asks for, where its forecast has them.
 *
 * @param nowMs the moment at which it is written
 * @param words how its household reads it
 * @param liveHands the hands of a planned make that was begun; null where it was not, or cannot be followed
 * @param whose only what one of those who help does; all of it where it is null
 */
export function calendarOf(
  plannedBatches: readonly Kept<PlannedBatch>[],
  nowMs: number,
  words: Words,
  liveHands: (plannedBatch: PlannedBatch) => LiveHands | null = () => null,
  whose: string | null = null,
): string {
  const calendar = ical({
    name: words(say('server.calendar.name')),
    prodId: { company: 'oat-crock', product: 'plan', language: 'EN' },
    // As REFRESH-INTERVAL (RFC 7986) and as the property that was there before it.
    ttl: ASK_AGAIN_S,
  });
  for (const { item, version, goneMs } of plannedBatches) {
    if ((item.dueMs ?? item.readyLateMs) < nowMs - KEPT_MS) continue;
    const live = goneMs === null ? liveHands(item) : null;
    // A forecast moves by itself: what it says is newer with every minute.
    const sequence = version - 1 + (live ? Math.max(0, Math.floor((nowMs - item.startMs) / MIN_MS)) : 0);
    for (const planEvent of eventsOf(item, words, live, live ? nowMs : version > 1 ? 0 : Infinity)) {
      const { id, fromMs, untilMs, summary, description, alarm, isGone, who } = planEvent;
      if (whose !== null && !who.includes(whose)) continue;
      const status = goneMs === null && !isGone ? ICalEventStatus.CONFIRMED : ICalEventStatus.CANCELLED;
      const event = calendar.createEvent({
        id: `${item.id}-${id}@oat-crock`,
        sequence,
        stamp: new Date(nowMs),
        start: new Date(fromMs),
        end: new Date(Math.max(untilMs, fromMs + MIN_MS)),
        summary,
        description,
        status,
      });
      if (alarm && status === ICalEventStatus.CONFIRMED)
        event.createAlarm({ type: ICalAlarmType.display, trigger: ALARM_S, description: summary });
    }
  }
  return calendar.toString();
}

interface PlanEvent {
  readonly id: string;
  readonly fromMs: number;
  readonly untilMs: number;
  readonly summary: string;
  readonly description: string;
  readonly alarm: boolean;
  /** Whose hands; somebody of the house has an empty name. */
  readonly who: readonly string[];
  /** It was there before, and is no more. */
  readonly isGone: boolean;
}

/** @param goneFromMs what was planned from then on, and is the begin of no visit any more, is gone: it may have been written as one */
function eventsOf(
  plannedBatch: PlannedBatch,
  words: Words,
  live: LiveHands | null,
  goneFromMs: number,
): readonly PlanEvent[] {
  const { feed, dueMs, tasks } = plannedBatch;
  const of = plannedBatchName(plannedBatch);
  const eventOf = (visit: Visit): PlanEvent => ({
    id: visit.tasks[0]!.stageId,
    fromMs: visit.fromMs,
    untilMs: visit.untilMs,
    summary: words(handsOf(of, visit)),
    description: describe(visit, words),
    ...{ alarm: true, isGone: false, who: namesOf(visit.tasks[0]!) },
  });
  const visits = visitsOf(live?.tasks ?? tasks).map(eventOf);
  const there = new Set(visits.map(({ id }) => id));
  const gone = tasks
    .filter(({ stageId, atMs }) => atMs >= goneFromMs && !there.has(stageId))
    .map((task) => ({ ...eventOf(...(visitsOf([task]) as [Visit])), isGone: true }));
  const feeding: readonly PlanEvent[] =
    feed && !live
      ? [
          {
            id: 'feed',
            fromMs: feed.beginMs,
            untilMs: feed.beginMs + FEED_MIN.begin * MIN_MS,
            summary: words(say('server.calendar.feed', { of })),
            description: words(
              say('server.calendar.stir', {
                starter: weighed(feed.starterG),
                milk: weighed(feed.milkG),
                temp: temp(feed.tempC),
              }),
            ),
            ...{ alarm: true, isGone: false, who: namesOf(feed) },
          },
          {
            id: 'fed',
            fromMs: feed.ripeMs,
            untilMs: feed.ripeMs + FEED_MIN.end * MIN_MS,
            summary: words(say('server.calendar.ripe', { of })),
            description: words(say('server.calendar.cold')),
            ...{ alarm: true, isGone: false, who: namesOf(feed) },
          },
        ]
      : [];
  const handed: readonly PlanEvent[] =
    dueMs === null
      ? []
      : [
          {
            id: 'due',
            fromMs: dueMs,
            untilMs: dueMs,
            summary: words(say('server.calendar.handedOn', { of })),
            description: '',
            ...{ alarm: false, isGone: live?.isLost ?? false, who: [''] },
          },
        ];
  return [...feeding, ...visits, ...gone, ...handed];
}

const namesOf = ({ who = '', with: second }: Pick<PlannedTask, 'who' | 'with'>): readonly string[] =>
  second === undefined ? [who] : [who, second];

/** "Hands for the quark, 20 min"; with who does it, where that is somebody who helps. */
function handsOf(of: Text, visit: Visit): Text {
  const what = { of, time: duration(minutesOf(visit)) };
  const who = doersOf(visit.tasks[0]!);
  return who ? say('server.calendar.handsOf', { ...what, who }) : say('server.calendar.hands', what);
}

const minutesOf = ({ tasks }: Visit) => Math.round(tasks.reduce((sum, h) => sum + h.minutes, 0));

/** What the hands of a visit do, and how late its first may come. */
function describe({ tasks, fromMs }: Visit, words: Words): string {
  const [first] = tasks;
  const slackMin = Math.floor((first!.latestMs - fromMs) / MIN_MS);
  const shownMin = slackMin < 90 ? slackMin : 60 * Math.floor(slackMin / 60);
  const slack = slackMin >= 5 ? [words(say('server.calendar.canWait', { time: duration(shownMin) }))] : [];
  return [...tasks.map((h) => words(h.says)), ...slack].join('\n');
}
