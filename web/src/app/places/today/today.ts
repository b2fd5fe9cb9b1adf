import { firstVisit, planTasks, wakeBefore, type PlanTask } from '@oat-crock/calendar';
import { ChangeDetectionStrategy, Component, computed, effect, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { duration, holdOf, moment, percent, type ReadyWindow, say } from '@oat-crock/core';
import { visitsOf } from '@oat-crock/contract/api';
import { batchName } from '../../shared/ui/batch-name';
import { CultureActs } from '../../state/culture-acts';
import { OwnCultures } from '../../state/own-cultures';
import { feedsNow, wantsOf } from '../../state/culture-wants';
import { KitchenClock } from '../../state/kitchen-clock';
import { dueLots, dueStocks } from '../../state/due';
import { selectHere } from '../../state/own-stock';
import { MethodBook } from '../../state/method-book';
import { OwnLarder } from '../../state/own-larder';
import { OwnOrders } from '../../state/own-orders';
import { PlanService } from '../../planner/plan-service';
import { BatchFocus } from '../../state/focus';
import { followFeature } from '../../state/follow.feature';
import { householdSelectors } from '../../state/household';
import { logFeature, selectLive } from '../../state/log.feature';
import { roomFeature } from '../../state/room.feature';
import { Crock } from '../../shared/ui/crock';
import { acidity, capital, longDay, mass, tasteOf, temp, toFive, windowWords } from '../../shared/ui/words';
import { AlertAsk } from './alert-ask';
import { FirstMake } from './first-make';
import { GrowCard } from './grow-card';
import { dueDeliveries } from './due-deliveries';
import { FeedCard } from './feed-card';
import { TaskCard } from './task-card';
import { keptStarters } from './kept-starters';
import { nextTasks, type NextTask } from '../../shared/tasks/next-tasks';
import { PlanCard } from './plan-card';
import { roomWords } from './room-words';
import { SaidPipe, textOf, tell, AroundPipe, SayPipe, titled } from '../../shared/ui/said';
import { Workers } from '../../engine/workers';

/** Lots are quietly due so many days before their date, and so many of them are named. */
const DUE_DAYS = 1;
const DUE_SHOWN = 2;
const WANTS_SHOWN = 3;
/** Hands so near come before the feeding of a culture. */
const NEAR_MS = 3_600_000;

/** Minutes of hands that a culture's feeding takes. */
const FEED_MIN = 5;

/** Minutes of hands that a row of Today asks for. */
function minutesOf(
  row: { readonly next: NextTask } | { readonly plan: PlanTask } | { readonly feed: unknown },
): number {
  if ('next' in row) return row.next.task.minutes;
  if ('feed' in row || row.plan.is === 'feed') return FEED_MIN;
  return firstVisit(row.plan.plannedBatch)?.tasks.reduce((sum, { minutes }) => sum + minutes, 0) ?? 0;
}

/** What runs off where its stage has no name for it. */
const WHEY = say('good.whey');

/** What a window is of: sour enough, thick enough, or its time by the clock. */
function readyWords(window: ReadyWindow | undefined): string {
  if (window?.byClock) return tell('page.today.today.itsTimeUp');
  return window?.by === 'solids' ? tell('page.today.today.thickEnough') : tell('page.today.today.sourEnough');
}

/** What do my hands do next. */
@Component({
  selector: 'oc-today',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    AroundPipe,
    SaidPipe,
    AlertAsk,
    FirstMake,
    GrowCard,
    FeedCard,
    TaskCard,
    PlanCard,
    RouterLink,
    Crock,
    SayPipe,
  ],
  templateUrl: './today.html',
  styleUrl: './today.css',
})
export class Today {
  private readonly store = inject(Store);
  protected readonly clock = inject(KitchenClock);
  private readonly larder = inject(OwnLarder);
  private readonly batches = this.store.selectSignal(logFeature.selectBatches);
  protected readonly live = this.store.selectSignal(selectLive);
  private readonly followed = this.store.selectSignal(followFeature.selectByBatch);

  protected readonly day = computed(() => titled(longDay(this.clock.nowMs())));
  protected readonly empty = computed(() => this.batches().length === 0);
  protected readonly idle = computed(() => this.live().length === 0 && this.planned().length === 0);
  protected readonly tasks = computed(() => nextTasks(this.live(), this.followed()));
  /** Hands at the crocks and milk for the cultures, in order of time: what a culture wants now can wait for hands that are near. */
  protected readonly rows = computed(() => {
    const [nowMs, asleep] = [this.clock.nowMs(), this.asleep()];
    const feeds = this.wanting().flatMap(({ due, feeding }) => {
      if (!feeding) return [];
      const byMs = due.level === 'soon' ? wakeBefore(due.feedByMs ?? nowMs, asleep) : nowMs;
      return [{ id: due.lot.id, atMs: Math.max(byMs, nowMs + NEAR_MS), feed: { due, feeding, byMs } }];
    });
    const tasks = this.tasks().map((next) => ({ id: next.batch.id + next.task.stageId, atMs: next.task.atMs, next }));
    const plans = planTasks(this.planned(), nowMs).map((plan) => ({
      id: `${plan.plannedBatch.id} ${plan.is}`,
      atMs: plan.atMs,
      plan,
    }));
    return [...tasks, ...feeds, ...plans].sort((x, y) => x.atMs - y.atMs);
  });
  /** Hands that are done in one go, by the row that begins them: from when until when, how many, and how long they take. */
  protected readonly visits = computed(() => {
    const visits = visitsOf(this.rows().map((row) => ({ id: row.id, atMs: row.atMs, minutes: minutesOf(row) })));
    return new Map(
      visits
        .filter(({ tasks }) => tasks.length > 1)
        .map(({ fromMs, untilMs, tasks }) => [
          tasks[0]!.id,
          tell('page.today.today.oneVisit', {
            from: moment(toFive(fromMs)),
            until: moment(toFive(untilMs)),
            count: tasks.length,
            minutes: duration(tasks.reduce((sum, { minutes }) => sum + minutes, 0)),
          }),
        ]),
    );
  });
  private readonly plans = inject(PlanService);
  private readonly planned = computed(() => this.plans.standing()?.plannedBatches ?? this.plans.inputs.planned());
  /** What of the plan no longer holds, in words. */
  protected readonly planTrouble = computed(() => {
    const troubles = this.plans.draft() ? [] : (this.plans.standing()?.troubles ?? []);
    const [first] = troubles;
    const plannedBatch = this.planned().find((p) => p.id === first?.plannedBatchId);
    return first && plannedBatch
      ? tell('page.today.today.trouble', {
          name: batchName(plannedBatch),
          says: first.breaks[0]!.says,
          more: troubles.length - 1,
        })
      : '';
  });
  /** Nothing can be worked out on this page: what there is are the makes and their logs. */
  protected readonly cannotWork = inject(Workers).failed;
  protected readonly working = computed(() => this.live().some((b) => !this.followed()[b.id]));
  private readonly cultures = inject(OwnCultures);
  protected readonly acts = inject(CultureActs);
  /** What lives and wants something, the strongest of each line: what is fed waits among the hands, the rest is quietly due. */
  private readonly asleep = this.store.selectSignal(householdSelectors.selectAsleep);
  private readonly wanting = computed(() =>
    wantsOf(this.cultures.dues(), this.cultures.all())
      .slice(0, WANTS_SHOWN)
      .map((due) => ({ due, feeding: feedsNow(due) ? this.acts.feeding(due) : null })),
  );
  protected readonly wants = computed(() => this.wanting().filter(({ feeding }) => feeding === null));
  /** What makes held back that nobody took among the cultures. */
  protected readonly starters = computed(() =>
    keptStarters(this.batches(), this.cultures.lots(), this.cultures.all(), this.clock.nowMs()),
  );

  private readonly wanted = inject(OwnOrders).wanted;
  private readonly book = inject(MethodBook);
  protected readonly deliveries = computed(() =>
    dueDeliveries(this.wanted(), this.clock.nowMs(), (id) => this.book.find(id)),
  );

  /** Nothing lives here to start the next make, and one is on that something is kept of. */
  protected readonly noStarter = computed(
    () =>
      this.starters().length === 0 &&
      this.cultures.alive().length === 0 &&
      this.live().some((b) => this.followed()[b.id]?.outcome.byproducts.some(({ is }) => is === 'starter')),
  );

  protected readonly plannedBatches = computed(() =>
    this.live().flatMap((batch) => {
      const followed = this.followed()[batch.id];
      if (!followed) return [];
      const stage = followed.stages.find((s) => s.status === 'now');
      const window = followed.windows.find((w) => followed.stages.find((s) => s.id === w.stageId)?.status !== 'done');
      return [
        {
          batch,
          stage: capital(textOf(stage?.name ?? '')),
          level: followed.now.massG / Math.max(1, followed.balanceNow.inG),
          ph: followed.now.ph,
          now: [
            temp(followed.now.tempC),
            followed.now.soured ? `${acidity(followed.now.ph)}, ${tasteOf(followed.now.ph)}` : null,
            followed.now.wheyG > 0
              ? tell('page.today.today.ranOff', {
                  mass: mass(followed.now.wheyG),
                  name: followed.runsOff?.name ?? WHEY,
                })
              : null,
          ].filter((part): part is string => part !== null),
          what: readyWords(window),
          window: window ? windowWords(window, this.clock.nowMs()) : tell('page.today.today.nothingLeftWait'),
          findings: followed.findings,
          held: holdOf(batch),
        },
      ];
    }),
  );

  /** What is at its date, or will be tomorrow. */
  protected readonly lots = computed(() => {
    const { lots, taken, today } = this.larder.things();
    return dueLots(lots, taken, today, DUE_DAYS).slice(0, DUE_SHOWN);
  });

  private readonly here = this.store.selectSignal(selectHere);
  /** What was made and is at its date, or will be tomorrow. */
  protected readonly stocks = computed(() =>
    dueStocks(this.here(), this.larder.things().today, DUE_DAYS).slice(0, DUE_SHOWN),
  );

  private readonly readings = this.store.selectSignal(roomFeature.selectReadings);
  private readonly settings = this.store.selectSignal(householdSelectors.selectSettings);
  protected readonly room = computed(() => roomWords(this.readings(), this.settings(), this.clock.nowMs()));

  protected readonly mass = mass;

  constructor() {
    const focus = inject(BatchFocus);
    effect(() => focus.look(this.tasks()[0]?.batch.id ?? null));
  }

  protected readonly whole = Math.round;
  protected readonly share = (of: number) => percent(100 * of, 0);
}
