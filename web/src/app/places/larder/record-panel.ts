import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  ElementRef,
  inject,
  input,
  untracked,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Router, RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import type { Kept } from '@oat-crock/contract/api';
import { GEAR_TYPES, leftOf, referenceStock, type Gear, type GearKind, type Lot, type LotKind } from '@oat-crock/core';
import { KitchenClock } from '../../state/kitchen-clock';
import { RecordActions, recordsFeature } from '../../state/records.feature';
import type { Draft, RecordFamily, Writing } from '../../state/record-writing';
import { logFeature } from '../../state/log.feature';
import { OptionField } from '../../shared/ui/option-field';
import { dayTime, mass } from '../../shared/ui/words';
import { differences } from './differences';
import { LOT_NAMES } from './fields';
import { ofReference, REFERENCE } from './new-records';
import { BottleMeasure } from './bottle-measure';
import { MeasurePanel } from './measure-panel';
import { RecordForm } from './record-form';
import { RemovedState } from '../../shared/records/removed.state';
import { SayPipe, titled } from '../../shared/ui/said';

/** A list that was chosen from takes the focus back when it closes; then the name may have it. */
const FOCUS_SETTLES_MS = 60;

/** One thing of the larder: what it is, what makes took of it, and the form that changes it. */
@Component({
  selector: 'oc-record-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [BottleMeasure, FormsModule, MeasurePanel, RecordForm, RouterLink, OptionField, SayPipe],
  templateUrl: './record-panel.html',
  styleUrl: './record-panel.css',
})
export class RecordPanel {
  readonly id = input.required<string>();

  private readonly store = inject(Store);
  private readonly router = inject(Router);
  private readonly clock = inject(KitchenClock);
  private readonly removed = inject(RemovedState);
  private readonly host: ElementRef<HTMLElement> = inject(ElementRef);
  private readonly allWriting = this.store.selectSignal(recordsFeature.selectWriting);
  private readonly lots = this.store.selectSignal(recordsFeature.selectLots);
  private readonly things = this.store.selectSignal(recordsFeature.selectGear);
  private readonly taken = this.store.selectSignal(logFeature.selectTaken);

  /** What is being written of it, if anything is. */
  protected readonly writing = computed((): Writing | null => this.allWriting()[this.id()] ?? null);
  private readonly kept = computed((): { family: RecordFamily; kept: Kept<Lot | Gear> } | null => {
    const lot = this.lots()[this.id()];
    if (lot) return { family: 'lots', kept: lot };
    const thing = this.things()[this.id()];
    return thing ? { family: 'gear', kept: thing } : null;
  });
  protected readonly family = computed((): RecordFamily => this.writing()?.family ?? this.kept()?.family ?? 'lots');
  protected readonly draft = computed((): Draft | null => this.writing()?.draft ?? this.kept()?.kept.item ?? null);
  protected readonly gone = computed(() => this.kept()?.kept.goneMs ?? null);
  protected readonly isNew = computed(() => this.kept() === null);

  protected readonly kindName = computed(() => {
    const kind = String(this.draft()?.kind);
    return titled(this.family() === 'lots' ? LOT_NAMES[kind as LotKind] : GEAR_TYPES[kind as GearKind].name);
  });

  /** Materials of the shipped list that it may be filled in from. */
  protected readonly reference = computed(() =>
    this.family() === 'lots'
      ? (REFERENCE[this.draft()?.kind as LotKind] ?? []).map(({ id, name }) => ({ id, label: name }))
      : [],
  );

  protected readonly uses = computed(() => {
    const taken = this.taken();
    const lot = this.family() === 'lots' ? (this.kept()?.kept.item as Lot | undefined) : undefined;
    if (!lot || lot.kind === 'cloth') return null;
    const own = taken
      .filter((t) => t.lotId === lot.id)
      .map((t) => ({ ...t, at: dayTime(t.atMs), words: mass(t.massG) }));
    return {
      left: mass(Math.max(0, leftOf(lot, taken))),
      counted: dayTime(lot.countedMs),
      own,
      over: leftOf(lot, taken) < 0,
    };
  });

  protected readonly unlike = computed(() => {
    const writing = this.writing();
    return writing?.theirs ? differences(writing.family, writing.draft, writing.theirs.item) : [];
  });

  constructor() {
    effect(() => {
      this.id();
      requestAnimationFrame(() => {
        const { nativeElement } = this.host;
        if (nativeElement.getBoundingClientRect().top < 0) nativeElement.scrollIntoView();
      });
    });
    effect((onCleanup) => {
      this.id();
      if (!untracked(this.isNew)) return;
      const settled = setTimeout(() => this.nameIt(), FOCUS_SETTLES_MS);
      onCleanup(() => clearTimeout(settled));
    });
  }

  /** What is new is named first. */
  private nameIt(): void {
    const name = this.host.nativeElement.querySelector<HTMLInputElement>('#record-name');
    name?.focus();
    name?.select();
  }

  protected change(draft: Draft): void {
    const before = this.draft();
    const counted = before && draft.amount !== before.amount ? { countedMs: this.clock.exactMs() } : {};
    const overVersion = this.writing()?.overVersion ?? this.kept()?.kept.version ?? 0;
    this.store.dispatch(RecordActions.edited({ family: this.family(), draft: { ...draft, ...counted }, overVersion }));
  }

  /** The gear that is open, once it is kept and where something can be learned of it. */
  protected readonly gear = computed(() => {
    if (this.family() !== 'gear' || this.isNew() || this.gone() !== null) return null;
    const gear = this.draft() as Gear;
    return GEAR_TYPES[gear.kind].learns.length > 0 ? gear : null;
  });
  /** The bottle that is open, where its strength can be measured. */
  protected readonly bottle = computed(() => {
    const draft = this.draft();
    return draft?.kind === 'rennet' || draft?.kind === 'acid' ? draft : null;
  });

  protected changeAndSave(gear: Gear): void {
    this.change(gear);
    this.save();
  }

  protected fillIn(stockId: string): void {
    const draft = this.draft();
    if (draft) this.change({ ...draft, ...ofReference(referenceStock(stockId)) });
  }

  protected save(): void {
    this.store.dispatch(RecordActions.saveWanted({ id: this.id() }));
  }

  protected forget(): void {
    const wasNew = this.isNew();
    this.store.dispatch(RecordActions.discarded({ id: this.id() }));
    if (wasNew) void this.router.navigate(['/larder']);
  }

  protected keepMine(): void {
    this.store.dispatch(RecordActions.kept({ id: this.id() }));
    this.save();
  }

  protected takeAway(): void {
    const [family, id, name] = [this.family(), this.id(), String(this.draft()?.name)];
    this.store.dispatch(RecordActions.discarded({ id }));
    this.store.dispatch(RecordActions.removeWanted({ family, id }));
    this.removed.last.set({ family, id, name });
    void this.router.navigate(['/larder']);
  }

  protected bringBack(): void {
    this.store.dispatch(RecordActions.restoreWanted({ family: this.family(), id: this.id() }));
  }
}
