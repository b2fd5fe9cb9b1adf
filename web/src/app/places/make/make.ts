import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { ButtonModule } from 'primeng/button';
import { uniqueTexts, holdOf, methodOf } from '@oat-crock/core';
import { KitchenClock } from '../../state/kitchen-clock';
import { Pour } from '../../shared/pour/pour';
import { BatchFocus } from '../../state/focus';
import { FollowActions, followFeature } from '../../state/follow.feature';
import { householdSelectors } from '../../state/household';
import { logFeature } from '../../state/log.feature';
import { capital, mass } from '../../shared/ui/words';
import { BalanceTable } from './balance-table';
import { BatchList } from './batch-list';
import { FinishForm } from './finish-form';
import { LabelPanel } from './label-panel';
import { LearnedLines } from '../../shared/learned/learned-lines';
import { LogList } from './log-list';
import { DecisionBox, type Deciding } from './decision-box';
import { Otherwise } from './otherwise';
import { Photos } from './photos';
import { ProbeList } from './probe-list';
import { SafetyPanel } from './safety-panel';
import { StagePanel } from './stage-panel';
import { headline } from './stage-words';
import { WhyPanel } from './why-panel';
import { named, SaidPipe, SayPipe } from '../../shared/ui/said';
import { Workers } from '../../engine/workers';
import { LogPadState } from '../../shared/log/log-pad.state';

const HOUR_MS = 3_600_000;

/** One batch: the long pour, the stage at hand, the balance, the cautions and the log. */
@Component({
  selector: 'oc-make',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    ButtonModule,
    SaidPipe,
    Pour,
    LogList,
    FinishForm,
    BalanceTable,
    BatchList,
    DecisionBox,
    Otherwise,
    LabelPanel,
    LearnedLines,
    Photos,
    ProbeList,
    SafetyPanel,
    StagePanel,
    WhyPanel,
    RouterLink,
    SayPipe,
  ],
  templateUrl: './make.html',
  styleUrl: './make.css',
})
export class Make {
  /** From the address; absent at the list of makes. */
  readonly batchId = input<string>();

  private readonly store = inject(Store);
  protected readonly clock = inject(KitchenClock);
  protected readonly pad = inject(LogPadState);
  /** Nothing can be worked out on this page: the log is what there is. */
  protected readonly cannotWork = inject(Workers).failed;
  protected readonly asleep = this.store.selectSignal(householdSelectors.selectAsleep);
  private readonly batches = this.store.selectSignal(logFeature.selectBatches);
  private readonly byBatch = this.store.selectSignal(followFeature.selectByBatch);
  private readonly failures = this.store.selectSignal(followFeature.selectFailed);

  protected readonly batch = computed(() => this.batches().find((b) => b.id === this.batchId()) ?? null);
  protected readonly followed = computed(() => this.byBatch()[this.batchId() ?? ''] ?? null);
  protected readonly failure = computed(() => this.failures()[this.batchId() ?? ''] ?? null);
  private readonly loaded = this.store.selectSignal(logFeature.selectLoaded);
  private readonly past = this.store.selectSignal(logFeature.selectPast);
  private readonly unknown = this.store.selectSignal(logFeature.selectUnknown);
  /** It may be one of those that the page was not told to begin with, and is being asked for. */
  protected readonly mayCome = computed(
    () => !this.loaded() || (this.past().count > 0 && !this.unknown().includes(this.batchId() ?? '')),
  );
  protected readonly method = computed(() => (this.batch() ? named(methodOf(this.batch()!).name) : ''));
  protected readonly headline = computed(() => {
    const [batch, followed] = [this.batch(), this.followed()];
    return batch && followed ? headline(batch, followed, this.clock.nowMs()) : '';
  });

  /** The stage shown below: the one at hand, unless another was picked. */
  private readonly picked = signal<string | null>(null);
  protected readonly stage = computed(() => {
    const stages = this.followed()?.stages ?? [];
    return (
      stages.find((s) => s.id === this.picked()) ??
      stages.find((s) => s.status === 'now') ??
      stages.findLast((s) => s.endsBy === 'solids' || s.endsBy === 'acidity') ??
      null
    );
  });
  protected readonly next = computed(() => this.followed()?.tasks.find((h) => h.status !== 'done') ?? null);
  protected readonly finishing = computed(() => {
    const followed = this.followed();
    return this.batch()?.ended === null && followed !== null && this.next() === null;
  });
  protected readonly span = computed(() => {
    const series = this.followed()?.series ?? [];
    const from = series[0]?.atMs ?? 0;
    const until = series[series.length - 1]?.atMs ?? 1;
    const lasts = Math.max(HOUR_MS, until - from);
    return { from: from - lasts * 0.05, until: until + lasts * 0.02 };
  });
  protected readonly cautions = computed(() => uniqueTexts(this.followed()?.stages.flatMap((s) => s.cautions) ?? []));
  protected readonly held = computed(() => this.batch() !== null && holdOf(this.batch()!) !== null);
  /** What is being decided of it, with a name and a reason. */
  protected readonly deciding = signal<Deciding>(null);
  protected readonly capital = capital;
  protected readonly mass = mass;

  constructor() {
    const focus = inject(BatchFocus);
    const router = inject(Router);
    effect(() => {
      const id = this.batchId();
      if (id) {
        focus.look(id);
        this.store.dispatch(FollowActions.wanted({ batchId: id }));
      } else {
        const only = this.batches().filter((b) => b.ended === null);
        if (only.length === 1) void router.navigate(['/make', only[0]!.id], { replaceUrl: true });
      }
    });
  }

  protected pick(stageId: string): void {
    this.picked.update((now) => (now === stageId ? null : stageId));
  }
}
