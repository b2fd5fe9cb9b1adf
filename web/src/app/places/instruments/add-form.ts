import { ChangeDetectionStrategy, Component, computed, inject, output, signal } from '@angular/core';
import type { InstrumentMade } from '@oat-crock/contract/api';
import { INSTRUMENT_KINDS, say, type SimulatedKind } from '@oat-crock/core';
import { InstrumentClient } from '../../state/instrument-client';
import { AskedField } from '../../shared/ui/asked-field';
import type { Asked } from '../../shared/ui/asked';
import { SayPipe, tell } from '../../shared/ui/said';
import { whyNot } from '../../shared/ui/why-not';

const KINDS = Object.keys(INSTRUMENT_KINDS) as readonly SimulatedKind[];

const FIELDS: readonly Asked[] = [
  { type: 'text', path: 'name', label: say('page.instruments.add.name'), most: 80 },
  {
    ...{ type: 'option', path: 'kind', label: say('page.instruments.add.kind') },
    options: KINDS.map((id) => ({ id, label: say(`page.instruments.kind.${id}`) })),
  },
];

/** Adds an instrument of one's own. */
@Component({
  selector: 'oc-add-instrument',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [AskedField, SayPipe],
  template: `
    <h2>{{ 'page.instruments.add.title' | say }}</h2>
    <form (submit)="add(); $event.preventDefault()" novalidate>
      @for (field of fields; track field.path) {
        <oc-asked-field
          [fieldId]="'add-' + field.path"
          [field]="field"
          [value]="$any(draft())[field.path]"
          (changed)="set(field.path, $event)"
        />
      }
      @if (trouble()) {
        <p class="problem" role="alert">{{ trouble() }}</p>
      }
      <p class="ends">
        <button type="submit" class="press">{{ 'page.instruments.add.add' | say }}</button>
      </p>
    </form>
  `,
  styles: `
    :host {
      --asked-label: 6rem;
      display: block;
    }
    h2 {
      margin: 0 0 0.4rem;
    }
    .ends {
      padding: 0.5rem 0 0 calc(var(--asked-label) + 0.6rem);
    }
  `,
})
export class AddInstrument {
  private readonly wire = inject(InstrumentClient);
  readonly made = output<InstrumentMade>();

  protected readonly fields = FIELDS;
  protected readonly draft = signal<{ readonly name: string; readonly kind: SimulatedKind }>({
    ...{ name: '', kind: 'thermometer' },
  });
  protected readonly trouble = signal('');
  private readonly name = computed(() => this.draft().name.trim());

  protected set(path: string, value: unknown): void {
    this.trouble.set('');
    this.draft.update((draft) => ({ ...draft, [path]: value }));
  }

  protected async add(): Promise<void> {
    if (!this.name()) return this.trouble.set(tell('page.instruments.add.nameFirst'));
    try {
      this.made.emit(await this.wire.add(this.name(), this.draft().kind));
      this.draft.update((draft) => ({ ...draft, name: '' }));
    } catch (error) {
      this.trouble.set(whyNot(error));
    }
  }
}
