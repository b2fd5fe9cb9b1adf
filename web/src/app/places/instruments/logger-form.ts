import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  linkedSignal,
  output,
  signal,
} from '@angular/core';
import { Store } from '@ngrx/store';
import {
  guessForm,
  loggerTable,
  readLogger,
  type ColumnRole,
  type LoggerClock,
  type LoggerForm,
} from '@oat-crock/calendar';
import type { Instrument, LoggerTaken } from '@oat-crock/contract/api';
import { isOfRoom, say, type Batch } from '@oat-crock/core';
import { householdSelectors } from '../../state/household';
import { InstrumentClient } from '../../state/instrument-client';
import { KitchenClock } from '../../state/kitchen-clock';
import { logFeature } from '../../state/log.feature';
import { AskedField } from '../../shared/ui/asked-field';
import { numberAsked, type Asked } from '../../shared/ui/asked';
import { written } from '../../shared/ui/dates';
import { OptionField } from '../../shared/ui/option-field';
import { SayPipe, tell } from '../../shared/ui/said';
import { whyNot } from '../../shared/ui/why-not';
import { cellsOf } from './file-cells';
import { READ } from './read-words';

const ROLES: readonly ColumnRole[] = ['moment', 'date', 'time', 'value', 'none'];
/** So many lines of a file are shown. */
const SHOWN = 5;
/** So many readings are sent at once. */
const AT_ONCE = 5000;

/** Reads a logger's file in: what its columns are is guessed and shown, its clock corrected, and the make it stood in found. */
@Component({
  selector: 'oc-logger-form',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [AskedField, OptionField, SayPipe],
  templateUrl: './logger-form.html',
  styleUrl: './logger-form.css',
})
export class LoggerFileForm {
  private readonly wire = inject(InstrumentClient);
  private readonly store = inject(Store);
  private readonly kitchen = inject(KitchenClock);
  private readonly settings = this.store.selectSignal(householdSelectors.selectSettings);
  private readonly batches = this.store.selectSignal(logFeature.selectBatches);
  readonly of = input.required<Instrument>();
  readonly taken = output<LoggerTaken>();
  readonly closed = output();

  protected readonly fileName = signal('');
  protected readonly trouble = signal('');
  protected readonly isSending = signal(false);
  private readonly cells = signal<readonly (readonly string[])[]>([]);
  private readonly table = computed(() => loggerTable(this.cells()));
  protected readonly form = linkedSignal((): LoggerForm => {
    const { datesIn, temperatureIn } = this.settings();
    const isWarmth = this.of().quantity === 'tempC' || this.of().quantity === 'roomC';
    const guessed = guessForm(this.table(), { dayFirst: datesIn !== 'en-US', inF: temperatureIn === 'F' });
    return { ...guessed, inF: isWarmth && guessed.inF };
  });
  protected readonly clock = signal<LoggerClock>({ by: 'household', aheadMin: 0 });

  protected readonly roles = computed(() =>
    ROLES.map((id) => ({ id, label: tell(`page.instruments.file.role.${id}`) })),
  );
  /** The columns as they stand: what each is called, and what was found in it. */
  protected readonly columns = computed(() =>
    this.form().roles.map((role, i) => ({
      role,
      name: this.table().names?.[i] || tell('page.instruments.file.column', { number: i + 1 }),
    })),
  );
  protected readonly lines = computed(() => this.table().lines.slice(0, SHOWN));
  protected readonly fields = computed((): readonly Asked[] => [
    {
      ...{ type: 'option', path: 'by', label: say('page.instruments.file.clock') },
      options: (['household', 'winter', 'utc'] as const).map((id) => ({
        id,
        label: say(`page.instruments.file.by.${id}`),
      })),
    },
    numberAsked('aheadMin', say('page.instruments.file.ahead'), ' min', [-100_000, 100_000, 1], {
      buttons: true,
      why: say('page.instruments.file.aheadWhy'),
    } as Partial<Extract<Asked, { type: 'number' }>>),
  ]);

  protected readonly isWarmth = computed(() => this.of().quantity === 'tempC' || this.of().quantity === 'roomC');
  private readonly read = computed(() => readLogger(this.table(), this.form(), this.clock(), this.settings().zone));
  protected readonly hasFile = computed(() => this.fileName() !== '');
  protected readonly isReadable = computed(() => this.read().readings.length > 0);
  /** What comes of it, in a sentence. */
  protected readonly summary = computed(() => {
    const { readings, skipped } = this.read();
    const [first, last] = [readings[0], readings.at(-1)];
    if (!first || !last) return tell('page.instruments.file.nothing');
    const values = readings.map(({ value }) => value).sort((a, b) => a - b);
    const show = READ[this.of().quantity];
    return tell('page.instruments.file.comes', {
      count: readings.length,
      from: written(first.atMs, 'dayClock'),
      until: written(last.atMs, 'dayClock'),
      least: show(values[0]!),
      most: show(values.at(-1)!),
      skipped,
    });
  });
  protected readonly isAhead = computed(() => (this.read().readings.at(-1)?.atMs ?? 0) > this.kitchen.nowMs());

  /** The makes that the file lies in, those with most of it first. */
  protected readonly makes = computed(() =>
    this.batches()
      .map((batch) => ({ batch, count: this.inside(batch) }))
      .filter(({ count }) => count > 0)
      .sort((a, b) => b.count - a.count)
      .map(({ batch: { id, name }, count }) => ({
        id,
        label: tell('page.instruments.file.make', { name, count }),
      })),
  );
  protected readonly ofRoom = computed(() => isOfRoom(this.of().quantity));
  /** The make it stood in: as it stands now where the file lies in that, else the one with most of it. */
  protected readonly make = linkedSignal((): string | null => {
    const makes = this.makes();
    const { batchId } = this.of();
    return makes.find(({ id }) => id === batchId)?.id ?? makes[0]?.id ?? null;
  });

  private inside({ startedMs, ended }: Batch): number {
    const untilMs = ended?.atMs ?? this.kitchen.nowMs();
    return this.read().readings.filter(({ atMs }) => atMs >= startedMs && atMs <= untilMs).length;
  }

  protected async open(event: Event): Promise<void> {
    const chooser = event.target as HTMLInputElement;
    const [file] = chooser.files ?? [];
    if (!file) return;
    this.trouble.set('');
    this.cells.set(cellsOf(await file.arrayBuffer()));
    this.fileName.set(file.name);
    // The same file may be chosen again once it was mended.
    chooser.value = '';
  }

  protected setRole(column: number, role: string): void {
    this.form.update((form) => ({
      ...form,
      // Only one column is each thing.
      roles: form.roles.map((was, i) => (i === column ? (role as ColumnRole) : was === role ? 'none' : was)),
    }));
  }

  protected set(change: Partial<Pick<LoggerForm, 'dayFirst' | 'inF'>>): void {
    this.form.update((form) => ({ ...form, ...change }));
  }

  protected setClock(path: string, value: unknown): void {
    this.clock.update((clock) => ({ ...clock, [path]: value ?? 0 }));
  }

  protected async keep(): Promise<void> {
    const [make, { readings }] = [this.ofRoom() ? null : this.make(), this.read()];
    if (make === null && !this.ofRoom()) return this.trouble.set(tell('page.instruments.file.noMake'));
    this.trouble.set('');
    this.isSending.set(true);
    try {
      const sum = { kept: 0, thinned: 0, outside: 0, impossible: [] as number[] };
      for (let from = 0; from < readings.length; from += AT_ONCE) {
        const taken = await this.wire.log(this.of().id, make, readings.slice(from, from + AT_ONCE));
        sum.kept += taken.kept;
        sum.thinned += taken.thinned;
        sum.outside += taken.outside;
        sum.impossible.push(...taken.impossible);
      }
      this.taken.emit(sum);
    } catch (error) {
      this.trouble.set(whyNot(error));
    } finally {
      this.isSending.set(false);
    }
  }
}
