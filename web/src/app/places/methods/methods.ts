import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  linkedSignal,
  signal,
  untracked,
  viewChild,
} from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { type Text, checkChoices, isOfRoom, METHODS, type Problem } from '@oat-crock/core';
import { ButtonModule } from 'primeng/button';
import { type PlannedBatch } from '@oat-crock/contract/api';
import { batchName } from '../../shared/ui/batch-name';
import { KitchenClock } from '../../state/kitchen-clock';
import { Logger } from '../../state/logger';
import { momentOf, NOW, type When } from '../../shared/log/when';
import { WhenRow } from '../../shared/log/when-row';
import { kitchenZone } from '../../shared/ui/zone';
import { DraftActions } from '../../state/draft.feature';
import { InstrumentActions, instrumentsFeature } from '../../state/instruments.feature';
import { ChoiceField } from './choice-field';
import { groupWords } from './choice-words';
import { Decision } from './decision';
import { MethodBook } from '../../state/method-book';
import { OwnMethodBar } from './own-method-bar';
import { CompareView } from './compare-view';
import { MilkLinesFields } from './milk-lines';
import { ProblemLine } from './problem-line';
import { QuieterLine } from './quieter-line';
import { ScaleBar } from './scale-bar';
import { Paper } from '../../shared/paper/paper';
import { PlanRecords } from '../../state/plan-records';
import { fileName } from '../../shared/ui/save-file';
import { SheetView } from './sheet-view';
import { NamedPipe, named, SaidPipe, textOf, tell, SayPipe } from '../../shared/ui/said';
import { dayTime } from '../../shared/ui/words';

/** Where a make is decided: choices at the left, the sheet at the right, worked out anew at every touch. */
@Component({
  selector: 'oc-methods',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    NamedPipe,
    WhenRow,
    SaidPipe,
    RouterLink,
    ChoiceField,
    CompareView,
    MilkLinesFields,
    OwnMethodBar,
    ProblemLine,
    QuieterLine,
    ScaleBar,
    SheetView,
    ButtonModule,
    SayPipe,
  ],
  providers: [Decision],
  templateUrl: './methods.html',
  styleUrl: './methods.css',
})
export class Methods {
  /** From the address; strained yogurt where absent. */
  readonly methodId = input<string>();
  /** From the address: a lot to make it of. */
  readonly of = input<string>();
  /** From the address: a planned make to begin. */
  readonly plannedBatch = input<string>();

  private readonly store = inject(Store);
  private readonly logger = inject(Logger);
  private readonly clock = inject(KitchenClock);
  protected readonly book = inject(MethodBook);
  private readonly router = inject(Router);
  private readonly planRecords = inject(PlanRecords);
  private readonly instruments = this.store.selectSignal(instrumentsFeature.selectAll);
  protected readonly decision = inject(Decision);
  private readonly paper = inject(Paper);
  private readonly sheetView = viewChild(SheetView);
  /** Why a PDF could not be made, in words. */
  protected readonly paperTrouble = signal('');

  protected readonly families = [...Map.groupBy(METHODS, (m) => m.family)].map(([name, methods]) => ({
    name,
    methods,
  }));
  protected readonly method = this.decision.method;
  /** The address names a make that there is not; one of one's own may still be on its way. */
  protected readonly unknown = computed(() => {
    const id = this.methodId();
    return id !== undefined && this.book.isKnown() && !this.book.find(id) ? id : null;
  });
  protected readonly choices = this.decision.choices;
  protected readonly sheet = this.decision.sheet;
  protected readonly refused = this.decision.refused;
  protected readonly problems = this.decision.problems;
  /** What would defeat the make; what only makes it worse is said at its choice. */
  protected readonly defeats = computed(() => this.problems().filter((p) => !p.mild));
  protected readonly startMs = this.decision.startMs;
  /** The methods of its family. */
  protected readonly kin = computed(() =>
    this.book.all().filter((m) => textOf(m.family) === textOf(this.method().family)),
  );
  protected readonly isOwn = computed(() => this.book.isOwn(this.method().id));
  protected readonly name = computed(() => this.decision.draft().name);
  /** Open is what says how much; what it begins with is decided already. */
  protected readonly open = linkedSignal((): Text => {
    const { groups } = this.method();
    return (groups.find((g) => g.choices.some((c) => c.key === 'massG')) ?? groups[0]!).title;
  });
  protected readonly groups = computed(() =>
    this.decision.groups().map((group) => ({
      ...group,
      words: groupWords(group, this.choices()),
      problems: this.problems().filter((p) => group.choices.some((c) => c.key === p.field)),
    })),
  );

  constructor() {
    effect(() => this.decision.methodId.set(this.methodId()));
    effect(() => {
      const lotId = this.of();
      if (lotId && this.decision.ready()) untracked(() => this.makeOf(lotId));
    });
    effect(() => {
      const plannedBatch = this.planRecords
        .plannedBatches()
        .find((p) => p.id === this.plannedBatch() && p.batchId === null);
      const here = plannedBatch?.methodId === this.methodId() && this.decision.methodId() === plannedBatch?.methodId;
      if (plannedBatch && here) untracked(() => this.decideAsPlanned(plannedBatch));
    });
  }

  /** The planned make that this is for. */
  protected readonly planned = computed(() => {
    const id = this.decision.draft().plannedBatch?.id;
    return this.planRecords.plannedBatches().find((p) => p.id === id && p.batchId === null) ?? null;
  });
  protected readonly plannedWords = computed(() => {
    const plannedBatch = this.planned();
    return (
      plannedBatch &&
      tell('page.methods.methods.plannedBegun', {
        plannedBatch: batchName(plannedBatch),
        start: dayTime(plannedBatch.startMs),
      })
    );
  });

  /** A planned make is decided as it was planned, in the gear it was given; the address forgets it. */
  private decideAsPlanned(plannedBatch: PlannedBatch): void {
    const { methodId, choices, id: plannedBatchId } = plannedBatch;
    this.store.dispatch(
      DraftActions.forPlannedBatch({ methodId, choices, name: batchName(plannedBatch), plannedBatchId }),
    );
    this.decision.useGear(plannedBatch.gear);
    void this.router.navigate([], { queryParams: {}, replaceUrl: true });
  }

  protected notPlanned(): void {
    this.store.dispatch(DraftActions.notForPlannedBatch({ methodId: this.method().id }));
  }

  /** A lot that was asked for is chosen and used up; the address forgets it, so that going back does not choose again. */
  private makeOf(lotId: string): void {
    void this.decision.makeOf(lotId);
    void this.router.navigate([], { queryParams: {}, replaceUrl: true });
  }

  protected toggle(title: Text): void {
    this.open.update((now) => (now === title ? '' : title));
  }

  /** Hands the sheet out as a PDF of one page. */
  protected async savePaper(): Promise<void> {
    const view = this.sheetView();
    if (!view) return;
    this.paperTrouble.set('');
    const title = named(this.method().name);
    try {
      const { sheetPaper } = await import('./sheet-paper');
      await this.paper.save(
        fileName(this.name() || title),
        sheetPaper(view.words(), { title, ...view.head(this.name()) }),
      );
    } catch (error) {
      this.paperTrouble.set(tell('page.methods.methods.pdfCouldNotMade', { message: (error as Error).message }));
    }
  }

  protected rename(event: Event): void {
    const name = (event.target as HTMLInputElement).value;
    this.store.dispatch(DraftActions.named({ methodId: this.method().id, name }));
  }

  /** When it begins: a make may have been begun before the page was opened. */
  protected readonly when = signal<When>(NOW);
  protected readonly wrongTime = signal('');

  protected problemOf(key: string): Problem | null {
    return this.problems().find((p) => p.field === key) ?? null;
  }

  protected start(): void {
    const method = this.method();
    const choices = this.decision.given();
    const stocks = this.decision.stocks();
    checkChoices(method, choices, stocks);
    const gear = this.decision.gear().map((g) => g.id);
    const larder = { stocks, gear, takings: this.decision.takings() };
    const atMs = momentOf(this.when(), this.clock.exactMs(), kitchenZone());
    this.wrongTime.set(atMs === null ? tell('page.methods.methods.sayTimeHoursMinutes') : '');
    if (atMs === null) return;
    const batchId = this.logger.start(method, choices, this.name().trim() || named(method.name), larder, atMs);
    const planned = this.planned();
    if (planned) this.planRecords.begun(planned, batchId);
    this.placeFreeKit(batchId);
    this.store.dispatch(DraftActions.started({ methodId: method.id }));
    void this.router.navigate(['/make', batchId]);
  }

  /** Instruments that stand on the shelf go into the new crock, one of each kind. */
  private placeFreeKit(batchId: string): void {
    const seen = new Set<string>();
    for (const probe of this.instruments()) {
      if (probe.batchId !== null || isOfRoom(probe.quantity) || seen.has(probe.quantity)) continue;
      seen.add(probe.quantity);
      this.store.dispatch(InstrumentActions.place({ id: probe.id, batchId }));
    }
  }
}
