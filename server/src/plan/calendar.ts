import { plannedBatchName, visitsOf, type Kept, type PlannedBatch, type Visit } from '@oat-crock/contract';
import ical, { ICalAlarmType, ICalEventStatus } from 'ical-generator';
import { duration, say, temp, weighed } from '@oat-crock/core';
import { type Words } from '../words.js';

const MIN_MS = 60_000;
/** Before each visit the calendar says a word, seconds. */
const ALARM_S = 10 * 60;
/** A feeding takes so long to begin, and to put into the cold, minutes. */
const FEED_MIN = { begin: 10, end: 5 } as const;

/**
 * The visits of planned makes, and when each is handed on, as a calendar (RFC 5545). Every event keeps its UID for as long as its
 * make is of the same order, day and part, and counts its versions, so that reading it again replaces what was read before;
 * what was taken away is sent as cancelled.
 *
 * @param nowMs the moment at which it is written
 * @param words how its household reads it
 */
export function calendarOf(plannedBatches: readonly Kept<PlannedBatch>[], nowMs: number, words: Words): string {
  const calendar = ical({
    name: words(say('server.calendar.name')),
    prodId: { company: 'oat-crock', product: 'plan', language: 'EN' },
  });
  for (const { item, version, goneMs } of plannedBatches) {
    if (item.batchId !== null) continue;
    const status = goneMs === null ? ICalEventStatus.CONFIRMED : ICalEventStatus.CANCELLED;
    for (const { id, fromMs, untilMs, summary, description, alarm } of eventsOf(item, words)) {
      const event = calendar.createEvent({
        id: `${item.id}-${id}@oat-crock`,
        sequence: version - 1,
        stamp: new Date(nowMs),
        start: new Date(fromMs),
        end: new Date(Math.max(untilMs, fromMs + MIN_MS)),
        summary,
        description,
        status,
      });
      if (alarm && goneMs === null)
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
}

function eventsOf(plannedBatch: PlannedBatch, words: Words): readonly PlanEvent[] {
  const { feed, dueMs } = plannedBatch;
  const of = plannedBatchName(plannedBatch);
  const visits = visitsOf(plannedBatch.tasks).map((visit): PlanEvent => ({
    id: visit.tasks[0]!.stageId,
    fromMs: visit.fromMs,
    untilMs: visit.untilMs,
    summary: words(say('server.calendar.hands', { of, time: duration(minutesOf(visit)) })),
    description: describe(visit, words),
    alarm: true,
  }));
  const feeding: readonly PlanEvent[] = feed
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
          alarm: true,
        },
        {
          id: 'fed',
          fromMs: feed.ripeMs,
          untilMs: feed.ripeMs + FEED_MIN.end * MIN_MS,
          summary: words(say('server.calendar.ripe', { of })),
          description: words(say('server.calendar.cold')),
          alarm: true,
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
            alarm: false,
          },
        ];
  return [...feeding, ...visits, ...handed];
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
