import { computed, effect, inject, Injectable, InjectionToken, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import { handsCalls, isNews, type HandsCall } from '@oat-crock/calendar';
import { KitchenClock } from '../../state/kitchen-clock';
import { followFeature } from '../../state/follow.feature';
import { keepHere, keptHere } from '../../state/kept-here';
import { selectLive } from '../../state/log.feature';
import { named, textOf } from '../ui/said';
import { clockTime, toFive } from '../ui/words';
import { PlanRecords } from '../../state/plan-records';
import { Bell } from './bell';

/** How somebody wants to be told: not asked yet, not at all, by a chime, or by a chime and a note of the device. */
export type ToldBy = 'unasked' | 'nothing' | 'chime' | 'chime and note';

const KEPT = 'oat-crock-alerts';
const WAYS: readonly string[] = ['nothing', 'chime', 'chime and note'];
const isWay = (value: unknown): value is ToldBy => typeof value === 'string' && WAYS.includes(value);

/** Hands are near when they are due within so long, ms of the kitchen's clock. */
const NEAR_MS = 3 * 60_000;
/** What has been due longer than this when the page first sees it, ms, is not rung for: it stands on Today. */
const STALE_MS = 20 * 60_000;

/** The device's own notes, so that a test can stand in for them. */
export const DEVICE_NOTES = new InjectionToken<{
  readonly may: () => Promise<boolean>;
  readonly show: (title: string, text: string) => void;
}>('device notes', {
  providedIn: 'root',
  factory: () => ({
    may: async () => 'Notification' in window && (await Notification.requestPermission()) === 'granted',
    show: (title, text) => {
      if ('Notification' in window && Notification.permission === 'granted') new Notification(title, { body: text });
    },
  }),
});

/** Tells somebody, wherever they are in the house, that hands are near: once for each task. */
@Injectable({ providedIn: 'root' })
export class Alerts {
  private readonly store = inject(Store);
  private readonly clock = inject(KitchenClock);
  private readonly bell = inject(Bell);
  private readonly notes = inject(DEVICE_NOTES);
  private readonly live = this.store.selectSignal(selectLive);
  private readonly followed = this.store.selectSignal(followFeature.selectByBatch);

  readonly by = signal<ToldBy>(keptHere(KEPT, isWay)?.['by'] ?? 'unasked');
  /** What was told of last, in words: for screen readers and for those without sound. */
  readonly said = signal('');
  /** For what somebody was told, and for which moment, ms. */
  private readonly told = new Map<string, number>();

  private readonly planned = inject(PlanRecords).plannedBatches;

  /** The next hands of each make that are due within minutes, and what of the plan is to be begun or fed. */
  readonly near = computed((): readonly HandsCall[] => {
    const nowMs = this.clock.nowMs();
    const followed = this.followed();
    const live = this.live().map((batch) => ({ batch, followed: followed[batch.id] ?? null }));
    return handsCalls(live, this.planned()).filter(({ atMs }) => atMs - nowMs <= NEAR_MS && nowMs - atMs < STALE_MS);
  });

  constructor() {
    effect(() => this.near().forEach((next) => this.alert(next)));
  }

  /** Chosen by a touch, which also lets the page make a sound; the device is asked only where its notes are wanted. */
  async choose(by: Exclude<ToldBy, 'unasked'>): Promise<void> {
    const granted = by !== 'chime and note' || (await this.notes.may());
    this.by.set(granted ? by : 'chime');
    keepHere(KEPT, { by: this.by() });
    if (by !== 'nothing') this.bell.ring();
  }

  private alert(call: HandsCall): void {
    if (!isNews(call, this.told.get(call.key))) return;
    this.told.set(call.key, call.atMs);
    const [of, words] = [named(call.of), textOf(call.says)];
    this.said.set(`${clockTime(toFive(call.atMs), this.clock.nowMs())}, ${of}: ${words}`);
    const by = this.by();
    if (by === 'chime' || by === 'chime and note') this.bell.ring();
    if (by === 'chime and note') this.notes.show(of, words);
  }
}
