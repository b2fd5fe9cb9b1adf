import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { type Batch, type Branch, type Followed, type FollowedStage, say, type Text } from '@oat-crock/core';
import { ButtonModule } from 'primeng/button';
import { KitchenClock } from '../../state/kitchen-clock';
import { LogPadState } from '../../shared/log/log-pad.state';
import { padOption } from '../../shared/log/pad-options';
import { timedLog } from '../../shared/log/timed-log';
import { WhenRow } from '../../shared/log/when-row';
import { Plot } from '../../shared/ui/plot';
import { LookRow } from '../../shared/ui/look-row';
import { OneTouch } from '../../shared/ui/one-touch';
import { textOf, SaidPipe, SayPipe } from '../../shared/ui/said';
import { gaugeRow } from './gauge-words';
import { stagePlot } from './plots';
import { toExpect } from './stage-words';

/** What a branch wants that needs a name to it. */
export interface WantsDecision {
  readonly decide: 'hold' | 'discard';
  readonly reason: string;
}

/** The stage at hand, or one that was picked: its drawing, its figures planned against actual, and what hands can do. */
@Component({
  selector: 'oc-stage-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [OneTouch, LookRow, SaidPipe, ButtonModule, Plot, WhenRow, SayPipe],
  templateUrl: './stage-panel.html',
  styleUrl: './stage-panel.css',
})
export class StagePanel {
  readonly batch = input.required<Batch>();
  readonly followed = input.required<Followed>();
  readonly stage = input.required<FollowedStage>();
  readonly wants = output<WantsDecision>();

  protected readonly timed = timedLog(() => this.batch());
  private readonly pad = inject(LogPadState);
  private readonly clock = inject(KitchenClock);

  protected readonly plot = computed(() => stagePlot(this.batch(), this.followed(), this.stage()));
  protected readonly gauges = computed(() => this.stage().panel.gauges.map(gaugeRow));
  protected readonly live = computed(() => this.batch().ended === null && this.stage().status === 'now');
  protected readonly next = computed(() => this.followed().tasks.find((h) => h.status !== 'done') ?? null);
  protected readonly cues = computed(
    () => this.followed().tasks.find((h) => h.stageId === this.stage().id)?.cues ?? [],
  );
  protected readonly asks = computed(() => this.stage().panel.asks.map(padOption));
  protected readonly expects = computed(() =>
    this.live()
      ? toExpect(
          this.followed(),
          this.cues().map((c) => c.cue),
          this.clock.nowMs(),
        )
      : '',
  );
  /** The last answer to each look of this stage. */
  protected readonly seen = computed(() => {
    const { beginMs } = this.stage();
    const looks = this.batch().cues.filter((c) => c.atMs >= beginMs - 1);
    return new Map(looks.map((c) => [c.cue, c.answer]));
  });

  protected take(branch: Branch): void {
    const { does } = branch;
    if (does.do === 'next') this.record();
    else if (does.do === 'add') this.timed.write({ type: 'added', what: does.what, massG: does.massG });
    else if (does.do === 'leave') this.timed.write({ type: 'note', text: textOf(does.note) });
    else this.wants.emit({ decide: does.do, reason: textOf(does.reason) });
  }

  protected record(): void {
    const next = this.next();
    if (next) this.timed.write({ type: 'step', stageId: next.stageId });
  }

  protected see(cue: string, answer: string): void {
    this.timed.write({ type: 'cue', cue, answer });
  }

  protected log(tab: Parameters<LogPadState['open']>[1] = 'tempC'): void {
    this.pad.open(this.batch().id, tab);
  }

  protected readonly TAKING: Readonly<Record<Branch['does']['do'], Text>> = {
    next: say('page.make.stagePanel.doneNext'),
    add: say('page.make.stagePanel.itIsIn'),
    leave: say('page.make.stagePanel.doneSo'),
    hold: say('page.make.stagePanel.putHold'),
    discard: say('page.make.stagePanel.discardIt'),
  };
}
