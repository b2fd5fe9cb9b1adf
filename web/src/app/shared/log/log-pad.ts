import {
  ChangeDetectionStrategy,
  Component,
  computed,
  type ElementRef,
  HostListener,
  inject,
  linkedSignal,
  untracked,
  viewChild,
  type WritableSignal,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Store } from '@ngrx/store';
import {
  shownIn,
  type Ask,
  type Batch,
  type CueScale,
  type LogLine,
  type Entry,
  type EntryBody,
  type ReadBy,
  amount,
  isMessage,
  type Message,
  type Text,
} from '@oat-crock/core';
import { ButtonModule } from 'primeng/button';
import { DialogModule } from 'primeng/dialog';
import { TextareaModule } from 'primeng/textarea';
import { KitchenClock } from '../../state/kitchen-clock';
import { followFeature } from '../../state/follow.feature';
import { logFeature } from '../../state/log.feature';
import { LookRow } from '../ui/look-row';
import { units } from '../ui/reader';
import { SaidPipe, textOf, tell, SayPipe, quantity } from '../ui/said';
import { dayTime } from '../ui/words';
import { kitchenZone } from '../ui/zone';
import { bodyProblems } from './check-body';
import { Logger } from '../../state/logger';
import { entryWords } from './entry-words';
import { LogPadState, type PadTab } from './log-pad.state';
import { lineNamesIn, timeWrong } from './timed-log';
import { momentOf, NOW, type When } from './when';
import { WhenRow } from './when-row';
import { PAD_OPTIONS, padOption, type PadOption } from './pad-options';
import { decimalSign } from '../ui/decimal-sign';
import { keyOfAmount, readTyped, typedWith, understoodOf } from './typed-amount';

const HALF_DAY_MS = 12 * 3_600_000;

/** A batch without one of its lines: against which its new time is checked. */
function withoutLine(batch: Batch, line: LogLine | null): Batch {
  if (!line) return batch;
  return { ...batch, steps: batch.steps.filter((step) => step.atMs !== line.atMs) };
}

/** The one pad to log with: a big keypad for what is measured, one tap for what is seen, words for the rest. */
@Component({
  selector: 'oc-log-pad',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SaidPipe, LookRow, DialogModule, ButtonModule, TextareaModule, FormsModule, WhenRow, SayPipe],
  templateUrl: './log-pad.html',
  styleUrl: './log-pad.css',
})
export class LogPad {
  private readonly store = inject(Store);
  private readonly logger = inject(Logger);
  private readonly clock = inject(KitchenClock);
  protected readonly pad = inject(LogPadState);
  private readonly batches = this.store.selectSignal(logFeature.selectBatches);
  private readonly followed = this.store.selectSignal(followFeature.selectByBatch);

  /** The pad keeps the keyboard: a number can be typed whatever was touched last. */
  private readonly box = viewChild<ElementRef<HTMLElement>>('box');

  /** A number that is typed, which is kept with a point, as the household writes it. */
  protected readonly asWritten = (typed: string) => typed.replaceAll('.', decimalSign());
  protected readonly keys = ['7', '8', '9', '4', '5', '6', '1', '2', '3', '0', '.', '⌫'];
  /** What is typed, from what stood there, each time the pad is opened: begun anew at that very moment, so that no key is lost. */
  protected readonly typed = this.sinceOpened(() => this.stood());
  protected readonly note = this.sinceOpened(() => {
    const body = this.correcting()?.body;
    return body?.type === 'note' ? body.text : '';
  });
  protected readonly by = this.sinceOpened<ReadBy>(() => {
    const body = this.correcting()?.body;
    return body?.type === 'reading' ? body.by : 'meter';
  });
  protected readonly wrong = this.sinceOpened(() => '');
  /** When it was. */
  protected readonly when = this.sinceOpened<When>(() => NOW);
  protected readonly wrongTime = this.sinceOpened(() => '');

  protected readonly batch = computed(() => this.batches().find((b) => b.id === this.pad.request()?.batchId) ?? null);
  /** What the stages of the make ask to be put into numbers; of a line that is corrected, by any of them. */
  private readonly asks = computed<readonly Ask[]>(() => {
    const stages = this.followed()[this.pad.request()?.batchId ?? '']?.stages ?? [];
    const heard = this.pad.request()?.correcting ? stages : stages.filter((s) => s.status === 'now');
    return heard.flatMap((s) => s.panel.asks);
  });
  protected readonly tabs = computed<readonly PadOption[]>(() => {
    const { first, last } = PAD_OPTIONS;
    return [...first, ...this.asks().map(padOption), ...last];
  });
  protected readonly tab = computed(() =>
    this.pad.request()?.tab === 'time'
      ? PAD_OPTIONS.time
      : (this.tabs().find((t) => t.id === this.pad.request()?.tab) ?? this.tabs()[0]!),
  );
  /** One part of what is added, as it would be typed. */
  protected readonly part = computed(() => {
    const { partG, gPerMl } = this.tab();
    return partG > 0
      ? String(
          Number(
            this.way()
              .toShown(partG / gPerMl)
              .toPrecision(3),
          ),
        )
      : '';
  });
  protected readonly correcting = computed<Entry | null>(() => {
    const id = this.pad.request()?.correcting;
    return this.batch()?.log.find((l) => l.entry.id === id)?.entry ?? null;
  });
  /** The line that is corrected, as it stands now. */
  private readonly line = computed(() => {
    const id = this.pad.request()?.correcting;
    return this.batch()?.log.find((l) => l.entry.id === id) ?? null;
  });
  /** What the line says whose time is corrected. */
  protected readonly timedLine = computed(() => {
    const [line, batch] = [this.line(), this.batch()];
    return line && batch ? entryWords(line.now ?? line.entry.body, lineNamesIn(batch)) : '';
  });
  /** The latest that it can have been: now, or half a day after a line stands that is corrected. */
  protected readonly latestMs = computed(() => {
    this.pad.request();
    const line = this.line();
    if (!line) return this.clock.nowMs();
    return this.when().is === 'at' ? Math.min(this.clock.nowMs(), line.atMs + HALF_DAY_MS) : line.atMs;
  });
  protected readonly heading = computed(() => {
    const line = this.correcting();
    return line
      ? tell('page.log.logPad.correctLine', { at: dayTime(this.line()!.atMs) })
      : tell('page.log.logPad.logTo', { name: this.batch()?.name ?? '' });
  });

  /** What can be looked for in the stage at hand; every look of the make where a line is corrected. */
  protected readonly scales = computed<readonly CueScale[]>(() => {
    const followed = this.followed()[this.pad.request()?.batchId ?? ''];
    if (!followed) return [];
    const line = this.correcting();
    if (line?.body.type === 'cue') {
      const { cue } = line.body;
      return followed.tasks
        .flatMap((h) => h.cues)
        .filter((c) => c.cue === cue)
        .slice(0, 1);
    }
    const current = followed.stages.find((s) => s.status === 'now')?.id;
    return followed.tasks.find((h) => h.stageId === current)?.cues ?? [];
  });

  /** What the number typed is read in. */
  protected readonly way = computed(() => shownIn(this.tab().unit, units()));

  /** The number that is corrected, as it would be typed. */
  private readonly stood = computed(() => {
    const body = this.correcting()?.body;
    if (body?.type === 'added')
      return String(
        Number(
          this.way()
            .toShown(body.massG / this.tab().gPerMl)
            .toFixed(2),
        ),
      );
    return body?.type === 'reading' ? String(Math.round(this.way().toShown(body.value) * 100) / 100) : '';
  });

  constructor() {
    for (const key of this.pad.listen()) this.take(key);
  }

  /** Something that is filled in, and begins anew whenever the pad is opened. */
  private sinceOpened<T>(first: () => T): WritableSignal<T> {
    return linkedSignal({ source: this.pad.request, computation: () => untracked(first) });
  }

  protected show(tab: PadTab): void {
    const request = this.pad.request();
    if (request) this.pad.open(request.batchId, tab, null);
    this.takeKeys();
  }

  protected takeKeys(): void {
    this.box()?.nativeElement.focus();
  }

  /** Sets when it was; what is pressed next goes to the pad again, not to the button of that time. */
  protected sayWhen(when: When): void {
    this.when.set(when);
    if (when.is !== 'at') this.takeKeys();
  }

  protected press(key: string): void {
    this.wrong.set('');
    this.typed.update((typed) => typedWith(typed, key));
    this.takeKeys();
  }

  /** A keyboard does all that the keypad does, from the moment the pad is asked for. */
  @HostListener('document:keydown', ['$event'])
  protected onKey(event: KeyboardEvent): void {
    // A key that somebody else has acted on, such as the one that opened the pad just now, is no part of an amount.
    if (!this.pad.request() || event.defaultPrevented || event.ctrlKey || event.metaKey) return;
    if ((event.target as HTMLElement).tagName === 'INPUT') return;
    if ('Enter '.includes(event.key) && (event.target as HTMLElement).tagName === 'BUTTON') return;
    if (!this.take(event.key)) return;
    event.preventDefault();
    event.stopPropagation();
  }

  @HostListener('document:paste', ['$event'])
  protected onPaste(event: ClipboardEvent): void {
    const isIntoField = event.target instanceof Element && event.target.matches('input, textarea');
    if (!this.pad.request() || isIntoField || !this.isAmount()) return;
    for (const key of event.clipboardData?.getData('text').trim() ?? '') this.take(key);
  }

  /** An amount is asked for: not a look, a note or a time. */
  private isAmount(): boolean {
    return !['cue', 'note', 'time'].includes(this.tab().id);
  }

  /** Takes a key into the amount; false where it means nothing there. */
  private take(key: string): boolean {
    if (!this.isAmount()) return false;
    const typed = key === 'Backspace' ? '⌫' : keyOfAmount(key);
    if (typed !== null) this.press(typed);
    else if (key === 'Enter') void this.saveReading();
    else return false;
    return true;
  }

  protected async saveReading(): Promise<void> {
    if (this.typed() === '') {
      this.wrong.set(tell('page.log.logPad.typeNumberFirst'));
      return;
    }
    const value = this.value();
    if (value === null) {
      this.wrong.set(
        tell('page.log.logPad.notUnderstood', { typed: this.asWritten(this.typed()), unit: this.way().unit }),
      );
      return;
    }
    const { id, adds, gPerMl } = this.tab();
    if (adds) {
      await this.save({ type: 'added', what: adds, massG: value * gPerMl });
      return;
    }
    const quantity = id as Exclude<PadTab, 'cue' | 'note' | 'time' | `added ${string}`>;
    const by: ReadBy = quantity === 'ph' ? this.by() : quantity === 'tempC' ? 'thermometer' : 'scale';
    await this.save({ type: 'reading', quantity, value, by });
  }

  /** Types one part of what is added. */
  protected takePart(): void {
    this.wrong.set('');
    this.typed.set(this.part());
    this.takeKeys();
  }

  private readonly read = computed(() => readTyped(this.typed(), this.tab()));
  /** What was understood of an amount in other words than the pad's own unit. */
  protected readonly understood = computed(() => understoodOf(this.read(), this.way()));

  /** What is typed, in the metric unit; what stood there, to its last digit, where nothing else was typed; null for no amount. */
  private value(): number | null {
    const body = this.correcting()?.body;
    const untouched = this.typed() === this.stood();
    if (body?.type === 'reading' && untouched) return body.value;
    if (body?.type === 'added' && untouched) return body.massG / this.tab().gPerMl;
    if (!body && this.tab().partG > 0 && this.typed() === this.part()) return this.tab().partG / this.tab().gPerMl;
    const read = this.read();
    return read.is === 'amount' ? read.value : null;
  }

  /** What would be right, its bound as it would be typed. */
  private inItsUnit(remedy: Text): string {
    const { toShown, unit } = this.way();
    const limit = isMessage(remedy) ? remedy.values?.['limit'] : undefined;
    if (unit === 'pH' || typeof limit !== 'object' || !('amount' in limit)) return textOf(remedy);
    const shown = `${quantity(amount(toShown(limit.amount)))} ${unit}`;
    return textOf({ ...(remedy as Message), values: { limit: shown } });
  }

  protected async saveCue(cue: string, answer: string): Promise<void> {
    await this.save({ type: 'cue', cue, answer });
  }

  protected async saveNote(): Promise<void> {
    await this.save({ type: 'note', text: this.note().trim() });
  }

  private async save(body: Exclude<EntryBody, { type: 'correction' }>): Promise<void> {
    const batch = this.batch();
    if (!batch) return;
    const [problem] = await bodyProblems(body);
    if (problem) {
      this.wrong.set(`${textOf(problem.message)} ${this.inItsUnit(problem.remedy)}`);
      return;
    }
    const line = this.line();
    const latestMs = line ? this.latestMs() : this.clock.exactMs();
    const atMs = momentOf(this.when(), latestMs, kitchenZone());
    const moved = this.when().is !== 'now';
    const wrong = !line || moved ? timeWrong(withoutLine(batch, line), body, atMs, this.clock.exactMs()) : '';
    this.wrongTime.set(wrong);
    if (wrong || atMs === null) return;
    if (line) {
      const time = moved ? { atMs: Math.round(atMs) } : {};
      this.logger.write(batch.id, { type: 'correction', replaces: line.entry.id, body, ...time }, line.entry.atMs);
    } else this.logger.write(batch.id, body, atMs);
    this.pad.close();
  }

  /** Gives a line another time, and leaves what it says. */
  protected async saveTime(): Promise<void> {
    const line = this.line();
    const body = line?.now ?? line?.entry.body;
    if (body && body.type !== 'correction') await this.save(body);
  }
}
