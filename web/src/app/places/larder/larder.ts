import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import type { Family } from '@oat-crock/contract/api';
import {
  GEAR_TYPES,
  isStock,
  leftOf,
  nearness,
  useFirst,
  type Gear,
  type GearKind,
  type Lot,
  type LotKind,
  amount,
  type Text,
  percent,
  heldOf,
} from '@oat-crock/core';
import { KitchenClock } from '../../state/kitchen-clock';
import { RecordActions, recordsFeature } from '../../state/records.feature';
import { logFeature } from '../../state/log.feature';
import { OptionField } from '../../shared/ui/option-field';
import { litres, temp } from '../../shared/ui/words';
import { BlendPanel } from './blend-panel';
import { dayOf, sayDay } from '../../shared/ui/days';
import { LOT_NAMES } from './fields';
import { newGear, newLot } from './new-records';
import { RecordPanel } from './record-panel';
import { Removed } from '../../shared/records/removed';
import { Thing } from './thing';
import { UseFirst } from './use-first';
import { textOf, tell, SayPipe, titled, quantity } from '../../shared/ui/said';

/** One thing on a board. */
interface Standing {
  readonly id: string;
  readonly kind: LotKind | GearKind;
  readonly name: string;
  readonly words: string;
  readonly date: string;
  readonly near: 'past' | 'today' | 'soon' | 'keeps';
  readonly level: number | null;
  readonly unsaved: boolean;
}

interface Board {
  readonly title: string;
  readonly family: Family;
  readonly kinds: readonly { readonly id: string; readonly label: Text }[];
  readonly things: readonly Standing[];
}

const COLD: readonly LotKind[] = ['milk', 'cream', 'base', 'whey'];
const DRY: readonly LotKind[] = ['powder', 'acid', 'rennet', 'calcium', 'salt', 'flavour', 'cloth', 'other'];

/** What there is to make with: lots on their boards in the order to use them, and gear with what is known of it. */
@Component({
  selector: 'oc-larder',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [BlendPanel, OptionField, RecordPanel, Removed, RouterLink, Thing, UseFirst, SayPipe],
  templateUrl: './larder.html',
  styleUrl: './larder.css',
})
export class LarderPlace {
  /** From the address: the thing that is open. */
  readonly id = input<string>();

  private readonly store = inject(Store);
  private readonly router = inject(Router);
  private readonly clock = inject(KitchenClock);
  private readonly lots = this.store.selectSignal(recordsFeature.selectLotsHere);
  private readonly gear = this.store.selectSignal(recordsFeature.selectGearHere);
  private readonly writing = this.store.selectSignal(recordsFeature.selectWriting);
  protected readonly loaded = this.store.selectSignal(logFeature.selectLoaded);

  private readonly taken = this.store.selectSignal(logFeature.selectTaken);
  private readonly today = computed(() => dayOf(this.clock.nowMs()));

  protected readonly boards = computed((): readonly Board[] => [
    { title: tell('page.larder.larder.cold'), family: 'lots', kinds: lotKinds(COLD), things: this.lotsOf(COLD) },
    {
      title: tell('page.larder.larder.bottlesJarsCloth'),
      family: 'lots',
      kinds: lotKinds(DRY),
      things: this.lotsOf(DRY),
    },
    { title: tell('page.larder.larder.gear'), family: 'gear', kinds: gearKinds(), things: this.gearThings() },
  ]);
  protected readonly empty = computed(() => this.boards().every((b) => b.things.length === 0));

  protected add(family: Family, kind: string): void {
    const nowMs = this.clock.exactMs();
    const id = this.clock.newId();
    const draft =
      family === 'lots'
        ? newLot(id, kind as LotKind, nowMs)
        : newGear(id, kind as GearKind, titled(GEAR_TYPES[kind as GearKind].name));
    this.store.dispatch(RecordActions.edited({ family, draft, overVersion: 0 }));
    void this.router.navigate(['/larder', id]);
  }

  private lotsOf(kinds: readonly LotKind[]): Standing[] {
    const known = useFirst(this.lots().filter((l) => kinds.includes(l.kind))).map((lot) => this.lotThing(lot));
    return [...known, ...this.unsaved('lots', kinds, known)];
  }

  private lotThing(lot: Lot): Standing {
    const left = leftOf(lot, this.taken());
    const near = nearness(lot, this.today());
    const pieces = lot.kind === 'cloth';
    return {
      id: lot.id,
      kind: lot.kind,
      name: lot.name,
      words: pieces
        ? `${lot.amount}`
        : left <= 0
          ? tell('page.larder.larder.noneLeft')
          : `${textOf(heldOf(lot, left))}${fatWords(lot)}`,
      date:
        lot.useBy === null
          ? ''
          : near === 'today'
            ? tell('page.larder.larder.today')
            : near === 'past'
              ? tell('page.larder.larder.was', { useBy: sayDay(lot.useBy) })
              : sayDay(lot.useBy),
      near,
      level: pieces ? null : lot.amount > 0 ? left / lot.amount : 0,
      unsaved: lot.id in this.writing(),
    };
  }

  private gearThings(): Standing[] {
    const known = [...this.gear()]
      .sort((a, b) => order(a) - order(b) || (a.holdsL ?? 0) - (b.holdsL ?? 0))
      .map((g): Standing => ({
        id: g.id,
        kind: g.kind,
        name: g.name,
        words: [
          g.count > 1 ? tell('page.larder.larder.of', { count: amount(g.count) }) : '',
          g.holdsL === null ? '' : litres(g.holdsL),
        ]
          .filter(Boolean)
          .join(' '),
        date: g.learned.holdsC ? tell('page.larder.larder.holds', { temp: temp(g.learned.holdsC.value) }) : '',
        near: 'keeps',
        level: null,
        unsaved: g.id in this.writing(),
      }));
    return [...known, ...this.unsaved('gear', Object.keys(GEAR_TYPES), known)];
  }

  /** Things that are being written and were never saved; one that the server tells of before it answers stands there already. */
  private unsaved(family: Family, kinds: readonly string[], known: readonly Standing[]): Standing[] {
    const there = new Set(known.map((k) => k.id));
    return Object.values(this.writing())
      .filter((w) => !there.has(w.draft.id))
      .filter((w) => w.family === family && w.overVersion === 0 && kinds.includes(String(w.draft.kind)))
      .map((w): Standing => ({
        id: w.draft.id,
        kind: w.draft.kind as LotKind,
        name: String(w.draft.name),
        words: tell('page.larder.larder.notSavedYet'),
        date: '',
        near: 'keeps',
        level: null,
        unsaved: true,
      }));
  }
}

const KINDS_IN_ORDER = Object.keys(GEAR_TYPES);
const order = (gear: Gear) => KINDS_IN_ORDER.indexOf(gear.kind);
const lotKinds = (kinds: readonly LotKind[]) => kinds.map((id) => ({ id, label: LOT_NAMES[id] }));
const gearKinds = () => Object.entries(GEAR_TYPES).map(([id, { name }]) => ({ id, label: titled(name) }));

/** Its fat, where that tells one milk from another. */
const fatWords = (lot: Lot) =>
  isStock(lot) && (lot.kind === 'milk' || lot.kind === 'cream') ? `, ${quantity(percent(lot.material.fatPct, 1))}` : '';
