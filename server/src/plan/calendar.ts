import { pourName, sittingsOf, type Kept, type PlannedPour, type Sitting } from '@oat-crock/contract';
import ical, { ICalAlarmType, ICalEventStatus } from 'ical-generator';

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
 */
export function calendarOf(pours: readonly Kept<PlannedPour>[], nowMs: number): string {
  const calendar = ical({
    name: 'Oat Crock: hands',
    prodId: { company: 'oat-crock', product: 'plan', language: 'EN' },
  });
  for (const { item, version, goneMs } of pours) {
    if (item.batchId !== null) continue;
    const status = goneMs === null ? ICalEventStatus.CONFIRMED : ICalEventStatus.CANCELLED;
    for (const { id, fromMs, untilMs, summary, description, alarm } of eventsOf(item)) {
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

function eventsOf(pour: PlannedPour): readonly PlanEvent[] {
  const { feed, dueMs } = pour;
  const of = pourName(pour);
  const visits = sittingsOf(pour.hands).map((sitting): PlanEvent => ({
    id: sitting.hands[0]!.stageId,
    fromMs: sitting.fromMs,
    untilMs: sitting.untilMs,
    summary: `${of}: ${minutesOf(sitting)} min of hands`,
    description: describe(sitting),
    alarm: true,
  }));
  const feeding: readonly PlanEvent[] = feed
    ? [
        {
          id: 'feed',
          fromMs: feed.beginMs,
          untilMs: feed.beginMs + FEED_MIN.begin * MIN_MS,
          summary: `${of}: feed its starter`,
          description: `${feed.starterG} g into ${feed.milkG} g of scalded milk at ${feed.tempC} °C.`,
          alarm: true,
        },
        {
          id: 'fed',
          fromMs: feed.ripeMs,
          untilMs: feed.ripeMs + FEED_MIN.end * MIN_MS,
          summary: `${of}: its starter is ripe`,
          description: 'Put it into the cold until it is taken.',
          alarm: true,
        },
      ]
    : [];
  const handed: readonly PlanEvent[] =
    dueMs === null
      ? []
      : [{ id: 'due', fromMs: dueMs, untilMs: dueMs, summary: `${of}: handed on`, description: '', alarm: false }];
  return [...feeding, ...visits, ...handed];
}

const minutesOf = ({ hands }: Sitting) => Math.round(hands.reduce((sum, h) => sum + h.minutes, 0));

/** What the hands of a visit do, and how late its first may come. */
function describe({ hands, fromMs }: Sitting): string {
  const [first] = hands;
  const giveMin = Math.floor((first!.latestMs - fromMs) / MIN_MS);
  const give =
    giveMin >= 5 ? `\nIt can wait ${giveMin < 90 ? `${giveMin} min` : `${Math.floor(giveMin / 60)} h`}.` : '';
  return hands.map((h) => h.says).join('\n') + give;
}
