import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { NavigationEnd, Router } from '@angular/router';
import { Store } from '@ngrx/store';
import { filter, map, startWith } from 'rxjs';
import { logFeature } from '../state/log.feature';
import { SaidPipe, SayPipe } from '../shared/ui/said';
import { Guide } from './guide.state';
import { PLACE_TOPICS } from './place-topics';

/** A household with as many makes knows its places. */
const YOUNG_MAKES = 3;

/** What a place is for, at first sight of it: until it was read, or for good none at all. */
@Component({
  selector: 'oc-first-look',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SaidPipe, SayPipe],
  template: `
    @if (topic(); as topic) {
      <aside [attr.aria-label]="topic.title | said">
        <p>
          <b>{{ topic.title | said }}</b> {{ topic.says | said }}
        </p>
        <button type="button" class="press line-press" (click)="guide.saw(topic.path)">
          {{ 'page.shell.firstLook.understood' | say }}
        </button>
        <button type="button" class="press quiet-press" (click)="guide.turnOff()">
          {{ 'page.shell.firstLook.noneOfThese' | say }} <kbd>X</kbd>
        </button>
      </aside>
    }
  `,
  styles: `
    aside {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 0.4rem 0.75rem;
      margin: 0 0 1rem;
      padding: 0.5rem 0.9rem;
      background: var(--cobalt-wash);
      border-radius: 6px;
      font-size: 0.94rem;
    }
    p {
      flex: 1 1 32rem;
      margin: 0;
    }
  `,
})
export class FirstLook {
  protected readonly guide = inject(Guide);
  private readonly router = inject(Router);
  private readonly batches = inject(Store).selectSignal(logFeature.selectBatches);
  private readonly url = toSignal(
    this.router.events.pipe(
      filter((event) => event instanceof NavigationEnd),
      map(() => this.router.url),
      startWith(this.router.url),
    ),
    { requireSync: true },
  );

  /** The place at hand, where it is new here; an empty dairy's Today asks its own three questions. */
  protected readonly topic = computed(() => {
    const makes = this.batches().length;
    if (makes >= YOUNG_MAKES || (makes === 0 && this.url().startsWith('/today'))) return null;
    return PLACE_TOPICS.find(({ path }) => this.url().startsWith(path) && this.guide.isNew(path)) ?? null;
  });
}
