import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { RouterLink, RouterLinkActive } from '@angular/router';
import { SayPipe } from '../../shared/ui/said';

/** The parts of the ledger, each a touch away from the others. */
@Component({
  selector: 'oc-ledger-head',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink, RouterLinkActive, SayPipe],
  template: `
    @if (titles()) {
      <h1 class="place">{{ 'page.ledger.ledger.ledger' | say }}</h1>
    } @else {
      <p class="place">{{ 'page.ledger.ledger.ledger' | say }}</p>
    }
    <nav [attr.aria-label]="'page.ledger.head.parts' | say">
      <a
        routerLink="/ledger"
        routerLinkActive="here"
        [routerLinkActiveOptions]="{
          paths: 'exact',
          queryParams: 'ignored',
          fragment: 'ignored',
          matrixParams: 'ignored',
        }"
        ariaCurrentWhenActive="page"
        >{{ 'page.ledger.ledger.makes' | say }}</a
      >
      <a routerLink="/ledger/deliveries" routerLinkActive="here" ariaCurrentWhenActive="page">{{
        'page.ledger.deliveries.title' | say
      }}</a>
      <a routerLink="/ledger/trends" routerLinkActive="here" ariaCurrentWhenActive="page">{{
        'page.ledger.trends.title' | say
      }}</a>
      <a routerLink="/ledger/learned" routerLinkActive="here" ariaCurrentWhenActive="page">{{
        'page.ledger.learned.title' | say
      }}</a>
      <a routerLink="/ledger/trace" routerLinkActive="here" ariaCurrentWhenActive="page">{{
        'page.ledger.ledger.traceRecall' | say
      }}</a>
      <a routerLink="/ledger/archive" routerLinkActive="here" ariaCurrentWhenActive="page">{{
        'page.ledger.archive.title' | say
      }}</a>
    </nav>
  `,
  styles: `
    :host {
      display: flex;
      flex-wrap: wrap;
      gap: 0.3rem 1.5rem;
      align-items: baseline;
      margin-bottom: 0.8rem;
    }
    .place {
      margin: 0;
      font-family: var(--serif);
      font-size: 1.6rem;
      font-weight: 600;
    }
    nav {
      display: flex;
      flex-wrap: wrap;
      gap: 0.3rem 1.2rem;
    }
    a {
      padding: 0.4rem 0;
      color: var(--ink-soft);
      text-decoration: none;
      border-bottom: 2px solid transparent;
    }
    a:hover {
      color: var(--ink);
    }
    .here {
      font-weight: 600;
      color: var(--ink);
      border-bottom-color: var(--cobalt);
    }
  `,
})
export class LedgerHead {
  /** Whether the page has no other title. */
  readonly titles = input(false);
}
