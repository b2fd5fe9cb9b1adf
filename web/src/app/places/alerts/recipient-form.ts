import {
  afterRenderEffect,
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  computed,
  inject,
  input,
  linkedSignal,
  output,
  signal,
} from '@angular/core';
import { HttpErrorResponse } from '@angular/common/http';
import type { AlertRecipient, AlertWay, FieldProblem, Problem } from '@oat-crock/contract/api';
import { AlertClient } from '../../state/alert-client';
import { AskedField } from '../../shared/ui/asked-field';
import { SayPipe, tell } from '../../shared/ui/said';
import { whyNot } from '../../shared/ui/why-not';
import { DeviceNotes } from './device-notes';
import { draftOf, NEW_WISH, wishFields, wishOf, type WishDraft } from './wish-fields';

/** Somebody who is to be told of hands: who, by which way, of what, when, and when not. */
@Component({
  selector: 'oc-recipient-form',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [AskedField, SayPipe],
  template: `
    <h2>{{ title() }}</h2>
    <form (submit)="save(); $event.preventDefault()" novalidate>
      @for (field of fields(); track field.path) {
        <oc-asked-field
          [fieldId]="'told-' + field.path"
          [field]="field"
          [value]="$any(draft())[field.path]"
          [wrong]="wrongIn(field.path)"
          (changed)="set(field.path, $event)"
        />
      }
      @if (draft().way === 'webhook' && standIn()) {
        <p class="quiet">{{ 'page.alerts.form.standIn' | say: { address: standIn()! } }}</p>
      }
      @if (trouble()) {
        <p class="problem" role="alert">{{ trouble() }}</p>
      }
      <p class="ends">
        <button type="submit" class="press" [disabled]="isSaving()">
          {{ (of() ? 'page.alerts.form.save' : 'page.alerts.form.begin') | say }}
        </button>
        @if (of()) {
          <button type="button" class="press quiet-press" (click)="closed.emit()">
            {{ 'page.alerts.form.leave' | say }}
          </button>
        }
      </p>
    </form>
    @if (secret(); as key) {
      <div class="made" role="status">
        <p>{{ 'page.alerts.form.keyOnce' | say }}</p>
        <p>
          <code>{{ key }}</code>
        </p>
      </div>
    }
  `,
  styles: `
    :host {
      --asked-label: 8.5rem;
      display: block;
    }
    h2 {
      margin: 0 0 0.4rem;
    }
    .ends {
      display: flex;
      gap: 0.4rem;
      padding: 0.6rem 0 0 calc(var(--asked-label) + 0.6rem);
    }
    .made {
      margin-top: 1rem;
      padding: 0.8rem 1rem;
      background: var(--paper-raised);
      border: 1px solid var(--line);
      border-radius: var(--radius);
    }
    code {
      overflow-wrap: anywhere;
    }
  `,
})
export class RecipientForm {
  private readonly wire = inject(AlertClient);
  private readonly notes = inject(DeviceNotes);
  /** Whom it changes; null for somebody new. */
  readonly of = input.required<AlertRecipient | null>();
  /** Whether whoever asks may say where requests go. */
  readonly mayRequest = input.required<boolean>();
  /** The server's key for notes of devices. */
  readonly pushKey = input.required<string>();
  /** Where the demonstration's stand-in takes requests; null where there is none. */
  readonly standIn = input.required<string | null>();
  readonly saved = output<string>();
  readonly closed = output();

  protected readonly draft = linkedSignal((): WishDraft => {
    const of = this.of();
    return of ? draftOf(of) : NEW_WISH;
  });
  protected readonly title = computed(() => {
    const of = this.of();
    return of ? tell('page.alerts.changeOf', { name: of.name }) : tell('page.alerts.form.add');
  });
  protected readonly isSaving = signal(false);
  protected readonly trouble = signal('');
  protected readonly secret = signal<string | null>(null);
  private readonly errors = signal<readonly FieldProblem[]>([]);
  /** The ways to choose from; somebody who is told keeps theirs. */
  private readonly ways = computed((): readonly AlertWay[] =>
    this.of()
      ? []
      : ['mail', ...(this.mayRequest() ? ['webhook' as const] : []), ...(this.notes.canBe ? ['push' as const] : [])],
  );
  protected readonly fields = computed(() => wishFields(this.draft(), this.draft().way, this.ways()));

  constructor() {
    const host: HTMLElement = inject(ElementRef).nativeElement;
    // Whoever is to be changed is changed here: on a telephone that is further down.
    afterRenderEffect(() => {
      if (this.of()) host.querySelector('input')?.focus();
    });
  }

  protected readonly wrongIn = (path: string) => this.errors().filter(({ field }) => fieldOf(field) === path);

  protected set(path: string, value: unknown): void {
    this.draft.update((draft) => ({ ...draft, [path]: value }));
    this.errors.update((errors) => errors.filter(({ field }) => fieldOf(field) !== path));
  }

  protected async save(): Promise<void> {
    const [of, wish] = [this.of(), wishOf(this.draft())];
    this.trouble.set('');
    this.secret.set(null);
    this.isSaving.set(true);
    try {
      if (of) {
        await this.wire.change(of.id, wish);
        this.closed.emit();
      } else {
        const push = wish.way === 'push' ? await this.notes.address(this.pushKey()) : undefined;
        const made = await this.wire.add(wish, push);
        this.secret.set(made.secret);
        this.draft.set(NEW_WISH);
      }
      this.saved.emit(wish.name);
    } catch (error) {
      this.refused(error);
    } finally {
      this.isSaving.set(false);
    }
  }

  private refused(error: unknown): void {
    const problem = error instanceof HttpErrorResponse ? (error.error as Problem | null) : null;
    const known = new Set(this.fields().map(({ path }) => path));
    const own = (problem?.errors ?? []).filter(({ field }) => known.has(fieldOf(field)));
    this.errors.set(own);
    if (own.length > 0) return;
    const isBrowser = !(error instanceof HttpErrorResponse) && this.draft().way === 'push';
    this.trouble.set(isBrowser ? tell('page.alerts.form.noNotes') : whyNot(error));
  }
}

/** "toH" of "quiet.toH". */
const fieldOf = (field: string) => field.split('.').at(-1)!;
