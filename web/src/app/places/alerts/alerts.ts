import { ChangeDetectionStrategy, Component, computed, effect, inject, signal, untracked } from '@angular/core';
import { Store } from '@ngrx/store';
import { mayAs, type AlertBook, type AlertRecipient, type SimulatedLetter } from '@oat-crock/contract/api';
import { accessFeature } from '../../state/access.feature';
import { AlertClient } from '../../state/alert-client';
import { clockFeature } from '../../state/clock.feature';
import { unreachedFeature } from '../../state/unreached.feature';
import { hourWord } from '../../shared/ui/dates';
import { SayPipe, tell, textOf } from '../../shared/ui/said';
import { whyNot } from '../../shared/ui/why-not';
import { LettersList } from './letters-list';
import { RecipientForm } from './recipient-form';
import { ToldList } from './told-list';
import { draftOf, wishOf } from './wish-fields';

/** Who is told of hands with no page open, by which way, and what they were told. */
@Component({
  selector: 'oc-alerts',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [LettersList, RecipientForm, SayPipe, ToldList],
  templateUrl: './alerts.html',
  styleUrl: './alerts.css',
})
export class AlertsPlace {
  private readonly wire = inject(AlertClient);
  private readonly store = inject(Store);
  private readonly me = this.store.selectSignal(accessFeature.selectMe);
  private readonly told = this.store.selectSignal(unreachedFeature.selectTold);
  private readonly line = this.store.selectSignal(clockFeature.selectLine);
  protected readonly isAway = computed(() => this.line() === 'lost');
  protected readonly keeps = this.store.selectSignal(accessFeature.selectKeeps);
  /** Addresses of people are nothing for an inspector. */
  protected readonly maySee = computed(() => mayAs(this.me()?.role ?? 'keeps', 'works'));
  protected readonly book = signal<AlertBook | null>(null);
  protected readonly letters = signal<readonly SimulatedLetter[]>([]);
  protected readonly changing = signal<AlertRecipient | null>(null);
  protected readonly wrong = signal('');
  protected readonly said = signal('');
  /** Whoever is just being sent a trial. */
  protected readonly trying = signal('');

  protected readonly rows = computed(() =>
    (this.book()?.recipients ?? []).map((recipient) => ({
      recipient,
      way: tell(`page.alerts.way.${recipient.way}`),
      when: whenWords(recipient),
      trouble: textOf(recipient.trouble),
      mayChange: recipient.way !== 'webhook' || this.keeps(),
    })),
  );

  constructor() {
    effect(() => {
      this.told();
      if (this.maySee()) untracked(() => void this.read());
    });
  }

  protected async tryOut({ id, name }: AlertRecipient): Promise<void> {
    this.trying.set(id);
    await this.doing(async () => {
      const { isSent, why } = await this.wire.tryOut(id);
      this.said.set(isSent ? tell('page.alerts.tried', { name }) : tell('page.alerts.notTried', { name, why }));
    });
    this.trying.set('');
  }

  protected pause(recipient: AlertRecipient): Promise<void> {
    const isPaused = !recipient.isPaused;
    return this.doing(async () => {
      this.book.set(await this.wire.change(recipient.id, wishOf({ ...draftOf(recipient), isPaused })));
      const { name } = recipient;
      this.said.set(isPaused ? tell('page.alerts.isPaused', { name }) : tell('page.alerts.goesOn', { name }));
    });
  }

  protected remove({ id, name }: AlertRecipient): Promise<void> {
    return this.doing(async () => {
      if (this.changing()?.id === id) this.changing.set(null);
      this.book.set(await this.wire.remove(id));
      this.said.set(tell('page.alerts.isRemoved', { name }));
    });
  }

  protected saved(name: string): void {
    this.said.set(tell('page.alerts.isTold', { name }));
    void this.read();
  }

  private async read(): Promise<void> {
    try {
      this.book.set(await this.wire.book());
      if (this.book()!.simulated !== null) this.letters.set((await this.wire.letters()).letters);
    } catch (error) {
      this.wrong.set(whyNot(error));
    }
  }

  private async doing(what: () => Promise<void>): Promise<void> {
    this.wrong.set('');
    this.said.set('');
    try {
      await what();
    } catch (error) {
      this.wrong.set(whyNot(error));
    }
  }
}

/** "All hands, 10 min before; not from 22 to 6, but for what cannot wait." */
function whenWords({ about, leadMin, quiet, wakes }: AlertRecipient): string {
  const when = tell(`page.alerts.when.${about}`, { lead: leadMin });
  if (quiet === null) return when;
  const hours =
    quiet === 'house' ? '' : tell('page.alerts.when.hours', { from: hourWord(quiet.fromH), to: hourWord(quiet.toH) });
  const not = quiet === 'house' ? tell('page.alerts.when.house') : hours;
  return `${when} ${not} ${wakes ? tell('page.alerts.when.wakes') : ''}`.trim();
}
