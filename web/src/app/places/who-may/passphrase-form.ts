import { ChangeDetectionStrategy, Component, inject, input, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import { PASSPHRASE_LEAST } from '@oat-crock/contract/api';
import { AccessClient } from '../../state/access-client';
import { AccessActions } from '../../state/access.feature';
import { SayPipe, tell } from '../../shared/ui/said';
import { whyNot } from '../../shared/ui/why-not';

/** The passphrase that opens the dairy: set, or changed with everybody else signed out. */
@Component({
  selector: 'oc-passphrase-form',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe],
  template: `
    <h2>{{ 'page.whoMay.passphrase.title' | say }}</h2>
    <p class="quiet">{{ (isSet() ? 'page.whoMay.passphrase.isSet' : 'page.whoMay.passphrase.isNone') | say }}</p>
    <form (submit)="set(); $event.preventDefault()">
      <label for="passphrase">{{
        (isSet() ? 'page.whoMay.passphrase.another' : 'page.whoMay.passphrase.first') | say
      }}</label>
      <input
        id="passphrase"
        class="type"
        maxlength="200"
        autocomplete="new-password"
        autocapitalize="none"
        spellcheck="false"
        [value]="passphrase()"
        (input)="passphrase.set($any($event.target).value)"
        [attr.aria-invalid]="wrong() !== ''"
      />
      @if (isSet()) {
        <label class="wide" for="passphrase-out">
          <input id="passphrase-out" type="checkbox" [checked]="signOut()" (change)="signOut.set(!signOut())" />
          {{ 'page.whoMay.passphrase.signOut' | say }}
        </label>
      }
      @if (wrong()) {
        <p class="wide wrong" role="alert">{{ wrong() }}</p>
      }
      <p class="wide">
        <button type="submit" class="press line-press">{{ 'page.whoMay.passphrase.set' | say }}</button>
        <span role="status">{{ said() }}</span>
      </p>
    </form>
  `,
  styles: `
    h2 {
      margin: 1.6rem 0 0.3rem;
    }
    form {
      display: grid;
      grid-template-columns: 9rem minmax(0, 1fr);
      gap: 0.5rem 0.8rem;
      align-items: center;
      margin-top: 0.6rem;
    }
    .wide {
      grid-column: 1 / -1;
    }
    label.wide {
      display: flex;
      gap: 0.5rem;
      align-items: center;
      min-height: 2.25rem;
    }
    span {
      margin-left: 0.8rem;
    }
    .wrong {
      color: var(--brick);
    }
    @media (max-width: 560px) {
      form {
        grid-template-columns: minmax(0, 1fr);
      }
    }
  `,
})
export class PassphraseForm {
  private readonly wire = inject(AccessClient);
  private readonly store = inject(Store);
  readonly isSet = input.required<boolean>();
  protected readonly passphrase = signal('');
  protected readonly signOut = signal(true);
  protected readonly wrong = signal('');
  protected readonly said = signal('');

  protected async set(): Promise<void> {
    const given = this.passphrase().trim();
    this.said.set('');
    this.wrong.set('');
    if (given.length < PASSPHRASE_LEAST)
      return this.wrong.set(tell('page.whoMay.passphrase.tooShort', { least: String(PASSPHRASE_LEAST) }));
    try {
      const access = await this.wire.setPassphrase(given, this.isSet() && this.signOut());
      this.passphrase.set('');
      this.said.set(tell('page.whoMay.passphrase.done'));
      this.store.dispatch(AccessActions.received({ access }));
    } catch (error) {
      this.wrong.set(whyNot(error));
    }
  }
}
