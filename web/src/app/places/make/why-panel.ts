import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  type ElementRef,
  inject,
  input,
  linkedSignal,
  resource,
  untracked,
  viewChild,
} from '@angular/core';
import { Router } from '@angular/router';
import { Store } from '@ngrx/store';
import {
  FAULTS,
  faultsOf,
  methodOf,
  plannedOf,
  variantOf,
  type Batch,
  type ExplainedCause,
  type FaultId,
  percent,
  type Text,
} from '@oat-crock/core';
import { Engine } from '../../engine/engine';
import { KitchenClock } from '../../state/kitchen-clock';
import { Logger } from '../../state/logger';
import { DraftActions } from '../../state/draft.feature';
import { selectKitchen } from '../../state/kitchen';
import { OwnCultures } from '../../state/own-cultures';
import { knownOf, learnedFeature } from '../../state/learned.feature';
import { RecordActions, recordsFeature } from '../../state/records.feature';
import { roomFeature } from '../../state/room.feature';
import { OptionField } from '../../shared/ui/option-field';
import { SaidPipe, tell, SayPipe, quantity, textOf } from '../../shared/ui/said';
import { listed } from '../../shared/ui/words';

/** Causes shown before the rest is asked for. */
const SHOWN = 3;

/** Why it is not as it should be: ranked causes, what speaks for and against each, and what to do otherwise next time. */
@Component({
  selector: 'oc-why-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [OptionField, SaidPipe, SayPipe],
  templateUrl: './why-panel.html',
  styleUrl: './why-panel.css',
})
export class WhyPanel {
  readonly batch = input.required<Batch>();
  private readonly store = inject(Store);
  private readonly engine = inject(Engine);
  private readonly clock = inject(KitchenClock);
  private readonly router = inject(Router);
  private readonly settings = this.store.selectSignal(selectKitchen);
  private readonly room = this.store.selectSignal(roomFeature.selectReadings);
  private readonly gear = this.store.selectSignal(recordsFeature.selectGear);
  private readonly learned = this.store.selectSignal(learnedFeature.selectPooled);
  private readonly cultures = inject(OwnCultures);
  private readonly logger = inject(Logger);

  private readonly batchId = computed(() => this.batch().id);
  protected readonly fault = linkedSignal<string, FaultId | null>({
    source: this.batchId,
    computation: () => untracked(this.batch).complaints.at(-1) ?? null,
  });
  /** What was asked about is written in the log: the make is found by it. */
  protected readonly isKept = computed(() => this.batch().complaints.some((fault) => fault === this.fault()));
  protected readonly all = linkedSignal({ source: this.fault, computation: () => false });
  protected readonly faults = computed(() =>
    faultsOf(plannedOf(this.batch()).stages).map((id) => ({ id, label: FAULTS[id].seen })),
  );

  private readonly ranked = resource({
    params: () => {
      const fault = this.fault();
      return fault ? { fault, batch: this.batch() } : undefined;
    },
    loader: ({ params: { batch, fault } }) => {
      const gear = batch.gear.flatMap((id) => this.gear()[id]?.item ?? []);
      const known = knownOf(this.learned(), this.cultures.lineOfMake(batch));
      const house = { settings: this.settings(), gear, room: this.room(), known };
      return this.engine.explain(batch, fault, this.clock.exactMs(), house);
    },
  });
  protected readonly asking = computed(() => this.ranked.isLoading());
  protected readonly failed = computed(() => this.ranked.error() !== undefined);
  protected readonly causes = computed(() => {
    const causes = this.ranked.hasValue() ? this.ranked.value() : [];
    return this.all() ? causes : causes.slice(0, SHOWN);
  });
  /** True where nothing in the log speaks for any cause: then no chance is said. */
  protected readonly silent = computed(() => this.causes().length > 0 && this.causes()[0]!.chance === null);
  protected readonly more = computed(() => !this.all() && this.ranked.hasValue() && this.ranked.value().length > SHOWN);

  protected ask(fault: string): void {
    this.fault.set(fault as FaultId);
  }

  protected likely(chance: number): string {
    const word =
      chance >= 0.5
        ? tell('page.make.whyPanel.mostLikely')
        : chance >= 0.2
          ? tell('page.make.whyPanel.quitePossible')
          : chance >= 0.08
            ? tell('page.make.whyPanel.possible')
            : tell('page.make.whyPanel.unlikely');
    return `${word}, ${quantity(percent(100 * chance, 0))}`;
  }

  private readonly kept = viewChild<ElementRef<HTMLElement>>('kept');
  private isWriting = false;

  constructor() {
    // The keyboard goes on from what was written: the button that wrote it is gone.
    effect(() => {
      const kept = this.kept();
      if (kept && this.isWriting) kept.nativeElement.focus();
      if (kept) this.isWriting = false;
    });
  }

  /** What is wrong with it stays with the make. */
  protected keep(fault: FaultId): void {
    this.isWriting = true;
    this.logger.write(this.batch().id, { type: 'complaint', fault });
  }

  /** What is chosen otherwise, in a row. */
  protected readonly changes = (words: readonly Text[]): string => listed(words.map(textOf));

  /** The next make of it is decided with what would mend this. */
  protected decideSo(cause: ExplainedCause): void {
    const method = methodOf(this.batch());
    this.store.dispatch(DraftActions.filled({ methodId: method.id, choices: this.chosen(cause) }));
    void this.router.navigate(['/methods', method.id]);
  }

  /** A method of one's own that begins with what would mend this. */
  protected keepSo(cause: ExplainedCause): void {
    const method = methodOf(this.batch());
    const draft = variantOf(
      method,
      this.clock.newId(),
      tell('page.make.whyPanel.mended', { name: method.name }),
      this.chosen(cause),
    );
    this.store.dispatch(RecordActions.edited({ family: 'methods', draft, overVersion: 0 }));
    this.store.dispatch(RecordActions.saveWanted({ id: draft.id }));
    void this.router.navigate(['/methods', draft.id]);
  }

  private chosen(cause: ExplainedCause) {
    return { ...this.batch().choices, ...cause.nextTime!.choices };
  }
}
