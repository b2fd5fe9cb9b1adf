import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import { daysOn, localTime, momentAt } from '@oat-crock/calendar';
import { type Supposition, say, type Text } from '@oat-crock/core';
import { householdSelectors } from '../../state/household';
import { recordsFeature } from '../../state/records.feature';
import { OptionField } from '../../shared/ui/option-field';
import { written } from '../../shared/ui/dates';
import { kitchenZone } from '../../shared/ui/zone';
import { PlanService } from '../../planner/plan-service';
import { tell, SayPipe } from '../../shared/ui/said';

const MIN_MS = 60_000;
const DAY_MIN = 1440;
const BY = [
  { id: '360', label: say('page.plan.whatIf.hLate') },
  { id: '720', label: say('page.plan.whatIf.halfDayLate') },
  { id: String(DAY_MIN), label: say('page.plan.whatIf.dayLate') },
  { id: String(2 * DAY_MIN), label: say('page.plan.whatIf.twoDaysLate') },
] as const;
const DAYS_OFFERED = 6;
const CANS_OFFERED = 4;
const NEVER = 'never';
const KINDS = [
  { kind: 'milk', label: say('page.plan.whatIf.milkComes') },
  { kind: 'cream', label: say('page.plan.whatIf.creamComes') },
] as const;
/** Who is ill is so for so long. */
const ILL_DAYS = 7;

/** What if the cream comes a day late, a pot is out of use, nobody is at home: the plan that moves least, and holds. */
@Component({
  selector: 'oc-what-if',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [OptionField, SayPipe],
  template: `
    <span id="what-if">{{ 'page.plan.whatIf.whatIf' | say }}</span>
    <oc-option-field
      fieldId="what-if-what"
      [ariaLabel]="'page.plan.whatIf.whatIf' | say"
      [options]="whats()"
      placeholder="…"
      [value]="what()"
      (changed)="what.set($event)"
    />
    @if (what().startsWith('late')) {
      <oc-option-field
        fieldId="what-if-by"
        [ariaLabel]="'page.plan.whatIf.howLate' | say"
        [options]="$any(by())"
        [value]="late()"
        (changed)="late.set($event)"
      />
    }
    <button type="button" class="press line-press" [disabled]="!what()" (click)="ask()">
      {{ 'page.plan.whatIf.see' | say }}
    </button>
  `,
  styles: `
    :host {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 0.5rem;
    }
    :host ::ng-deep .p-select {
      width: auto;
      max-width: 14rem;
    }
    span {
      white-space: nowrap;
      font-weight: 600;
    }
  `,
})
export class WhatIf {
  private readonly plans = inject(PlanService);
  private readonly gear = inject(Store).selectSignal(recordsFeature.selectGearHere);
  private readonly settings = inject(Store).selectSignal(householdSelectors.selectSettings);
  private readonly helpers = computed(() => [...new Set(this.settings().helpers.map(({ name }) => name))]);
  protected readonly by = computed(() =>
    this.what().startsWith('late-can') ? [...BY, { id: NEVER, label: say('page.plan.whatIf.notAtAll') }] : BY,
  );
  protected readonly what = signal('');
  protected readonly late = signal(String(DAY_MIN));

  private readonly days = computed(() => {
    const zone = kitchenZone();
    const today = localTime(this.plans.inputs.startMs(), zone);
    const midnight = (days: number) => momentAt(daysOn(today, days), 0, zone);
    return Array.from({ length: DAYS_OFFERED }, (_, i) => ({ fromMs: midnight(i + 1), toMs: midnight(i + 2) }));
  });

  protected readonly whats = computed(() => [
    ...KINDS.flatMap(({ kind, label }) => this.latesOf(kind, label)),
    ...this.gear()
      .filter((g) => PLANNED.has(g.kind))
      .map((g) => ({ id: `gear ${g.name}`, label: tell('page.plan.whatIf.outUse', { name: g.name }) })),
    ...this.helpers().map((who) => ({ id: `ill ${who}`, label: tell('page.plan.whatIf.ill', { who }) })),
    ...this.days().map(({ fromMs }) => ({
      id: `away ${fromMs}`,
      label: tell('page.plan.whatIf.nobodyHome', { from: written(fromMs, 'day') }),
    })),
  ]);

  /** Each time that something of a kind is brought; where nobody brings it, whenever it is first wanted. */
  private latesOf(kind: 'milk' | 'cream', label: Text) {
    const times = this.plans.inputs.comes().filter(({ supply }) => supply.kind === kind);
    if (times.length === 0) return [{ id: `late ${kind}`, label }];
    return times.slice(0, CANS_OFFERED).map(({ id, supply: { name }, atMs }) => ({
      id: `late-can ${id}`,
      label: tell('page.plan.whatIf.canComes', { name, at: written(atMs, 'day') }),
    }));
  }

  protected ask(): void {
    const supposing = this.supposed();
    if (supposing) void this.plans.suppose(supposing);
  }

  private supposed(): Supposition | null {
    const [is, ...rest] = this.what().split(' ');
    const of = rest.join(' ');
    if (is === 'late-can')
      return { is: 'can late', supplyId: of, byMin: this.late() === NEVER ? null : Number(this.late()) };
    if (is === 'late') return { is: 'comes late', what: of as 'milk' | 'cream', byMin: Number(this.late()) };
    if (is === 'gear') return { is: 'out of use', gear: of };
    if (is === 'ill') return { is: 'away', who: of, time: { fromMin: 0, toMin: ILL_DAYS * DAY_MIN } };
    const day = this.days().find(({ fromMs }) => String(fromMs) === of);
    if (!day) return null;
    const startMs = this.plans.inputs.startMs();
    const [fromMin, toMin] = [day.fromMs, day.toMs].map((ms) => (ms - startMs) / MIN_MS);
    return { is: 'away', time: { fromMin: fromMin!, toMin: toMin! } };
  }
}

/** Kinds of gear that a plan places makes in. */
const PLANNED: ReadonlySet<string> = new Set([
  'pot',
  'thermostat',
  'flask',
  'lamp-oven',
  'bath',
  'strainer',
  'churn',
  'hob',
]);
