import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { say, type Text } from '@oat-crock/core';
import { Alerts, type ToldBy } from '../../shared/tasks/alerts';
import { SayPipe, SaidPipe } from '../../shared/ui/said';

const WORDS: Readonly<Record<Exclude<ToldBy, 'unasked'>, Text>> = {
  'chime and note': say('page.today.alertAsk.handsNearRingHere'),
  chime: say('page.today.alertAsk.handsNearRingHere2'),
  nothing: say('page.today.alertAsk.nothingRingsDevice'),
};

/** Asks once, in words, how somebody wants to be told of hands; afterwards says so in a line that can be changed. */
@Component({
  selector: 'oc-alert-ask',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink, SaidPipe, SayPipe],
  template: `
    @if (asking()) {
      <div class="ask washed" role="group" aria-labelledby="alert-ask">
        <p id="alert-ask">
          {{ 'page.today.alertAsk.shallDeviceTellYou' | say }}
        </p>
        <div>
          <button type="button" class="press line-press" (click)="choose('chime and note')">
            {{ 'page.today.alertAsk.chimeNote' | say }}
          </button>
          <button type="button" class="press line-press" (click)="choose('chime')">
            {{ 'page.today.alertAsk.chimeAlone' | say }}
          </button>
          <button type="button" class="press quiet-press" (click)="choose('nothing')">
            {{ 'page.today.alertAsk.no' | say }}
          </button>
        </div>
      </div>
    } @else {
      <p class="quiet">
        {{ words() | said }}
        <button type="button" class="change" (click)="changing.set(true)">
          {{ 'page.today.alertAsk.changeIt' | say }}
        </button>
        &ngsp;<a routerLink="/alerts">{{ 'page.alerts.open' | say }}</a>
      </p>
    }
  `,
  styles: `
    .change {
      font: inherit;
      background: none;
      border: 0;
      padding: 0;
      color: var(--cobalt);
      text-decoration: underline;
      cursor: pointer;
    }
  `,
})
export class AlertAsk {
  private readonly alerts = inject(Alerts);
  protected readonly changing = signal(false);
  protected readonly asking = computed(() => this.alerts.by() === 'unasked' || this.changing());
  protected readonly words = computed(() => {
    const by = this.alerts.by();
    return by === 'unasked' ? '' : WORDS[by];
  });

  protected async choose(by: Exclude<ToldBy, 'unasked'>): Promise<void> {
    await this.alerts.choose(by);
    this.changing.set(false);
  }
}
