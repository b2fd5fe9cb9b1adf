import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  linkedSignal,
  output,
  signal,
  untracked,
} from '@angular/core';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import {
  ancestorsOf,
  descendantsOf,
  doseFor,
  dueOf,
  makesOf,
  recallOf,
  rootOf,
  storeOf,
  type CultureLot,
  type StarterStore,
  amount,
  heldOf,
  percent,
} from '@oat-crock/core';
import { KitchenClock } from '../../state/kitchen-clock';
import { logFeature } from '../../state/log.feature';
import { NumberField } from '../../shared/ui/number-field';
import { OptionField } from '../../shared/ui/option-field';
import { written } from '../../shared/ui/dates';
import { textOf, SaidPipe, tell, AroundPipe, SayPipe } from '../../shared/ui/said';
import { mass, span } from '../../shared/ui/words';
import { CultureActs } from '../../state/culture-acts';
import { kindWords, lotWords, moveWords, STORES, activityWords } from './culture-words';
import { OwnCultures } from '../../state/own-cultures';
import { GrainCare } from './grain-care';
import { LineDrift } from './line-drift';

const DOSE_PCT = 2.5;
const INTO: readonly StarterStore[] = ['cold', 'frozen', 'room'];

/** One culture: its strength, what it wants, what can be done with it, where it came from and what came of it. */
@Component({
  selector: 'oc-culture-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [AroundPipe, GrainCare, LineDrift, NumberField, OptionField, RouterLink, SaidPipe, SayPipe],
  templateUrl: './culture-panel.html',
  styleUrl: './culture-panel.css',
})
export class CulturePanel {
  readonly lot = input.required<CultureLot>();
  readonly left = output();
  private readonly own = inject(OwnCultures);
  private readonly clock = inject(KitchenClock);
  protected readonly acts = inject(CultureActs);
  private readonly batches = inject(Store).selectSignal(logFeature.selectBatches);

  private readonly id = computed(() => this.lot().id);
  protected readonly shown = computed(() => this.own.shownOf(this.lot()));
  protected readonly due = computed(() =>
    dueOf(this.lot(), this.own.leftG(this.lot()), this.clock.nowMs(), this.own.knownOf(this.lot())),
  );
  protected readonly alive = computed(() => this.lot().retiredMs === null);
  protected readonly activity = computed(() => activityWords(this.due().activity));
  protected readonly dose = computed(() => {
    if (this.lot().form === 'grains') return '';
    const pct = doseFor(this.due().activity.likely, DOSE_PCT);
    if (pct === null) return tell('page.cultures.culturePanel.noDoseMakesUp');
    const usual = pct < 1.15 * DOSE_PCT;
    return usual
      ? tell('page.cultures.culturePanel.usualDoseWillDo')
      : tell('page.cultures.culturePanel.takeWhereWouldDo', { dose: percent(pct, 1), usual: percent(DOSE_PCT) });
  });
  protected readonly dates = computed(() => {
    const { feedByMs, lastMs } = this.due();
    return [
      ...(feedByMs === null
        ? []
        : [{ what: tell('page.cultures.culturePanel.feedItBy'), when: written(feedByMs, 'day') }]),
      {
        what: tell('page.cultures.culturePanel.lastWorthUsing'),
        when: lastMs === null ? tell('page.cultures.culturePanel.yearsFromNow') : written(lastMs, 'dayYear'),
      },
    ];
  });
  protected readonly feeding = computed(() => this.acts.feeding(this.due()));
  protected readonly moves = computed(() =>
    INTO.filter((store) => store !== storeOf(this.lot())).map((store) => ({
      store,
      label: moveWords(this.lot(), store),
    })),
  );

  protected readonly part = linkedSignal<string, number | null>({
    source: this.id,
    computation: () => untracked(() => Math.max(1, Math.round(this.due().leftG / 2))),
  });
  protected readonly partInto = signal<StarterStore>('frozen');
  protected readonly stores = INTO.map((store) => ({ id: store, label: STORES[store] }));
  protected readonly others = computed(() =>
    this.own
      .alive()
      .filter((other) => other.id !== this.lot().id && other.form === this.lot().form)
      .map((other) => ({
        id: other.id,
        label: tell('page.cultures.culturePanel.generation', {
          name: other.name,
          generation: amount(other.generation),
        }),
      })),
  );
  protected readonly mixWith = linkedSignal<string, string | null>({ source: this.id, computation: () => null });
  protected readonly wrong = linkedSignal({ source: this.id, computation: () => '' });

  /** Where it stood, one store after another: "in the cold for 4 days, then in the room for 6 h". */
  protected readonly stays = computed(() =>
    this.lot()
      .stays.map(({ store, fromMs }, i, all) => {
        const untilMs = all[i + 1]?.fromMs ?? this.clock.nowMs();
        return tell('page.cultures.culturePanel.for', {
          store: STORES[store],
          time: daysOrHours(Math.max(0, untilMs - fromMs)),
        });
      })
      .reduce((first, then) => tell('page.cultures.culturePanel.stays', { first, then })),
  );
  protected readonly line = computed(() => {
    const all = this.own.all();
    const root = rootOf(this.lot(), all);
    const recall = recallOf(this.lot(), all, this.batches());
    return {
      root: root.id === this.lot().id ? null : root,
      before: ancestorsOf(this.lot(), all).length,
      after: descendantsOf(this.lot(), all).length,
      makes: makesOf([this.lot()], this.batches()),
      recall,
      pots: recall.makes.reduce((sum, b) => sum + (b.ended?.how === 'finished' ? (b.ended.pots ?? 0) : 0), 0),
    };
  });

  protected readonly kind = computed(() => kindWords(this.lot()));
  protected readonly words = computed(() => lotWords(this.lot()));
  protected readonly held = computed(() => textOf(heldOf(this.lot(), this.due().leftG)));
  protected readonly day = (atMs: number) => written(atMs, 'day');

  protected divide(): void {
    const massG = this.part();
    if (massG === null || massG <= 0 || massG > this.due().leftG) {
      this.wrong.set(tell('page.cultures.culturePanel.sayHowMuchUp', { left: mass(this.due().leftG) }));
      return;
    }
    this.wrong.set('');
    this.divideOff(massG, this.partInto());
  }

  protected divideOff(massG: number, store: StarterStore): void {
    this.acts.divide(this.due(), massG, store);
  }

  protected mix(): void {
    const other = this.own.all().get(this.mixWith() ?? '');
    if (!other) this.wrong.set(tell('page.cultures.culturePanel.chooseWhatMixed'));
    else this.acts.mix(this.lot(), other, Math.round(this.due().leftG));
  }

  /** Another name for the jar; an empty one is none. */
  protected rename(name: string): void {
    const trimmed = name.trim();
    if (trimmed && trimmed !== this.lot().name) this.acts.save({ ...this.lot(), name: trimmed });
  }

  protected into(store: string): void {
    this.partInto.set(store as StarterStore);
  }
}

const DAY_MS = 86_400_000;

/** "5 days", "7 h 20". */
function daysOrHours(ms: number): string {
  return ms < 2 * DAY_MS
    ? span(ms / 60_000)
    : tell('page.cultures.culturePanel.days', { days: Math.round(ms / DAY_MS) });
}
