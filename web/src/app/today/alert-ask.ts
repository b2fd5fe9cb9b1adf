import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Alerts, type ToldBy } from './alerts';

const WORDS: Readonly<Record<Exclude<ToldBy, 'unasked'>, string>> = {
  'chime and note': 'Hands that are near ring here, and show as a note of this device.',
  chime: 'Hands that are near ring here.',
  nothing: 'Nothing rings on this device.',
};

/** Asks once, in words, how somebody wants to be told of hands; afterwards says so in a line that can be changed. */
@Component({
  selector: 'oc-alert-ask',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (asking()) {
      <div class="ask" role="group" aria-labelledby="alert-ask">
        <p id="alert-ask">
          Shall this device tell you when hands are near? A chime needs the page open; a note shows over other programs
          too, and your browser will ask you whether it may.
        </p>
        <div>
          <button type="button" class="press line-press" (click)="choose('chime and note')">Chime and note</button>
          <button type="button" class="press line-press" (click)="choose('chime')">Chime alone</button>
          <button type="button" class="press quiet-press" (click)="choose('nothing')">No</button>
        </div>
      </div>
    } @else {
      <p class="quiet">
        {{ words() }} <button type="button" class="change" (click)="changing.set(true)">Change it</button>
      </p>
    }
  `,
  styles: `
    .ask {
      background: var(--cobalt-wash);
      border-radius: 6px;
      padding: 0.6rem 0.8rem;
      display: grid;
      gap: 0.5rem;
      font-size: 0.92rem;
    }
    .ask div {
      display: flex;
      flex-wrap: wrap;
      gap: 0.4rem;
    }
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
