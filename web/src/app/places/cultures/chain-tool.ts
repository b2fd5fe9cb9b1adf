import { isNight } from '@oat-crock/calendar';
import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import { chainPlan, CULTURES, otherwise, type ChainFrom, type ChainWanted, type ClockedStep } from '@oat-crock/core';
import { SaidPipe, tell, SayPipe } from '../../shared/ui/said';
import { KitchenClock } from '../../state/kitchen-clock';
import { householdSelectors } from '../../state/household';
import { DayField } from '../../shared/ui/day-field';
import { NumberField } from '../../shared/ui/number-field';
import { OptionField } from '../../shared/ui/option-field';
import { dayTime, mass, span, temp, toFive } from '../../shared/ui/words';
import { CultureActs } from '../../state/culture-acts';
import { OwnCultures } from '../../state/own-cultures';

const DAY_MS = 86_400_000;
/** Cooler than a culture likes best by so much (°C) it is ripened: slower, and better balanced. */
const BELOW_BEST_C = 1.5;

/** So much active starter by a time: mother and bulk starter reckoned backwards, and the way on if that breaks. */
@Component({
  selector: 'oc-chain-tool',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SaidPipe, DayField, NumberField, OptionField, SayPipe],
  template: `
    <section aria-labelledby="chain-title">
      <h2 id="chain-title">{{ 'page.cultures.chainTool.starterTime' | say }}</h2>
      <div class="asked">
        <label for="chain-mass">
          {{ 'page.cultures.chainTool.wanted' | say }}
          <oc-number-field
            fieldId="chain-mass"
            suffix=" g"
            [min]="10"
            [max]="20000"
            [step]="50"
            [value]="neededG()"
            (changed)="neededG.set($event ?? 400)"
          />
        </label>
        <div>
          <span>{{ 'page.cultures.chainTool.outOf' | say }}</span>
          <oc-option-field
            [ariaLabel]="'page.cultures.chainTool.outOf' | say"
            [options]="options()"
            [value]="fromId()"
            (changed)="fromId.set($event)"
          />
        </div>
        <label for="chain-when">
          {{ 'page.cultures.chainTool.ripeBy' | say }}
          <oc-day-field fieldId="chain-when" [atMs]="readyMs()" [withTime]="true" (changed)="ready($event)" />
        </label>
        <label for="chain-held">
          {{ 'page.cultures.chainTool.heldBackEach' | say }}
          <oc-number-field
            fieldId="chain-held"
            suffix=" g"
            [max]="2000"
            [step]="5"
            [value]="heldBackG()"
            (changed)="heldBackG.set($event ?? 0)"
          />
        </label>
      </div>
      @if (plan(); as plan) {
        @if (plan.impossible) {
          <p class="problem" role="status">{{ plan.impossible | said }}</p>
        }
        <ol>
          @for (step of plan.steps; track step.beginMs; let last = $last) {
            <li>
              <b>{{
                'page.cultures.chainTool.at'
                  | say
                    : {
                        at: dayTime(step.beginMs),
                        when: inTheNight(step.beginMs) ? 'night' : 'day',
                      }
              }}</b>
              <span>
                {{
                  'page.cultures.chainTool.step'
                    | say
                      : {
                          of: $first ? 'it' : 'that',
                          starter: mass(step.starterG),
                          milk: mass(step.milkG),
                          temp: temp(step.tempC),
                          ripe: dayTime(step.ripeMs),
                          then: waits(step, last),
                        }
                }}
              </span>
            </li>
          }
        </ol>
        @if (plan.steps.length && !plan.impossible) {
          <p class="quiet">{{ 'page.cultures.chainTool.ifBreaks' | say: { wayOut: wayOut() } }}</p>
          <button type="button" class="press line-press" (click)="begin()">
            {{ 'page.cultures.chainTool.beginFirstStep' | say }}
          </button>
        }
      } @else {
        <p class="quiet">{{ 'page.cultures.chainTool.nothingLivesMilkHere' | say }}</p>
      }
    </section>
  `,
  styleUrl: './tool.css',
})
export class ChainTool {
  private readonly own = inject(OwnCultures);
  private readonly clock = inject(KitchenClock);
  private readonly acts = inject(CultureActs);
  private readonly asleep = inject(Store).selectSignal(householdSelectors.selectAsleep);

  protected readonly neededG = signal(400);
  protected readonly heldBackG = signal(30);
  protected readonly froms = computed(() =>
    this.own
      .dues()
      .filter(({ lot }) => lot.form === 'active' || lot.form === 'freeze-dried')
      .sort((a, b) => b.activity.likely - a.activity.likely)
      .map((due): ChainFrom => ({ lot: due.lot, leftG: due.leftG, activity: due.activity.likely })),
  );
  protected readonly options = computed(() =>
    this.froms().map(({ lot, activity }) => ({ id: lot.id, label: `${lot.name}, ${Math.round(100 * activity)} %` })),
  );
  protected readonly fromId = linkedSignal<string | null>(() => this.froms()[0]?.lot.id ?? null);
  private readonly firstMs = Math.ceil((this.clock.exactMs() + 2 * DAY_MS) / 3_600_000) * 3_600_000;
  protected readonly readyMs = signal(this.firstMs);
  private readonly from = computed(() => this.froms().find(({ lot }) => lot.id === this.fromId()) ?? null);
  private readonly wanted = computed((): ChainWanted => {
    const { optC } = CULTURES[this.from()?.lot.culture ?? 'thermophilic'].growth;
    return {
      neededG: this.neededG(),
      readyMs: this.readyMs(),
      nowMs: this.minute(),
      dosePct: 2.5,
      tempC: optC > 40 ? optC - BELOW_BEST_C : ROOM_C,
      heldBackG: this.heldBackG(),
      isAwake: (atMs) => !this.inTheNight(atMs),
    };
  });
  private readonly minute = computed(() => Math.floor(this.clock.nowMs() / 60_000) * 60_000);
  protected readonly plan = computed(() => {
    const from = this.from();
    return from && chainPlan(from, this.wanted());
  });
  protected readonly wayOut = computed(() => {
    const from = this.from();
    const other = from && otherwise(from, this.froms(), this.wanted());
    if (!other) return tell('page.cultures.chainTool.keepPacketPowderReserve');
    return tell('page.cultures.chainTool.wouldDoBegin', {
      name: other.from.lot.name,
      begin: dayTime(other.steps[0]!.beginMs),
    });
  });

  protected readonly mass = mass;
  protected readonly temp = temp;
  protected readonly dayTime = (atMs: number) => dayTime(toFive(atMs));

  protected ready(atMs: number | null): void {
    if (atMs !== null) this.readyMs.set(atMs);
  }

  /** What becomes of a step once it is ripe. */
  protected waits({ waitsH }: ClockedStep, last: boolean): string {
    if (last) return tell('page.cultures.chainTool.coldUntilUsed');
    return waitsH >= WORTH_COOLING_H
      ? tell('page.cultures.chainTool.coldFor', { time: span(Math.round(waitsH * 60)) })
      : tell('page.cultures.chainTool.atOnce');
  }

  protected begin(): void {
    const due = this.own.dues().find(({ lot }) => lot.id === this.fromId());
    const [first] = this.plan()?.steps ?? [];
    if (due && first) this.acts.feed(due, first);
  }

  protected readonly inTheNight = (atMs: number) => isNight(atMs, this.asleep());
}

/** What ripens in the room is ripened at this, °C. */
const ROOM_C = 24;
/** A ripe starter that waits less than this stands where it is, h. */
const WORTH_COOLING_H = 0.5;
