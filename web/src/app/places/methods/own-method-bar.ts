import { inEnglish } from '@oat-crock/messages';
import { ChangeDetectionStrategy, Component, computed, inject, output, signal } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { methodFile, variantOf } from '@oat-crock/core';
import { named, tell, SayPipe } from '../../shared/ui/said';
import { RemovedState } from '../../shared/records/removed.state';
import { Removed } from '../../shared/records/removed';
import { RecordActions, recordsFeature } from '../../state/records.feature';
import type { Draft } from '../../state/record-writing';
import { KitchenClock } from '../../state/kitchen-clock';
import { Decision } from './decision';
import { MethodBook } from '../../state/method-book';
import { fileName, saveFile } from '../../shared/ui/save-file';
import { readMethodFile } from './read-method-file';
import { problemWords } from '../../shared/ui/words';

/** What can be done with a sheet besides starting it: keep it as one's own, compare, print, take it out and in. */
@Component({
  selector: 'oc-own-method-bar',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Removed, RouterLink, SayPipe],
  templateUrl: './own-method-bar.html',
  styleUrl: './own-method-bar.css',
})
export class OwnMethodBar {
  /** The sheet is wanted as a PDF. */
  readonly paper = output();
  protected readonly decision = inject(Decision);
  private readonly book = inject(MethodBook);
  private readonly store = inject(Store);
  private readonly clock = inject(KitchenClock);
  private readonly router = inject(Router);
  private readonly removed = inject(RemovedState);
  private readonly writing = this.store.selectSignal(recordsFeature.selectWriting);

  protected readonly naming = signal(false);
  protected readonly newName = signal('');
  protected readonly trouble = signal<readonly string[]>([]);
  protected readonly isOwn = computed(() => this.book.isOwn(this.decision.method().id));
  /** What the server or the engine said of a method that was to be kept. */
  protected readonly refused = computed(() =>
    Object.values(this.writing())
      .filter((w) => w.family === 'methods' && w.errors.length > 0)
      .flatMap((w) => w.errors.map((e) => problemWords(e))),
  );

  protected askName(): void {
    this.newName.set(tell('page.methods.ownMethodBar.ourWay', { name: this.decision.method().name }));
    this.naming.set(true);
  }

  /** Keeps what is chosen as a method of one's own. */
  protected keep(): void {
    const name = this.newName().trim();
    if (name === '') return;
    const variant = variantOf(this.decision.method(), this.clock.newId(), name, this.decision.choices());
    this.naming.set(false);
    this.save(variant, 0);
  }

  protected print(): void {
    window.print();
  }

  /** Hands the method out as an open file. */
  protected saveFile(): void {
    const { method, choices } = { method: this.decision.method(), choices: this.decision.choices() };
    const file = inEnglish(methodFile(variantOf(method, method.id, named(method.name), choices)));
    const content = new Blob([JSON.stringify(file, null, 2)], { type: 'application/json' });
    saveFile(`${fileName(named(method.name))}.method.json`, content);
  }

  /** Reads a method file and keeps it under an id of its own. */
  protected async openFile(event: Event): Promise<void> {
    const field = event.target as HTMLInputElement;
    const [file] = field.files ?? [];
    field.value = '';
    if (!file) return;
    const read = await readMethodFile(await file.text());
    this.trouble.set(read.ok ? [] : read.errors);
    if (read.ok) this.save({ ...read.method, id: this.clock.newId() }, 0);
  }

  protected takeAway(): void {
    const { id, name } = this.decision.method();
    this.store.dispatch(RecordActions.removeWanted({ family: 'methods', id }));
    this.removed.last.set({ family: 'methods', id, name: named(name) });
    void this.router.navigate(['/methods']);
  }

  private save(draft: Draft, overVersion: number): void {
    this.store.dispatch(RecordActions.edited({ family: 'methods', draft, overVersion }));
    this.store.dispatch(RecordActions.saveWanted({ id: draft.id }));
    void this.router.navigate(['/methods', draft.id]);
  }
}
