import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  type ElementRef,
  inject,
  output,
  resource,
  signal,
  viewChild,
} from '@angular/core';
import { Router } from '@angular/router';
import { Store } from '@ngrx/store';
import type { MakeLine } from '@oat-crock/core';
import type { MakesAsked } from '@oat-crock/contract/api';
import { tell, textOf, SayPipe } from '../shared/ui/said';
import { ApiClient } from '../state/api-client';
import { MethodBook } from '../state/method-book';
import { logFeature } from '../state/log.feature';
import { dayTime } from '../shared/ui/words';
import { PLACES } from './places';

interface Goal {
  readonly text: string;
  readonly path: string;
}

const MOST = 9;

const NEWEST: MakesAsked = {
  find: '',
  states: [],
  methodId: null,
  fromMs: null,
  untilMs: null,
  taste: null,
  sort: 'started',
  descending: true,
  skip: 0,
  take: MOST,
};

const goalOf = ({ id, name, startedMs }: Pick<MakeLine, 'id' | 'name' | 'startedMs'>): Goal => ({
  text: `${name}, ${dayTime(startedMs)}`,
  path: `/make/${id}`,
});

/** Find a make or a method and go there. */
@Component({
  selector: 'oc-goto',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe],
  template: `
    <dialog #box (close)="closed.emit()" aria-labelledby="goto-title">
      <h2 id="goto-title">{{ 'page.shell.goto.findGo' | say }}</h2>
      <input
        type="text"
        [attr.aria-label]="'page.shell.goto.makeMethodPlace' | say"
        [placeholder]="'page.shell.goto.makeMethodPlace' | say"
        autocomplete="off"
        [value]="typed()"
        (input)="type($event)"
        (keydown)="onKey($event)"
      />
      <ul>
        @for (goal of found(); track goal.path + goal.text; let i = $index) {
          <li [class.chosen]="i === chosen()">
            <button type="button" (click)="go(goal)">{{ goal.text }}</button>
          </li>
        } @empty {
          <li class="quiet">{{ 'page.shell.goto.nothingName' | say }}</li>
        }
      </ul>
    </dialog>
  `,
  styleUrl: './dialog.css',
})
export class GoTo {
  readonly closed = output();
  private readonly router = inject(Router);
  private readonly store = inject(Store);
  private readonly wire = inject(ApiClient);
  private readonly batches = this.store.selectSignal(logFeature.selectBatches);
  private readonly past = this.store.selectSignal(logFeature.selectPast);
  private readonly box = viewChild.required<ElementRef<HTMLDialogElement>>('box');
  private readonly methods = inject(MethodBook);
  protected readonly typed = signal('');
  protected readonly chosen = signal(0);

  private readonly goals = computed<readonly Goal[]>(() => [
    ...PLACES.map((p) => ({ text: textOf(p.text), path: p.path })),
    ...this.batches().map(goalOf),
    ...this.methods
      .all()
      .map((m) => ({ text: tell('page.shell.goto.method', { name: m.name }), path: `/methods/${m.id}` })),
  ]);
  protected readonly found = computed(() => {
    const words = this.typed().toLowerCase().split(/\s+/);
    const here = this.goals().filter((g) => words.every((w) => g.text.toLowerCase().includes(w)));
    const known = new Set(here.map(({ path }) => path));
    return [...here, ...this.older().filter(({ path }) => !known.has(path))].slice(0, MOST);
  });
  /** Makes that are older than what the page has, from the kitchen's server; none while it is asked, or where it does not answer. */
  private readonly asked = resource({
    params: () => ({ find: this.typed().trim(), past: this.past().count }),
    loader: ({ params: { find, past } }) =>
      find.length > 1 && past > 0 ? this.wire.makes({ ...NEWEST, find }) : Promise.resolve(null),
  });
  private readonly older = computed((): readonly Goal[] =>
    ((this.asked.hasValue() ? this.asked.value()?.makes : null) ?? []).map(goalOf),
  );

  constructor() {
    afterNextRender(() => this.box().nativeElement.showModal());
  }

  protected type(event: Event): void {
    this.typed.set((event.target as HTMLInputElement).value);
    this.chosen.set(0);
  }

  protected onKey(event: KeyboardEvent): void {
    const step = { ArrowDown: 1, ArrowUp: -1 }[event.key];
    if (step) this.chosen.update((i) => Math.min(this.found().length - 1, Math.max(0, i + step)));
    else if (event.key === 'Enter' && this.found()[this.chosen()]) this.go(this.found()[this.chosen()]!);
    else return;
    event.preventDefault();
  }

  protected go(goal: Goal): void {
    this.box().nativeElement.close();
    void this.router.navigateByUrl(goal.path);
  }
}
