import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import type { Batch } from '@oat-crock/core';
import { KitchenClock } from '../../state/kitchen-clock';
import { Logger } from '../../state/logger';
import { logFeature } from '../../state/log.feature';
import { waiting } from '../../state/waiting';
import { dayTime } from '../../shared/ui/words';
import { smaller } from './smaller';
import { tell, SayPipe } from '../../shared/ui/said';

/** Pictures of a make: taken or picked, made small, kept with it. */
@Component({
  selector: 'oc-photos',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe],
  template: `
    @if (batch().photos.length) {
      <ul>
        @for (photo of batch().photos; track photo.id) {
          <li>
            @if (waits().has(photo.id)) {
              <i>{{ 'page.make.photos.waitsSent' | say }}</i>
            } @else {
              <a [href]="'/api/v1/photos/' + photo.photoId" target="_blank" rel="noopener">
                <img
                  [src]="'/api/v1/photos/' + photo.photoId"
                  [alt]="photo.text || ('page.make.photos.makeOn' | say: { at: dayTime(photo.atMs) })"
                  loading="lazy"
                  width="96"
                  height="72"
                />
              </a>
            }
            <span>{{ dayTime(photo.atMs) }}</span>
          </li>
        }
      </ul>
    }
    <label class="press quiet-press">
      {{ sending() ? ('page.make.photos.keepingPicture' | say) : ('page.make.photos.addPicture' | say) }}
      <input class="unseen" type="file" accept="image/*" [disabled]="sending()" (change)="add($event)" />
    </label>
    @if (wrong()) {
      <p class="problem" role="alert">{{ wrong() }}</p>
    }
  `,
  styles: `
    ul {
      display: flex;
      flex-wrap: wrap;
      gap: 0.6rem;
      margin-bottom: 0.4rem;
    }
    li {
      display: grid;
      font-size: 0.8rem;
      color: var(--ink-soft);
    }
    i {
      display: grid;
      place-content: center;
      width: 98px;
      height: 74px;
      border: 1px dashed var(--line-strong);
      border-radius: 5px;
    }
    img {
      object-fit: cover;
      border-radius: 5px;
      border: 1px solid var(--line);
      background: var(--paper-sunk);
      display: block;
    }
    label {
      display: inline-flex;
      align-items: center;
      margin-left: -0.6rem;
    }
    label:focus-within {
      outline: 2px solid var(--cobalt);
    }
  `,
})
export class Photos {
  readonly batch = input.required<Batch>();
  private readonly logger = inject(Logger);
  private readonly clock = inject(KitchenClock);
  private readonly pending = inject(Store).selectSignal(logFeature.selectPending);
  protected readonly waits = computed(() => new Set(this.pending().map((entry) => entry.id)));
  protected readonly sending = signal(false);
  protected readonly wrong = signal('');
  protected readonly dayTime = dayTime;

  protected async add(event: Event): Promise<void> {
    const field = event.target as HTMLInputElement;
    const [file] = field.files ?? [];
    field.value = '';
    if (!file) return;
    this.wrong.set('');
    this.sending.set(true);
    this.wrong.set(await this.keep(file));
    this.sending.set(false);
  }

  /** Keeps a picture, to be sent with its line of the log; says why it could not, or nothing. */
  private async keep(file: Blob): Promise<string> {
    const picture = await smaller(file).catch(() => null);
    if (!picture) return tell('page.make.photos.fileNoPictureCan');
    const photoId = this.clock.newId();
    const { id } = this.batch();
    try {
      await waiting.keepPhoto({ photoId, batchId: id, picture });
    } catch {
      return tell('page.make.photos.browserNoRoomLeft');
    }
    this.logger.write(id, { type: 'photo', photoId, text: '' });
    return '';
  }
}
