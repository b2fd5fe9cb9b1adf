import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import type { Device, Devices, Invited, Role } from '@oat-crock/contract/api';
import { AccessClient } from '../../state/access-client';
import { accessFeature } from '../../state/access.feature';
import { clockFeature } from '../../state/clock.feature';
import { written } from '../../shared/ui/dates';
import { OptionField } from '../../shared/ui/option-field';
import { SayPipe, tell } from '../../shared/ui/said';
import { InviteForm } from './invite-form';
import { OwnName } from './own-name';
import { PassphraseForm } from './passphrase-form';
import { roleOptions } from './role-options';
import { whyNot } from '../../shared/ui/why-not';

/** Who may use the dairy: devices that were let in, ways in, and the passphrase. */
@Component({
  selector: 'oc-who-may',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [InviteForm, OptionField, OwnName, PassphraseForm, SayPipe],
  templateUrl: './who-may.html',
  styleUrl: './who-may.css',
})
export class WhoMay {
  private readonly wire = inject(AccessClient);
  private readonly store = inject(Store);
  protected readonly access = this.store.selectSignal(accessFeature.selectAccess);
  private readonly line = this.store.selectSignal(clockFeature.selectLine);
  protected readonly isAway = computed(() => this.line() === 'lost');
  protected readonly keeps = this.store.selectSignal(accessFeature.selectKeeps);
  protected readonly all = signal<Devices | null>(null);
  protected readonly wrong = signal('');
  protected readonly said = signal('');
  protected readonly roles = computed(roleOptions);
  protected readonly devices = computed(() =>
    (this.all()?.devices ?? []).map((device) => ({
      device,
      last: written(device.lastMs, 'record'),
      ends: device.endsMs === null ? '' : tell('page.whoMay.until', { end: written(device.endsMs, 'record') }),
      isThis: device.id === this.access()?.me?.deviceId,
    })),
  );
  protected readonly invitations = computed(() =>
    (this.all()?.invitations ?? []).map(({ id, kind, role, maker, endsMs }) => ({
      id,
      words: tell(`page.whoMay.waits.${kind}`, {
        maker,
        role: tell(`page.whoMay.role.${role}`),
        end: written(endsMs, 'record'),
      }),
    })),
  );

  constructor() {
    if (this.keeps()) void this.take(this.wire.devices());
  }

  protected readonly roleWords = (role: Role) => tell(`page.whoMay.role.${role}`);

  protected invited({ secret, ...invitation }: Invited): void {
    const all = this.all();
    if (all && secret) this.all.set({ ...all, invitations: [...all.invitations, invitation] });
  }

  protected rename(device: Device, change: Partial<Pick<Device, 'name' | 'maker'>>): void {
    const { name, maker, role } = { ...device, ...change };
    if (name.trim() && maker.trim())
      void this.take(this.wire.change(device.id, { name: name.trim(), maker: maker.trim(), role }));
  }

  protected give(device: Device, role: string): void {
    const { name, maker } = device;
    void this.take(this.wire.change(device.id, { name, maker, role: role as Role }));
  }

  protected async shutOut({ id, name }: Device): Promise<void> {
    await this.take(this.wire.shutOut(id));
    if (!this.wrong()) this.said.set(tell('page.whoMay.isOut', { name }));
  }

  protected takeBack(id: string): void {
    void this.take(this.wire.takeBack(id));
  }

  /** Leaves the dairy on this device: its page asks to be let in again. */
  protected async signOut(): Promise<void> {
    try {
      await this.wire.signOut();
      this.reload();
    } catch (error) {
      this.wrong.set(whyNot(error));
    }
  }
  protected readonly reload = () => location.reload();

  private async take(answer: Promise<Devices>): Promise<void> {
    this.wrong.set('');
    try {
      this.all.set(await answer);
    } catch (error) {
      this.wrong.set(whyNot(error));
    }
  }
}
