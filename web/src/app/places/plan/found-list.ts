import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Store } from '@ngrx/store';
import { OBJECTIVE_PRESETS, listOf } from '@oat-crock/core';
import { batchName } from '../../shared/ui/batch-name';
import { named, NamedPipe, SaidPipe, tell, SayPipe, textOf } from '../../shared/ui/said';
import { dayTime, span } from '../../shared/ui/words';
import { householdSelectors } from '../../state/household';
import { followFeature } from '../../state/follow.feature';
import { selectLive } from '../../state/log.feature';
import { recordsFeature } from '../../state/records.feature';
import { PlanService } from '../../planner/plan-service';
import { PlanPicture } from './plan-picture';
import { chanceWords, gapWords, isLessSure, likenessWords, shiftWords, supposedWords } from './plan-words';
import type { PlanFound } from '../../planner/planner-api';
import { WhatIf } from './what-if';

/** Whole plans side by side, each in words: what it is like, what it costs, what it leaves out. */
@Component({
  selector: 'oc-found-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NamedPipe, PlanPicture, SaidPipe, WhatIf, SayPipe],
  template: `
    <div class="head">
      <h2>{{ title() }}</h2>
      @if (searching()?.running) {
        <p class="quiet" role="status">
          <progress
            [attr.aria-label]="'page.plan.foundList.searching' | say"
            [value]="searching()!.progress"
            max="1"
          ></progress>
          {{ 'page.plan.foundList.lookingRound' | say: { round: searching()!.round } }}
        </p>
      }
      @if (searching()?.running || mayGoOn()) {
        <button type="button" class="press line-press" (click)="stopOrGoOn()">
          {{ (searching()?.running ? 'page.plan.foundList.willDo' : 'page.plan.foundList.searchOn') | say }}
        </button>
      }
      <oc-what-if class="end" />
      <button type="button" class="press quiet-press" (click)="plans.close()">
        {{ 'page.plan.foundList.close' | say }}
      </button>
    </div>
    @if (inside(); as words) {
      <p class="problem" role="status">{{ words }}</p>
    }
    @if (searching()?.failed; as failed) {
      <p class="problem" role="alert">{{ 'page.plan.foundList.searchStoppedTryAgain' | say: { failed: failed } }}</p>
    }
    <div class="row">
      @for (plan of offers(); track plan.found.of) {
        <article [class.here]="plan.here">
          <div class="name">
            <h3 [title]="plan.why">{{ plan.name }}</h3>
            <button
              type="button"
              class="press line-press"
              [attr.aria-pressed]="plan.here"
              [attr.aria-label]="
                'page.plan.foundList.shownOrShow'
                  | say
                    : {
                        is: plan.here ? 'shown' : 'hidden',
                        name: plan.name,
                      }
              "
              (click)="look(plan)"
            >
              {{ plan.here ? ('page.plan.foundList.shown2' | say) : ('page.plan.foundList.showIt' | say) }}
            </button>
          </div>
          <oc-plan-picture
            [plannedBatches]="plan.found.plannedBatches"
            [asleep]="asleep()"
            [fromMs]="plans.inputs.startMs()"
            [untilMs]="untilMs()"
            [rows]="rows()"
            [words]="plan.words"
          />
          <dl>
            @for (figure of plan.figures; track figure.label) {
              <div [class.wrong]="figure.wrong">
                <dd>{{ figure.says }}</dd>
                <dt>{{ figure.label }}</dt>
              </div>
            }
          </dl>
          @if (plan.same) {
            <p class="quiet">{{ 'page.plan.foundList.samePlanAs' | say: { names: plan.same } }}</p>
          }
          @for (change of plan.changes; track change) {
            <p>{{ change }}</p>
          }
          @for (no of plan.found.notMet; track no.occurrenceId) {
            <p class="problem">{{ no.name | named }}: {{ no.why | said }} {{ no.remedy | said }}</p>
          }
          <p class="quiet">{{ plan.gap }}</p>
        </article>
      } @empty {
        @if (searching()?.running) {
          <p class="quiet">{{ 'page.plan.foundList.everyWayPlaceEach' | say }}</p>
        }
      }
    </div>
  `,
  styles: `
    .head {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 0.8rem;
    }
    .head p {
      display: flex;
      gap: 0.5rem;
      align-items: center;
    }
    .end {
      margin-inline-start: auto;
    }
    progress {
      width: 5rem;
      accent-color: var(--cobalt);
    }
    .row {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(14rem, 1fr));
      gap: 0 1.4rem;
    }
    article {
      container-type: inline-size;
      display: flex;
      flex-direction: column;
      gap: 0.1rem;
      font-size: 0.86rem;
      line-height: 1.3;
      border-top: 3px solid var(--line-strong);
      padding-top: 0.35rem;
    }
    article.here {
      border-color: var(--cobalt);
    }
    .name {
      display: flex;
      align-items: start;
      justify-content: space-between;
      gap: 0.5rem;
    }
    .name .press {
      white-space: nowrap;
    }
    dl {
      display: grid;
      grid-template-columns: repeat(2, minmax(0, 1fr));
      gap: 0.2rem 0.8rem;
      margin: 0.2rem 0 0;
    }
    @container (min-width: 25rem) {
      dl {
        grid-template-columns: repeat(4, minmax(0, 1fr));
      }
    }
    dl div {
      display: flex;
      flex-direction: column;
    }
    dd {
      margin: 0;
      font-size: 1.15rem;
      font-weight: 650;
      font-variant-numeric: tabular-nums;
      white-space: nowrap;
    }
    dt {
      font-size: 0.76rem;
      line-height: 1.15;
      color: var(--ink-soft);
    }
    .wrong dd {
      color: var(--brick);
    }
  `,
})
export class FoundList {
  protected readonly plans = inject(PlanService);
  protected readonly searching = this.plans.searching;
  private readonly store = inject(Store);
  private readonly settings = this.store.selectSignal(householdSelectors.selectSettings);
  protected readonly asleep = this.store.selectSignal(householdSelectors.selectAsleep);

  protected readonly title = computed(() => {
    const searching = this.searching();
    if (!searching?.supposing) return tell('page.plan.foundList.wholePlans');
    return tell('page.plan.foundList.whatIf', {
      supposed: supposedWords(searching.supposing, this.plans.inputs.comes()),
    });
  });

  private readonly live = this.store.selectSignal(selectLive);
  private readonly gear = this.store.selectSignal(recordsFeature.selectGearHere);
  private readonly followed = this.store.selectSignal(followFeature.selectByBatch);
  /** Makes that stand in what is supposed to be out of use. */
  protected readonly inside = computed(() => {
    const supposing = this.searching()?.supposing;
    if (supposing?.is !== 'out of use') return '';
    const pieces = this.gear().filter(({ name }) => name === supposing.gear);
    const kinds = new Set<string>(pieces.map(({ kind }) => kind));
    const nowMs = this.plans.inputs.startMs();
    // Of a make of which nobody said what it stands in, it is taken to stand in this.
    const inIt = this.live().filter(({ id, gear }) => {
      const own = this.gear().filter((piece) => gear.includes(piece.id) && kinds.has(piece.kind));
      const isIn = own.length === 0 || own.some(({ name }) => name === supposing.gear);
      const demands = this.followed()[id]?.demands ?? [];
      return isIn && demands.some((d) => kinds.has(d.gear) && d.fromMs <= nowMs && (d.toMs ?? Infinity) > nowMs);
    });
    const names = listOf(inIt.map((batch) => batch.name));
    return inIt.length > 0 ? tell('page.plan.foundList.standsInIt', { names, count: inIt.length }) : '';
  });

  /** The whole of what is planned, and the most makes that a plan has: all are drawn alike. */
  protected readonly untilMs = computed(() => {
    const all = this.searching()?.found.flatMap(({ plannedBatches }) => plannedBatches) ?? [];
    const startMs = this.plans.inputs.startMs();
    return Math.max(startMs + DAY_MS, ...all.map((p) => Math.max(p.readyMs, p.dueMs ?? 0))) + HOUR_MS;
  });
  protected readonly rows = computed(() =>
    Math.max(0, ...(this.searching()?.found.map(({ plannedBatches }) => plannedBatches.length) ?? [])),
  );

  /** Only those that differ: what comes to the same is named with it. */
  protected readonly offers = computed(() => {
    const searching = this.searching();
    const startMs = this.plans.inputs.startMs();
    const of = this.plans.draft()?.of;
    const wished = this.settings().planChance;
    const all = searching?.found ?? [];
    return all
      .filter(({ sameAs }) => sameAs === null)
      .map((found) => {
        const preset = presetOf(found.of);
        const same = all
          .filter((other) => other !== found && shownFor(other, all) === found)
          .map(({ of: id }) => textOf(presetOf(id)!.name));
        const name = preset ? textOf(preset.name) : tell('page.plan.foundList.movingLittleMust');
        return {
          found,
          name,
          why: preset ? textOf(preset.why) : '',
          words: likenessWords(found, startMs, wished).join(' '),
          figures: figuresOf(found, wished),
          same: same.length > 0 ? listOf(same) : null,
          changes: [...otherwiseWords(found), ...found.changes.map(changeWords)],
          gap: searching?.running ? '' : gapWords(found),
          here: of === name,
        };
      });
  });

  /** Whole plans that are not yet shown to be the best of all ways may be searched on. */
  protected readonly mayGoOn = computed(() => {
    const searching = this.searching();
    return (
      searching !== null &&
      searching.supposing === null &&
      searching.found.some(({ proven, thorough }) => !(proven && thorough))
    );
  });

  protected stopOrGoOn(): void {
    if (this.searching()?.running) this.plans.stop();
    else void this.plans.searchOn().then(() => this.plans.lookAtFirst());
  }

  protected look({ found, name }: { readonly found: PlanFound; readonly name: string }): void {
    this.plans.lookAt(found, name);
  }
}

/** The plan that is shown for another: itself, or the one it comes to the same as, which may itself come to the same as one before. */
function shownFor(found: PlanFound, all: readonly PlanFound[]): PlanFound {
  const other = all.find(({ of }) => of === found.sameAs);
  return other ? shownFor(other, all) : found;
}

const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;

/** What tells one whole plan from another, in four figures. */
function figuresOf({ likeness, chances, notMet }: PlanFound, wished: number) {
  const chance = (of: number | undefined) =>
    of === undefined ? { says: '…', wrong: false } : { says: chanceWords(of), wrong: isLessSure(of, wished) };
  const { handsMin, meanAgeH } = likeness;
  return [
    {
      label: tell(notMet.length > 0 ? 'page.plan.foundList.restInTime' : 'page.plan.foundList.inTime'),
      ...chance(chances?.allMet),
    },
    { label: tell('page.plan.foundList.quietNights'), ...chance(chances?.quietNights), wrong: false },
    { label: tell('page.plan.foundList.hands'), says: span(handsMin), wrong: false },
    { label: tell('page.plan.foundList.age'), says: span(60 * meanAgeH), wrong: false },
  ];
}
/** Makes that are kept warm another way than they were to be, each with what that changes. */
const otherwiseWords = ({ plannedBatches }: PlanFound): readonly string[] =>
  plannedBatches.flatMap((planned) =>
    planned.instead ? [tell('page.plan.foundList.otherwise', { name: batchName(planned), says: planned.instead })] : [],
  );

const presetOf = (id: PlanFound['of'] | null) => OBJECTIVE_PRESETS.find((l) => l.id === id) ?? null;

/** Hands that follow each other within so long are one visit. */
const ONE_VISIT_MS = 30 * 60_000;

/** What of a make comes at another time, in a sentence: when it is begun, and when its other hands come. */
export function changeWords({ name: of, fromMs, toMs, tasks }: PlanFound['changes'][number]): string {
  const name = named(of);
  if (fromMs === null) return tell('page.plan.foundList.isBegun', { name, to: dayTime(toMs!) });
  if (toMs === null) return tell('page.plan.foundList.leftOut', { name });
  const visits = tasks.filter((h, i) => i === 0 || h.toMs - tasks[i - 1]!.toMs > ONE_VISIT_MS);
  const isMoved = fromMs !== toMs;
  const times = (isMoved ? visits.slice(1) : visits).map((h) => dayTime(h.toMs));
  const hands = listOf(times, 'comma');
  if (!isMoved)
    return tell('page.plan.foundList.handsMoved', {
      name,
      times: hands,
      by: shiftWords(tasks[0]!.fromMs, tasks[0]!.toMs),
    });
  const moved = { name, at: dayTime(toMs), by: shiftWords(fromMs, toMs) };
  return times.length > 0
    ? tell('page.plan.foundList.movedWithHands', { ...moved, times: hands })
    : tell('page.plan.foundList.moved', moved);
}
