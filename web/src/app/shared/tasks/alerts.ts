import { computed, effect, inject, Injectable, InjectionToken, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import { batchName } from '../ui/batch-name';
import { KitchenClock } from '../../state/kitchen-clock';
import { followFeature } from '../../state/follow.feature';
import { keepHere, keptHere } from '../../state/kept-here';
import { selectLive } from '../../state/log.feature';
import { textOf, tell } from '../ui/said';
import { clockTime, toFive } from '../ui/words';
import { PlanRecords } from '../../state/plan-records';
import { Bell } from './bell';
import { nextTasks } from './next-tasks';
import { planTasks, planTaskSays } from './plan-tasks';

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

/** Hands that are near: of what, when, and what they do. */
interface Near {
  readonly key: string;
  readonly of: string;
  readonly atMs: number;
  readonly text: string;
}

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
  private readonly told = new Set<string>();

  private readonly planned = inject(PlanRecords).plannedBatches;

  /** The next hands of each make that are due within minutes, and what of the plan is to be begun or fed. */
  readonly near = computed((): readonly Near[] => {
    const nowMs = this.clock.nowMs();
    const live = nextTasks(this.live(), this.followed())
      .filter(({ recordable, finishes }) => recordable || finishes)
      .map(({ batch, task, finishes }): Near => ({
        key: `${batch.id} ${task.stageId} ${finishes}`,
        of: batch.name,
        atMs: task.atMs,
        text: finishes ? tell('page.today.alerts.weighLogWhatCame') : textOf(task.instruction),
      }));
    const open = this.planned().filter((p) => p.batchId === null);
    const planned = planTasks(open, nowMs).map((task): Near => ({
      key: `${task.plannedBatch.id} ${task.is} ${task.atMs}`,
      of: batchName(task.plannedBatch),
      atMs: task.atMs,
      text: textOf(planTaskSays(task)),
    }));
    return [...live, ...planned].filter(({ atMs }) => atMs - nowMs <= NEAR_MS && nowMs - atMs < STALE_MS);
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

  private alert({ key, of, atMs, text }: Near): void {
    if (this.told.has(key)) return;
    this.told.add(key);
    const words = textOf(text);
    this.said.set(`${clockTime(toFive(atMs), this.clock.nowMs())}, ${of}: ${words}`);
    const by = this.by();
    if (by === 'chime' || by === 'chime and note') this.bell.ring();
    if (by === 'chime and note') this.notes.show(of, words);
  }
}
