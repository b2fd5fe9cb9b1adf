import { CdkDrag, CdkDragHandle, CdkDropList, type CdkDragDrop } from '@angular/cdk/drag-drop';
import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import {
  askedOf,
  choiceOf,
  choicesOf,
  initialChoices,
  methodById,
  methodFaults,
  planStages,
  kindWords,
  STAGE_KIND_NAMES,
  valueNow,
  variantOf,
  withAsked,
  withFixed,
  withoutStage,
  withStage,
  withStageMoved,
  type MakeSheet,
  type Method,
  type MethodFault,
  acidity,
} from '@oat-crock/core';
import { Engine } from '../../engine/engine';
import { KitchenClock } from '../../state/kitchen-clock';
import { selectKitchen } from '../../state/kitchen';
import { RecordActions, recordsFeature } from '../../state/records.feature';
import { NumberField } from '../../shared/ui/number-field';
import { OptionField } from '../../shared/ui/option-field';
import { mass, span } from '../../shared/ui/words';
import { MethodBook } from '../../state/method-book';
import { NamedPipe, SaidPipe, textOf, tell, SayPipe } from '../../shared/ui/said';

/** The stages of a method, put in order and told what to do; the engine tries it at every touch. */
@Component({
  selector: 'oc-stage-builder',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NamedPipe, SaidPipe, CdkDrag, CdkDragHandle, CdkDropList, NumberField, OptionField, RouterLink, SayPipe],
  templateUrl: './stage-builder.html',
  styleUrl: './stage-builder.css',
})
export class StageBuilder {
  readonly methodId = input.required<string>();

  private readonly store = inject(Store);
  private readonly router = inject(Router);
  private readonly engine = inject(Engine);
  private readonly clock = inject(KitchenClock);
  private readonly book = inject(MethodBook);
  private readonly writing = this.store.selectSignal(recordsFeature.selectWriting);
  private readonly records = this.store.selectSignal(recordsFeature.selectMethods);
  private readonly settings = this.store.selectSignal(selectKitchen);

  /** What is being written of it, else as it is kept; a method of the house until it is touched. */
  protected readonly method = computed((): Method => {
    const written = this.writing()[this.methodId()]?.draft as Method | undefined;
    return written ?? this.book.find(this.methodId()) ?? methodById('strained-yogurt');
  });
  protected readonly isOwn = computed(() => this.methodId() in this.writing() || this.book.isOwn(this.methodId()));
  protected readonly unsaved = computed(() => this.methodId() in this.writing());
  protected readonly refused = computed(() => this.writing()[this.methodId()]?.errors ?? []);
  protected readonly chosen = signal(0);
  protected readonly kinds = STAGE_KIND_NAMES.map((id) => ({ id, label: textOf(kindWords(id)) }));

  protected readonly faults = computed((): readonly MethodFault[] => methodFaults(this.method()));
  protected readonly sheet = signal<MakeSheet | null>(null);
  protected readonly summary = computed(() => {
    const sheet = this.sheet();
    if (!sheet || this.faults().length > 0) return null;
    return tell('page.methods.stageBuilder.phWhichHands', {
      mass: mass(sheet.product.massG),
      firmnessWord: sheet.product.firmnessWord,
      ph: acidity(sheet.product.ph),
      sheet: span(sheet.totalMin),
      hands: span(sheet.handsMin),
    });
  });

  protected readonly stages = computed(() => {
    const method = this.method();
    const planned = new Map(namesOf(method));
    return method.stages.map((stage, i) => ({
      stage,
      i,
      name: planned.get(stage.id) ?? textOf(kindWords(stage.kind)),
      when: stage.onlyIf ? tell('page.methods.stageBuilder.onlySomeChoices') : '',
      wrong: this.faults().some((f) => f.field.startsWith(`stages.${i}.`) || f.field === `stages.${i}`),
    }));
  });

  protected readonly params = computed(() => {
    const method = this.method();
    const stage = method.stages[this.chosen()];
    if (!stage) return [];
    const choices = new Map(choicesOf(method).map((c) => [c.key, c]));
    return Object.entries(askedOf(stage.kind)).map(([key, asked]) => {
      const told = stage.params[key];
      const choice = typeof told === 'object' ? choices.get(choiceOf(told)) : undefined;
      const options = asked.kind === 'option' ? asked.values.map((id) => ({ id, label: asked.labels[id] ?? id })) : [];
      return {
        key,
        asked,
        options,
        label: asked.label || key,
        value: valueNow(method, stage, key),
        choice: choice?.label ?? null,
        isStock: typeof told === 'object' && 'stock' in told,
      };
    });
  });

  constructor() {
    let latest = 0;
    effect(() => {
      if (this.faults().length > 0) return;
      const mine = ++latest;
      const asked = {
        method: this.method(),
        choices: {},
        startMs: this.clock.exactMs(),
        settings: this.settings(),
        stocks: [],
        gear: [],
      };
      this.engine.sheet(asked).then(
        (sheet) => {
          if (mine === latest) this.sheet.set(sheet);
        },
        () => undefined,
      );
    });
  }

  protected drop(event: CdkDragDrop<unknown>): void {
    this.move(event.previousIndex, event.currentIndex);
  }

  protected move(from: number, to: number): void {
    if (to < 0 || to >= this.method().stages.length) return;
    this.write(withStageMoved(this.method(), from, to));
    this.chosen.set(to);
  }

  protected add(kind: string): void {
    const at = Math.min(this.chosen() + 1, this.method().stages.length);
    this.write(withStage(this.method(), kind, at));
    this.chosen.set(at);
  }

  protected takeOut(i: number): void {
    this.write(withoutStage(this.method(), i));
    this.chosen.set(Math.max(0, Math.min(i, this.method().stages.length - 1)));
  }

  protected tell(key: string, value: number | string | null): void {
    if (value !== null) this.write(withFixed(this.method(), this.chosen(), key, value));
  }

  protected ask(key: string): void {
    this.write(withAsked(this.method(), this.chosen(), key));
  }

  protected fix(key: string): void {
    const stage = this.method().stages[this.chosen()];
    if (stage) this.tell(key, valueNow(this.method(), stage, key));
  }

  protected rename(name: string): void {
    this.write({ ...this.method(), name, short: name });
  }

  protected save(): void {
    this.store.dispatch(RecordActions.saveWanted({ id: this.methodId() }));
  }

  protected forget(): void {
    const isKept = this.book.isOwn(this.methodId());
    this.store.dispatch(RecordActions.discarded({ id: this.methodId() }));
    if (!isKept) void this.router.navigate(['/methods']);
  }

  protected asNumber(value: number | string): number {
    return Number(value);
  }

  /** Writes it down; of a method of the house a copy is made, which is one's own from then on. */
  private write(method: Method): void {
    if (this.isOwn()) {
      const overVersion = this.writing()[this.methodId()]?.overVersion ?? this.records()[this.methodId()]?.version ?? 0;
      this.store.dispatch(RecordActions.edited({ family: 'methods', draft: method, overVersion }));
      return;
    }
    const copy = variantOf(
      method,
      this.clock.newId(),
      tell('page.methods.stageBuilder.ourWay', { name: method.name }),
      initialChoices(method),
    );
    this.store.dispatch(RecordActions.edited({ family: 'methods', draft: copy, overVersion: 0 }));
    void this.router.navigate(['/methods', copy.id, 'stages'], { replaceUrl: true });
  }
}

/** What each stage that is planned at first is called. */
function namesOf(method: Method): (readonly [string, string])[] {
  try {
    return planStages(method).map(({ id, kind, params }) => [id, textOf(kind.name(params))] as const);
  } catch {
    return [];
  }
}
