import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  linkedSignal,
  model,
  signal,
} from '@angular/core';
import { holdOf, type Batch, type EntryBody, type Finding, say } from '@oat-crock/core';
import { ButtonModule } from 'primeng/button';
import { bodyProblems } from '../../shared/log/check-body';
import { Logger } from '../../state/logger';
import { SaidPipe, textOf, tell, SayPipe } from '../../shared/ui/said';
import { dayTime, problemWords } from '../../shared/ui/words';
import { Decider } from './decider';

/** What can be decided of a make, with a name and a reason. */
export type Deciding = { readonly decide: 'hold' | 'release' | 'discard'; readonly reason: string } | null;

const WORDS = {
  hold: {
    title: say('page.make.decisionBox.putHold'),
    ask: say('page.make.decisionBox.whyHeld'),
    act: say('page.make.decisionBox.putHold'),
  },
  release: {
    title: say('page.make.decisionBox.letGoAfterAll'),
    ask: say('page.make.decisionBox.whyMayGoOut'),
    act: say('page.make.decisionBox.letGo'),
  },
  discard: {
    title: say('page.make.decisionBox.stopDiscard'),
    ask: say('page.make.decisionBox.whyDiscarded'),
    act: say('page.make.decisionBox.discardIt'),
  },
} as const;

/** Holding, letting go and discarding: decisions that others rely on, so each has a name and a reason. */
@Component({
  selector: 'oc-decision-box',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ButtonModule, SaidPipe, SayPipe],
  templateUrl: './decision-box.html',
  styleUrl: './decision-box.css',
})
export class DecisionBox {
  readonly batch = input.required<Batch>();
  readonly findings = input.required<readonly Finding[]>();
  /** What is being decided now. */
  readonly deciding = model<Deciding>(null);
  private readonly logger = inject(Logger);
  private readonly decider = inject(Decider);

  protected readonly hold = computed(() => holdOf(this.batch()));
  protected readonly words = computed(() => WORDS[this.deciding()?.decide ?? 'hold']);
  protected readonly reason = linkedSignal(() => this.deciding()?.reason ?? '');
  protected readonly by = linkedSignal(() => this.decider.name());
  protected readonly wrong = signal('');
  protected readonly since = computed(() => dayTime(this.hold()?.atMs ?? 0));
  /** The gravest rule that speaks against letting it out. */
  private readonly rule = computed(() => this.findings().find((f) => f.level !== 'watch') ?? null);

  /** Held by the rules, and nobody has answered for it yet. */
  protected readonly heldByRule = computed(
    () => this.rule()?.level === 'hold' && this.batch().decisions.at(-1)?.decided !== 'released',
  );

  protected ask(decide: NonNullable<Deciding>['decide']): void {
    const reason = decide === 'hold' ? textOf(this.rule()?.reason ?? '') : '';
    this.deciding.set({ decide, reason });
  }

  protected async decide(): Promise<void> {
    const deciding = this.deciding();
    if (!deciding) return;
    const [by, reason] = [this.by().trim(), this.reason().trim()];
    if (!reason || !by) {
      this.wrong.set(reason ? tell('page.make.decisionBox.sayWhoDecides') : tell('page.make.decisionBox.sayWhy'));
      return;
    }
    const body: EntryBody = { type: TYPES[deciding.decide], by, reason };
    const [problem] = await bodyProblems(body);
    if (problem) {
      this.wrong.set(problemWords(problem));
      return;
    }
    this.decider.call(by);
    this.logger.write(this.batch().id, body);
    this.close();
  }

  protected close(): void {
    this.wrong.set('');
    this.deciding.set(null);
  }
}

const TYPES = { hold: 'held', release: 'released', discard: 'discarded' } as const;
