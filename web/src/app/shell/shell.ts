import { ChangeDetectionStrategy, Component, computed, HostListener, inject, signal } from '@angular/core';
import { Router, RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { Store } from '@ngrx/store';
import { CLOCK_RATES, type OddRecord } from '@oat-crock/contract/api';
import { KitchenClock } from '../state/kitchen-clock';
import { entryWords } from '../shared/log/entry-words';
import { HeardLine } from '../shared/log/heard';
import { Logger, type Change } from '../state/logger';
import { LogPad } from '../shared/log/log-pad';
import { LogPadState } from '../shared/log/log-pad.state';
import { accessFeature } from '../state/access.feature';
import { backupsFeature } from '../state/backups.feature';
import { OddActions, oddFeature } from '../state/odd.feature';
import { ClockActions, clockFeature } from '../state/clock.feature';
import { RecordActions, recordsFeature, type Stays } from '../state/records.feature';
import { LogActions, logFeature, selectLive } from '../state/log.feature';
import { BatchFocus } from '../state/focus';
import { PlanRecords } from '../state/plan-records';
import { unreachedFeature } from '../state/unreached.feature';
import { Enter } from './enter';
import { GoTo } from './goto';
import { HouseholdForm } from './household';
import { FirstLook } from './first-look';
import { Guide } from './guide.state';
import { Keys } from './keys';
import { Looks } from './looks';
import { NewerPage } from './newer-page';
import { written } from '../shared/ui/dates';
import { span, problemWords } from '../shared/ui/words';
import { Alerts } from '../shared/tasks/alerts';
import { PlaceKeys } from '../shared/ui/place-keys';
import { PLACES } from './places';
import { Shelf } from './shelf';
import { tell, textList, SayPipe, SaidPipe } from '../shared/ui/said';
import { Workers } from '../engine/workers';

/** What is said stands for so long, ms. */
const SAID_MS = 8000;
const SILENT = { text: '', mayRedo: false };

/** A device's clock that is further off than this is said to be. */
const CLOCK_OFF_MS = 2 * 60_000;

/** How what could not be done to a record is told. */
const STAYS_WORDS: Readonly<Record<Stays['wanted'], string>> = {
  'taken away': 'away',
  'brought back': 'back',
  forgotten: 'forgotten',
  changed: 'changed',
};

/** Header, shelf, the place itself, and the keys that work everywhere. */
@Component({
  selector: 'oc-shell',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    SaidPipe,
    Enter,
    FirstLook,
    HeardLine,
    RouterOutlet,
    RouterLink,
    RouterLinkActive,
    Shelf,
    Keys,
    GoTo,
    LogPad,
    HouseholdForm,
    SayPipe,
  ],
  templateUrl: './shell.html',
  styleUrl: './shell.css',
})
export class Shell {
  private readonly store = inject(Store);
  private readonly router = inject(Router);
  private readonly logger = inject(Logger);
  private readonly guide = inject(Guide);
  private readonly focus = inject(BatchFocus);
  private readonly ofPlace = inject(PlaceKeys);
  protected readonly pad = inject(LogPadState);
  protected readonly clock = inject(KitchenClock);
  protected readonly looks = inject(Looks);
  /** From the first page on, whichever place is open. */
  protected readonly alerts = inject(Alerts);

  protected readonly isOut = this.store.selectSignal(accessFeature.selectIsOut);
  private readonly me = this.store.selectSignal(accessFeature.selectMe);
  /** What a device that only looks is told; empty for any other. */
  protected readonly onlyLooks = computed(() => {
    const me = this.me();
    if (me?.role !== 'looks') return '';
    return me.endsMs === null
      ? tell('page.shell.shell.onlyLooks')
      : tell('page.shell.shell.onlyLooksUntil', { end: written(me.endsMs, 'record') });
  });
  private readonly lastBackup = inject(Store).selectSignal(backupsFeature.selectLast);
  /** Why the last backup cannot be relied on; empty where it can, or none was tried. */
  protected readonly backupWrong = computed(() => {
    const {
      atMs,
      wrong: [why],
    } = this.lastBackup() ?? { atMs: 0, wrong: [] };
    return why ? tell('page.shell.backup.wrong', { when: written(atMs, 'record'), why }) : '';
  });

  private readonly unreachedNames = this.store.selectSignal(unreachedFeature.selectNames);
  /** Who is to be told of hands with no page open and is not reached: "Ine and Per"; empty where everybody is. */
  protected readonly unreached = computed(() => textList(this.unreachedNames()));

  protected readonly places = PLACES;
  protected readonly rates = CLOCK_RATES;
  protected readonly line = this.store.selectSignal(clockFeature.selectLine);
  /** When what stands here was last told, while it is only remembered. */
  protected readonly seenMs = this.store.selectSignal(logFeature.selectSeenMs);
  protected readonly newer = inject(NewerPage);
  protected readonly loaded = this.store.selectSignal(logFeature.selectLoaded);
  protected readonly pending = this.store.selectSignal(logFeature.selectPending);
  protected readonly refused = this.store.selectSignal(logFeature.selectRefused);
  /** Why what waits cannot be written, while something waits. */
  protected readonly unsentWhy = computed(() => (this.pending().length > 0 ? this.why() : ''));
  private readonly why = this.store.selectSignal(logFeature.selectUnsentWhy);
  protected readonly live = this.store.selectSignal(selectLive);
  private readonly plannedBatches = inject(PlanRecords).plannedBatches;
  protected readonly planned = computed(() => this.plannedBatches().some((p) => p.batchId === null));
  /** How far this device's clock is off, where that is much. */
  protected readonly clockOff = computed(() => {
    const aheadMs = this.clock.deviceAheadMs();
    if (Math.abs(aheadMs) < CLOCK_OFF_MS) return '';
    return `${span(Math.abs(aheadMs) / 60_000)} ${aheadMs > 0 ? 'fast' : 'slow'}`;
  });
  protected readonly time = computed(() => written(this.clock.nowMs(), 'dayClock'));
  protected readonly showing = signal<'keys' | 'goto' | 'household' | null>(null);
  protected readonly said = signal(SILENT);
  private readonly batches = this.store.selectSignal(logFeature.selectBatches);

  protected asOf(seenMs: number): string {
    return tell('page.shell.shell.asOf', { when: written(this.clock.atDevice(seenMs), 'record') });
  }

  protected setRate(rate: number): void {
    this.store.dispatch(ClockActions.rateWanted({ rate }));
  }

  protected seenRefusals(): void {
    this.store.dispatch(LogActions.refusalsSeen());
  }

  protected readonly cannotWork = inject(Workers).failed;
  protected readonly stays = this.store.selectSignal(recordsFeature.selectStays);

  /** Records that are left out as they stand, one shown at a time. */
  private readonly allOdd = this.store.selectSignal(oddFeature.selectRecords);
  protected readonly odd = computed(() => this.allOdd().slice(0, 1));

  protected oddWords({ family, name, field, message }: OddRecord): string {
    const [what, count] = [tell(`page.shell.odd.family.${family}`), this.allOdd().length];
    return tell('page.shell.odd.leftOut', { count, what, name: name || '?', field: field || '?', message });
  }

  protected takeOddAway(record: OddRecord): void {
    this.store.dispatch(OddActions.takeAway({ record }));
  }

  protected seenThatItStays(id: string): void {
    this.store.dispatch(RecordActions.seenThatItStays({ id }));
  }

  protected staysWords({ name, wanted, errors }: Stays): string {
    const why = errors.map(problemWords).join(' ');
    return tell('page.shell.shell.couldNot', { name, wanted: STAYS_WORDS[wanted], why });
  }

  protected loadAgain(): void {
    location.reload();
  }

  protected refusalWords(): string {
    const [first] = this.refused();
    if (!first) return '';
    const [error] = first.errors;
    return tell('page.shell.shell.notTaken', {
      body: entryWords(first.entry.body),
      remedy: error ? problemWords(error) : '',
    });
  }

  @HostListener('document:keydown', ['$event'])
  protected onKey(event: KeyboardEvent): void {
    if (event.ctrlKey || event.metaKey || event.altKey || isTyping(event.target)) return;
    if (this.pad.request() !== null) this.pad.typeEarly(event.key);
    if (this.pad.request() !== null || (this.showing() !== null && event.key !== 'Escape')) return;
    const place = PLACES.find((p) => p.key === event.key);
    if (!place && this.ofPlace.act(event.key.toLowerCase())) {
      event.preventDefault();
      return;
    }
    const act = place ? () => void this.router.navigateByUrl(place.path) : this.acts[event.key.toLowerCase()];
    if (!act) return;
    event.preventDefault();
    act();
  }

  private readonly acts: Readonly<Record<string, () => void>> = {
    n: () => {
      if (!toNextTasks()) void this.router.navigateByUrl('/today').then(() => setTimeout(toNextTasks, 60));
    },
    l: () => this.log(),
    u: () => this.undo(),
    y: () => this.redo(),
    '/': () => this.showing.set('goto'),
    '?': () => this.showing.set('keys'),
    x: () => this.guide.turnOff(),
    escape: () => {
      this.showing.set(null);
      this.logger.heard.set(null);
    },
  };

  private log(): void {
    const batch = this.focus.batch();
    if (batch) this.pad.open(batch.id);
    else this.announce(tell('page.shell.shell.noMakeOn'));
  }

  private undo(): void {
    const change = this.logger.undo();
    if (!change) this.announce(tell('page.shell.shell.nothingToUndo'));
    else this.announce(this.changeWords(change, change.is === null ? 'put back' : 'taken back'), true);
  }

  protected redo(): void {
    const change = this.logger.redo();
    if (change) this.announce(this.changeWords(change, 'written again'));
    else this.announce(tell('page.shell.shell.nothingToRedo'));
  }

  /** What was done to which line of which pot. */
  private changeWords({ batchId, was, is }: Change, done: 'put back' | 'taken back' | 'written again'): string {
    const pot = this.batches().find((b) => b.id === batchId)?.name ?? '';
    const line = is ?? was;
    return tell('page.shell.shell.changed', { done: done.split(' ')[0]!, pot, line: line ? entryWords(line) : '' });
  }

  /** Says something for a few seconds, to eyes and to screen readers; with a way to undo what was undone. */
  private announce(text: string, mayRedo = false): void {
    const saying = { text, mayRedo };
    this.said.set(saying);
    setTimeout(() => this.said.update((now) => (now === saying ? SILENT : now)), SAID_MS);
  }
}

/** Gives the keyboard to the control that records the next hands; false where this place shows none. */
function toNextTasks(): boolean {
  const control = document.querySelector<HTMLElement>('[data-next-hands] button, a[data-next-hands]');
  control?.focus();
  return control !== null;
}

/** Keys typed into a field belong to the field. */
function isTyping(target: EventTarget | null): boolean {
  const element = target as HTMLElement | null;
  if (!element?.tagName) return false;
  if (element.closest('[role=combobox], [role=listbox]')) return true;
  if (element.tagName === 'INPUT') return !['checkbox', 'radio', 'button'].includes((element as HTMLInputElement).type);
  return ['TEXTAREA', 'SELECT'].includes(element.tagName) || element.isContentEditable;
}
