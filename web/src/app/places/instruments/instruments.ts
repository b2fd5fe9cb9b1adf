import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import type { Instrument, InstrumentMade, LoggerTaken } from '@oat-crock/contract/api';
import { checkOutcome, isOfRoom } from '@oat-crock/core';
import { accessFeature } from '../../state/access.feature';
import { InstrumentClient } from '../../state/instrument-client';
import { instrumentsFeature } from '../../state/instruments.feature';
import { KitchenClock } from '../../state/kitchen-clock';
import { logFeature, selectLive } from '../../state/log.feature';
import { written } from '../../shared/ui/dates';
import { OptionField } from '../../shared/ui/option-field';
import { SayPipe, tell, textOf } from '../../shared/ui/said';
import { whyNot } from '../../shared/ui/why-not';
import { fromNow } from '../../shared/ui/words';
import { AddInstrument } from './add-form';
import { CheckForm } from './check-form';
import { LoggerFileForm } from './logger-form';
import { READ } from './read-words';
import { TokenOnce } from './token-once';

/** What a list has for the shelf. */
const SHELF = 'shelf';

/** The dairy's instruments: what each reads and where, how it was checked, and how one of one's own is added. */
@Component({
  selector: 'oc-instruments',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [AddInstrument, CheckForm, LoggerFileForm, OptionField, SayPipe, TokenOnce],
  templateUrl: './instruments.html',
  styleUrl: './instruments.css',
})
export class InstrumentsPlace {
  private readonly store = inject(Store);
  private readonly wire = inject(InstrumentClient);
  private readonly clock = inject(KitchenClock);
  private readonly all = this.store.selectSignal(instrumentsFeature.selectAll);
  private readonly live = this.store.selectSignal(selectLive);
  protected readonly loaded = this.store.selectSignal(logFeature.selectLoaded);
  protected readonly keeps = this.store.selectSignal(accessFeature.selectKeeps);
  protected readonly checking = signal<string | null>(null);
  /** Of which a file is read in. */
  protected readonly reading = signal<string | null>(null);
  protected readonly made = signal<InstrumentMade | null>(null);
  protected readonly wrong = signal('');
  protected readonly said = signal('');

  protected readonly rows = computed(() => {
    const nowMs = this.clock.nowMs();
    return this.all().map((instrument) => {
      const { quantity, lastMs, lastValue, check, kind, simulated } = instrument;
      const sort = tell(`page.instruments.kind.${kind}`);
      return {
        instrument,
        sort: simulated ? tell('page.instruments.isSimulated', { sort }) : sort,
        last:
          lastMs === null || lastValue === null
            ? tell('page.instruments.nothingYet')
            : tell('page.instruments.last', { value: READ[quantity](lastValue), when: fromNow(lastMs, nowMs) }),
        isOfRoom: isOfRoom(quantity),
        isChecked: quantity === 'ph' || quantity === 'tempC',
        checked: check
          ? tell('page.instruments.checked', {
              when: written(check.atMs, 'dayClock'),
              says: textOf(checkOutcome(check.checked).says),
            })
          : '',
      };
    });
  });
  protected readonly places = computed(() => [
    { id: SHELF, label: tell('page.instruments.shelf') },
    ...this.live().map(({ id, name }) => ({ id, label: name })),
  ]);
  protected readonly placeOf = ({ batchId }: Instrument) => batchId ?? SHELF;

  protected rename(instrument: Instrument, name: string): Promise<void> {
    const { id, isPaused } = instrument;
    if (!name.trim()) return Promise.resolve();
    return this.doing(() => this.wire.change(id, { name: name.trim(), isPaused }));
  }

  protected place({ id }: Instrument, where: string): Promise<void> {
    return this.doing(() => this.wire.place(id, where === SHELF ? null : where));
  }

  protected pause({ id, name, isPaused }: Instrument): Promise<void> {
    return this.doing(
      () => this.wire.change(id, { name, isPaused: !isPaused }),
      tell(isPaused ? 'page.instruments.goesOn' : 'page.instruments.isPaused', { name }),
    );
  }

  protected renew({ id }: Instrument): Promise<void> {
    return this.doing(async () => this.made.set(await this.wire.renewToken(id)));
  }

  protected remove({ id, name }: Instrument): Promise<void> {
    return this.doing(() => this.wire.remove(id), tell('page.instruments.isRemoved', { name }));
  }

  protected forget({ id, name }: Instrument): Promise<void> {
    return this.doing(() => this.wire.forgetCheck(id), tell('page.instruments.isForgotten', { name }));
  }

  protected taken({ name }: Instrument): void {
    this.checking.set(null);
    this.said.set(tell('page.instruments.isTaken', { name }));
  }

  protected fileTaken({ name }: Instrument, { kept, thinned, outside, impossible }: LoggerTaken): void {
    this.reading.set(null);
    const left = { thinned, outside, impossible: impossible.length };
    this.said.set(tell('page.instruments.file.taken', { name, kept, ...left }));
  }

  /** How the instruments are is told by the server to every page, this one among them. */
  private async doing(what: () => Promise<unknown>, said = ''): Promise<void> {
    this.wrong.set('');
    this.said.set('');
    try {
      await what();
      this.said.set(said);
    } catch (error) {
      this.wrong.set(whyNot(error));
    }
  }
}
