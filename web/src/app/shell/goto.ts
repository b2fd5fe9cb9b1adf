import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  type ElementRef,
  inject,
  output,
  signal,
  viewChild,
} from '@angular/core';
import { Router } from '@angular/router';
import { Store } from '@ngrx/store';
import { tell, textOf, SayPipe } from '../shared/ui/said';
import { MethodBook } from '../state/method-book';
import { logFeature } from '../state/log.feature';
import { dayTime } from '../shared/ui/words';
import { PLACES } from './places';

interface Goal {
  readonly text: string;
  readonly path: string;
}

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
  private readonly batches = inject(Store).selectSignal(logFeature.selectBatches);
  private readonly box = viewChild.required<ElementRef<HTMLDialogElement>>('box');
  private readonly methods = inject(MethodBook);
  protected readonly typed = signal('');
  protected readonly chosen = signal(0);

  private readonly goals = computed<readonly Goal[]>(() => [
    ...PLACES.map((p) => ({ text: textOf(p.text), path: p.path })),
    ...this.batches().map((b) => ({ text: `${b.name}, ${dayTime(b.startedMs)}`, path: `/make/${b.id}` })),
    ...this.methods
      .all()
      .map((m) => ({ text: tell('page.shell.goto.method', { name: m.name }), path: `/methods/${m.id}` })),
  ]);
  protected readonly found = computed(() => {
    const words = this.typed().toLowerCase().split(/\s+/);
    return this.goals()
      .filter((g) => words.every((w) => g.text.toLowerCase().includes(w)))
      .slice(0, 9);
  });

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
