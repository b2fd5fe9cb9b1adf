import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Store } from '@ngrx/store';
import { OBJECTIVE_PRESETS, type Supposition, listOf } from '@oat-crock/core';
import { named, NamedPipe, SaidPipe, tell, SayPipe, textOf } from '../../shared/ui/said';
import { dayTime, span } from '../../shared/ui/words';
import { householdSelectors } from '../../state/household';
import { PlanService } from '../../planner/plan-service';
import { gapWords, likenessWords, shiftWords } from './plan-words';
import type { PlanFound } from '../../planner/planner-api';
import { WhatIf } from './what-if';

/** Whole plans side by side, each in words: what it is like, what it costs, what it leaves out. */
@Component({
  selector: 'oc-found-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NamedPipe, SaidPipe, WhatIf, SayPipe],
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
          <p>{{ plan.words }}</p>
          @if (plan.same) {
            <p class="quiet">{{ 'page.plan.foundList.samePlan' | say: { same: plan.same } }}</p>
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
  `,
})
export class FoundList {
  protected readonly plans = inject(PlanService);
  protected readonly searching = this.plans.searching;
  private readonly settings = inject(Store).selectSignal(householdSelectors.selectSettings);

  protected readonly title = computed(() => {
    const searching = this.searching();
    if (!searching?.supposing) return tell('page.plan.foundList.wholePlans');
    return tell('page.plan.foundList.whatIf', { supposed: supposedWords(searching.supposing) });
  });

  protected readonly offers = computed(() => {
    const searching = this.searching();
    const startMs = this.plans.inputs.startMs();
    const of = this.plans.draft()?.of;
    const wished = this.settings().planChance;
    return (searching?.found ?? []).map((found) => {
      const preset = presetOf(found.of);
      const name = preset ? textOf(preset.name) : tell('page.plan.foundList.movingLittleMust');
      return {
        found,
        name,
        why: preset ? textOf(preset.why) : '',
        words: likenessWords(found, startMs, wished).join(' '),
        same: presetOf(found.sameAs)?.name ?? null,
        changes: found.changes.map(changeWords),
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
    else void this.plans.searchOn();
  }

  protected look({ found, name }: { readonly found: PlanFound; readonly name: string }): void {
    this.plans.lookAt(found, name);
  }
}

const presetOf = (id: PlanFound['of'] | null) => OBJECTIVE_PRESETS.find((l) => l.id === id) ?? null;

/** "the cream comes a day late" */
export function supposedWords(what: Supposition): string {
  if (what.is === 'comes late') return tell('page.plan.foundList.late', { what: what.what, by: span(what.byMin) });
  if (what.is === 'out of use') return tell('page.plan.foundList.outOfUse', { gear: what.gear });
  return tell('page.plan.foundList.nobody');
}

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
