import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { DomSanitizer } from '@angular/platform-browser';
import type { Invited, Role } from '@oat-crock/contract/api';
import { AccessClient } from '../../state/access-client';
import { written } from '../../shared/ui/dates';
import { NumberField } from '../../shared/ui/number-field';
import { OptionField } from '../../shared/ui/option-field';
import { SayPipe, tell } from '../../shared/ui/said';
import { whyNot } from '../../shared/ui/why-not';
import { roleOptions } from './role-options';

/** Lets somebody in: a code that another device types or scans within minutes, or a link that ends after some days. */
@Component({
  selector: 'oc-invite-form',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NumberField, OptionField, SayPipe],
  templateUrl: './invite-form.html',
  styleUrl: './invite-form.css',
})
export class InviteForm {
  private readonly wire = inject(AccessClient);
  private readonly trusted = inject(DomSanitizer);
  /** Where other devices reach the dairy. */
  readonly addresses = input.required<readonly string[]>();
  readonly invited = output<Invited>();
  protected readonly KINDS = ['code', 'link'] as const;
  protected readonly maker = signal('');
  protected readonly role = signal<string>('works');
  protected readonly kind = signal<'code' | 'link'>('code');
  protected readonly days = signal<number | null>(3);
  protected readonly wrong = signal('');
  protected readonly made = signal<Invited | null>(null);
  /** The way in as a picture that a camera reads. */
  protected readonly picture = signal<ReturnType<DomSanitizer['bypassSecurityTrustUrl']> | null>(null);
  protected readonly roles = computed(roleOptions);
  protected readonly end = computed(() => written(this.made()?.endsMs ?? 0, 'record'));
  /** Where another device goes: by the address this page has, unless that leads to this machine alone. */
  protected readonly base = computed(() => {
    const isHere = /^(localhost|127\.[\d.]+|\[::1\])$/.test(location.hostname);
    return isHere ? (this.addresses()[0] ?? '') : location.origin;
  });
  protected readonly address = computed(() => `${this.base()}/#in=${this.made()?.secret.replace('-', '') ?? ''}`);

  /** An inspector's link lets nobody write unless that is chosen. */
  protected choose(kind: 'code' | 'link'): void {
    this.kind.set(kind);
    this.role.set(kind === 'link' ? 'looks' : 'works');
  }

  protected async make(): Promise<void> {
    this.wrong.set('');
    const [kind, maker, days] = [this.kind(), this.maker().trim(), this.days()];
    if (!maker) return this.wrong.set(tell('page.whoMay.invite.whoFirst'));
    try {
      const inviting = { kind, role: this.role() as Role, maker, ...(kind === 'link' && { days: days ?? 1 }) };
      const made = await this.wire.invite(inviting);
      this.made.set(made);
      this.invited.emit(made);
      await this.draw();
    } catch (error) {
      this.made.set(null);
      this.wrong.set(whyNot(error));
    }
  }

  private async draw(): Promise<void> {
    if (!this.base()) return this.picture.set(null);
    const { drawWayIn } = await import('./draw-way-in');
    // Our own drawing of our own address: nothing in it comes from elsewhere.
    this.picture.set(this.trusted.bypassSecurityTrustUrl(await drawWayIn(this.address())));
  }
}
