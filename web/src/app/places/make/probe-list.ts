import { usualRoomC } from '@oat-crock/calendar';
import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { type Instrument } from '@oat-crock/contract/api';
import {
  isOfRoom,
  kindReading,
  probeTrouble,
  INSTRUMENT_FAULTS,
  type CrockQuantity,
  type Followed,
  type SeriesPoint,
  type InstrumentFault,
  say,
} from '@oat-crock/core';
import { KitchenClock } from '../../state/kitchen-clock';
import { householdSelectors } from '../../state/household';
import { InstrumentActions, instrumentsFeature } from '../../state/instruments.feature';
import { OptionField } from '../../shared/ui/option-field';
import { SaidPipe, tell, SayPipe } from '../../shared/ui/said';
import { acidity, fromNow, mass, temp } from '../../shared/ui/words';

const READ: Readonly<Record<Instrument['quantity'], (value: number) => string>> = {
  tempC: temp,
  ph: acidity,
  wheyG: mass,
  roomC: temp,
};
const FAULTS = [
  { id: 'none', label: say('page.make.probeList.readsShould') },
  ...Object.entries(INSTRUMENT_FAULTS).map(([id, label]) => ({ id, label })),
];

/** The probes that stand in a crock, or could: what they read last, what is wrong with them, and what a simulated one should do wrong. */
@Component({
  selector: 'oc-probe-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [OptionField, RouterLink, SaidPipe, SayPipe],
  templateUrl: './probe-list.html',
  styleUrl: './probe-list.css',
})
export class ProbeList {
  readonly batchId = input.required<string>();
  readonly followed = input.required<Followed>();
  private readonly store = inject(Store);
  private readonly clock = inject(KitchenClock);
  private readonly settings = this.store.selectSignal(householdSelectors.selectSettings);
  private readonly all = this.store.selectSignal(instrumentsFeature.selectAll);

  protected readonly faults = FAULTS;
  protected readonly rows = computed(() => {
    const nowMs = this.clock.nowMs();
    return this.all()
      .filter((probe) => !probe.isPaused && (probe.batchId === null || probe.batchId === this.batchId()))
      .map((probe) => {
        const ofRoom = isOfRoom(probe.quantity);
        const inIt = ofRoom || probe.batchId !== null;
        const read = inIt && probe.lastMs !== null && probe.lastValue !== null;
        return {
          probe,
          inIt,
          ofRoom,
          name: `${probe.name}${probe.simulated ? tell('page.make.probeList.simulated') : ''}`,
          last: read ? `${READ[probe.quantity](probe.lastValue!)}, ${fromNow(probe.lastMs!, nowMs)}` : '',
          trouble: inIt ? probeTrouble(probe, nowMs, (atMs) => this.courseOf(probe.quantity, atMs)) : null,
          calibrates: inIt && probe.simulated && kindReading(probe.quantity).simulated.wandersPerH > 0,
        };
      });
  });

  /** What a probe should read at a moment: by the course of this crock, or as the room usually is. */
  private courseOf(quantity: Instrument['quantity'], atMs: number): number | null {
    if (isOfRoom(quantity)) return usualRoomC(this.settings(), atMs);
    return courseAt(this.followed().series, quantity, atMs);
  }

  protected place({ id, batchId }: Instrument): void {
    this.store.dispatch(InstrumentActions.place({ id, batchId: batchId === null ? this.batchId() : null }));
  }

  protected giveFault(id: string, fault: string): void {
    this.store.dispatch(
      InstrumentActions.giveFault({ id, fault: fault === 'none' ? null : (fault as InstrumentFault) }),
    );
  }

  protected calibrate(id: string): void {
    this.store.dispatch(InstrumentActions.calibrate({ id }));
  }
}

/** What a probe should read at a moment by the course of its crock: the point nearest to it. */
function courseAt(series: readonly SeriesPoint[], quantity: CrockQuantity, atMs: number): number | null {
  let best: SeriesPoint | null = null;
  for (const point of series) {
    if (best === null || Math.abs(point.atMs - atMs) < Math.abs(best.atMs - atMs)) best = point;
  }
  return best && best[quantity];
}
