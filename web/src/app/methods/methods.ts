import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  linkedSignal,
  signal,
} from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import {
  checkChoices,
  choicesThatCount,
  initialChoices,
  methodById,
  METHODS,
  type MakeSheet,
  type Problem,
} from '@oat-crock/core';
import { ButtonModule } from 'primeng/button';
import { Engine } from '../engine/engine';
import { KitchenClock } from '../engine/kitchen-clock';
import { Logger } from '../log/logger';
import { DraftActions, draftFeature, draftOf } from '../state/draft.feature';
import { householdFeature } from '../state/household.feature';
import { InstrumentActions, instrumentsFeature } from '../state/instruments.feature';
import { ChoiceField } from './choice-field';
import { groupWords } from './choice-words';
import { SheetView } from './sheet-view';

const QUARTER_MS = 15 * 60_000;

/** Where a make is decided: choices at the left, the sheet at the right, worked out anew at every touch. */
@Component({
  selector: 'oc-methods',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink, ChoiceField, SheetView, ButtonModule],
  templateUrl: './methods.html',
  styleUrl: './methods.css',
})
export class Methods {
  /** From the address; strained yogurt where absent. */
  readonly methodId = input<string>();

  private readonly store = inject(Store);
  private readonly engine = inject(Engine);
  private readonly logger = inject(Logger);
  private readonly router = inject(Router);
  private readonly clock = inject(KitchenClock);
  private readonly drafts = this.store.selectSignal(draftFeature.selectDrafts);
  private readonly instruments = this.store.selectSignal(instrumentsFeature.selectAll);

  private readonly settings = this.store.selectSignal(householdFeature.selectSettings);

  protected readonly families = [...Map.groupBy(METHODS, (m) => m.family)].map(([name, methods]) => ({
    name,
    methods,
  }));
  protected readonly method = computed(
    () => METHODS.find((m) => m.id === this.methodId()) ?? methodById('strained-yogurt'),
  );
  /** The methods of its family. */
  protected readonly kin = computed(() => METHODS.filter((m) => m.family === this.method().family));
  private readonly draft = computed(() => draftOf(this.drafts(), this.method().id));
  protected readonly choices = computed(() => ({ ...initialChoices(this.method()), ...this.draft().choices }));
  protected readonly name = computed(() => this.draft().name);
  protected readonly open = linkedSignal(() => this.method().groups[0]!.title);
  protected readonly groups = computed(() =>
    this.method()
      .groups.map((group) => ({ ...group, choices: choicesThatCount(group, this.choices()) }))
      .filter((group) => group.choices.length > 0)
      .map((group) => ({
        ...group,
        words: groupWords(group, this.choices()),
        problems: this.problems().filter((p) => group.choices.some((c) => c.key === p.field)),
      })),
  );

  protected readonly sheet = signal<MakeSheet | null>(null);
  protected readonly refused = signal<string | null>(null);
  protected readonly problems = computed<readonly Problem[]>(() => this.sheet()?.problems ?? []);
  /** The hour the sheet is written for: now, to a quarter of an hour so that it stands still while it is read. */
  protected readonly startMs = computed(() => Math.ceil(this.clock.nowMs() / QUARTER_MS) * QUARTER_MS);

  constructor() {
    let asked = 0;
    effect(() => {
      const method = this.method();
      const choices = this.draft().choices;
      const mine = ++asked;
      this.engine.sheet(method.id, choices, this.startMs(), this.settings()).then(
        (sheet) => {
          if (mine !== asked) return;
          this.sheet.set(sheet);
          this.refused.set(null);
        },
        (error: unknown) => {
          if (mine === asked) this.refused.set(error instanceof Error ? error.message : String(error));
        },
      );
    });
  }

  protected toggle(title: string): void {
    this.open.update((now) => (now === title ? '' : title));
  }

  protected choose(key: string, value: number | string): void {
    this.store.dispatch(DraftActions.chosen({ methodId: this.method().id, key, value }));
  }

  protected rename(event: Event): void {
    const name = (event.target as HTMLInputElement).value;
    this.store.dispatch(DraftActions.named({ methodId: this.method().id, name }));
  }

  protected problemOf(key: string): Problem | null {
    return this.problems().find((p) => p.field === key) ?? null;
  }

  protected start(): void {
    const method = this.method();
    const choices = this.draft().choices;
    checkChoices(method, choices);
    const batchId = this.logger.start(method.id, choices, this.name().trim() || method.name);
    this.placeFreeKit(batchId);
    this.store.dispatch(DraftActions.started({ methodId: method.id }));
    void this.router.navigate(['/make', batchId]);
  }

  /** Instruments that stand on the shelf go into the new crock, one of each kind. */
  private placeFreeKit(batchId: string): void {
    const seen = new Set<string>();
    for (const probe of this.instruments()) {
      if (probe.batchId !== null || seen.has(probe.quantity)) continue;
      seen.add(probe.quantity);
      this.store.dispatch(InstrumentActions.place({ id: probe.id, batchId }));
    }
  }
}
