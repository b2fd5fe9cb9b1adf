import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { methodOf, type Batch, type Followed } from '@oat-crock/core';
import { KitchenClock } from '../../state/kitchen-clock';
import { Paper } from '../../shared/paper/paper';
import { named, SaidPipe, tell, SayPipe } from '../../shared/ui/said';
import { OwnLarder } from '../../state/own-larder';
import { lotCode } from '../../shared/ui/lot-code';
import { safetyRows } from '../../shared/log/safety-words';

/** Safety beside the make: heat, hours warm, acid or cooling, and the record of it all on one page. */
@Component({
  selector: 'oc-safety-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SaidPipe, SayPipe],
  template: `
    <h2>{{ 'page.make.safetyPanel.safety' | say }}</h2>
    <dl class="fact-list">
      @for (row of rows(); track row.what) {
        <dt>{{ row.what }}</dt>
        <dd [class]="row.tone">{{ row.says | said }}</dd>
      }
    </dl>
    <button type="button" class="press quiet-press" (click)="save()">
      {{ 'page.make.safetyPanel.recordInspectorPdf' | say }}
    </button>
    @if (trouble()) {
      <p class="problem" role="alert">{{ trouble() }}</p>
    }
  `,
  styles: `
    dd {
      margin: 0;
    }
    dd.watch {
      color: var(--brick);
    }
    button {
      margin-left: -0.6rem;
    }
  `,
})
export class SafetyPanel {
  readonly batch = input.required<Batch>();
  readonly followed = input.required<Followed>();
  private readonly clock = inject(KitchenClock);
  private readonly larder = inject(OwnLarder);
  private readonly paper = inject(Paper);
  protected readonly rows = computed(() => safetyRows(this.followed().safety, this.clock.nowMs()));
  /** Why a PDF could not be made, in words. */
  protected readonly trouble = signal('');

  protected async save(): Promise<void> {
    this.trouble.set('');
    const batch = this.batch();
    try {
      const { recordPaper } = await import('../../shared/log/record-paper');
      const { everyLot } = this.larder.things();
      const head = { method: named(methodOf(batch).name), nowMs: this.clock.exactMs(), lots: everyLot };
      await this.paper.save(`record-${lotCode(batch)}`, recordPaper(batch, this.followed(), head));
    } catch (error) {
      this.trouble.set(tell('page.make.safetyPanel.pdfCouldNotMade', { message: (error as Error).message }));
    }
  }
}
