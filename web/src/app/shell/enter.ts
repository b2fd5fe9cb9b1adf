import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import { AccessClient } from '../state/access-client';
import { accessFeature } from '../state/access.feature';
import { whyNot } from '../shared/ui/why-not';
import { SayPipe, tell } from '../shared/ui/said';

/** What stands behind the "#" of an address that lets in. */
const IN_ADDRESS = /^#in=([\w-]{8,80})$/;
/** A code as it is read off another screen; no passphrase is that short. */
const CODE = /^[0-9a-z]{4}[\s-]?[0-9a-z]{4}$/i;

/** The door of a dairy that is closed to this device: who comes, and what lets them in. */
@Component({
  selector: 'oc-enter',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe],
  templateUrl: './enter.html',
  styleUrl: './enter.css',
})
export class Enter {
  private readonly wire = inject(AccessClient);
  private readonly access = inject(Store).selectSignal(accessFeature.selectAccess);
  /** What lets in came with the address: a link, or a code that was scanned. */
  protected readonly inAddress = IN_ADDRESS.exec(location.hash)?.[1] ?? null;
  protected readonly hasPassphrase = computed(() => this.access()?.hasPassphrase ?? true);
  protected readonly name = signal(
    tell(matchMedia('(pointer: coarse)').matches ? 'page.enter.handheld' : 'page.enter.computer'),
  );
  protected readonly maker = signal('');
  protected readonly secret = signal('');
  protected readonly shown = signal(false);
  protected readonly busy = signal(false);
  protected readonly wrong = signal('');
  /** Loads the page anew, as one that is let in. */
  protected readonly done = () => {
    history.replaceState(null, '', location.pathname);
    location.reload();
  };

  protected async enter(): Promise<void> {
    const given = this.inAddress ?? this.secret().trim();
    if (!given || !this.name().trim()) return this.wrong.set(tell('page.enter.fillIn'));
    this.busy.set(true);
    this.wrong.set('');
    const way = this.inAddress || CODE.test(given) ? { secret: given } : { passphrase: given };
    try {
      await this.wire.enter(way, this.name().trim(), this.maker().trim());
      this.done();
    } catch (error) {
      this.wrong.set(whyNot(error));
      this.busy.set(false);
    }
  }
}
