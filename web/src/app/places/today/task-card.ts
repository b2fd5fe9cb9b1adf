import { hourKind } from '@oat-crock/calendar';
import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { ButtonModule } from 'primeng/button';
import { KitchenClock } from '../../state/kitchen-clock';
import { timedLog } from '../../shared/log/timed-log';
import { WhenRow } from '../../shared/log/when-row';
import { LogPadState } from '../../shared/log/log-pad.state';
import { householdSelectors } from '../../state/household';
import { BatchFocus } from '../../state/focus';
import { clockTime, fromNow, toFive } from '../../shared/ui/words';
import { slackWords, type NextTask } from '../../shared/tasks/next-tasks';
import { LookRow } from '../../shared/ui/look-row';
import { OneTouch } from '../../shared/ui/one-touch';
import { SaidPipe, tell, SayPipe } from '../../shared/ui/said';

const MOVED_MS = 60_000;

/** One task: when, what, what to look for, how long it can wait, and the one control that records it. */
@Component({
  selector: 'oc-task-card',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [OneTouch, LookRow, SaidPipe, ButtonModule, RouterLink, WhenRow, SayPipe],
  templateUrl: './task-card.html',
  styleUrl: './task-card.css',
  host: { '[class.first]': 'first()', '[class.due]': "next().task.status === 'due'" },
})
export class TaskCard {
  readonly next = input.required<NextTask>();
  readonly first = input(false);
  private readonly store = inject(Store);
  private readonly asleep = this.store.selectSignal(householdSelectors.selectAsleep);
  private readonly works = this.store.selectSignal(householdSelectors.selectWorks);
  protected readonly timed = timedLog(() => this.next().batch);
  private readonly pad = inject(LogPadState);
  private readonly focus = inject(BatchFocus);
  protected readonly clock = inject(KitchenClock);

  protected readonly at = computed(() => clockTime(toFive(this.next().task.atMs), this.clock.nowMs()));
  protected readonly iso = computed(() => new Date(this.next().task.atMs).toISOString());
  protected readonly when = computed(() => fromNow(this.next().task.atMs, this.clock.nowMs()));
  protected readonly slack = computed(() =>
    slackWords(this.next().task, this.clock.nowMs(), (at) => clockTime(toFive(at), this.clock.nowMs())),
  );
  protected readonly late = computed(
    () => this.next().task.latestMs > this.next().task.earliestMs && this.next().task.latestMs < this.clock.nowMs(),
  );

  /** A word on hands that fall in the night, were moved out of it, or fall outside working hours. */
  protected readonly night = computed(() => {
    const { atMs, readyMs } = this.next().task;
    const hours = hourKind(atMs, this.asleep(), this.works());
    if (hours === 'night') return tell('page.today.taskCard.nightOneCannotWait');
    const say = (ms: number) => clockTime(toFive(ms), this.clock.nowMs());
    if (atMs > readyMs + MOVED_MS) return tell('page.today.taskCard.readyFromLeftTill', { ready: say(readyMs) });
    return hours === 'off' ? tell('page.today.taskCard.outsideWorkingHours') : '';
  });

  protected record(): void {
    const { batch, task } = this.next();
    this.focus.look(batch.id);
    this.timed.write({ type: 'step', stageId: task.stageId });
  }

  protected log(): void {
    this.pad.open(this.next().batch.id);
  }

  protected see(cue: string, answer: string): void {
    this.focus.look(this.next().batch.id);
    this.timed.write({ type: 'cue', cue, answer });
  }
}
