import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { differenceOf, type Batch, type Followed } from '@oat-crock/core';
import { textOf, tell, SayPipe, titled } from '../../shared/ui/said';
import { mass } from '../../shared/ui/words';

/** Where everything that went in is, now and in the end; after the finish, against what was weighed. */
@Component({
  selector: 'oc-balance-table',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe],
  template: `
    <table>
      <caption>
        {{
          'page.make.balanceTable.theBalance' | say
        }}
      </caption>
      <thead>
        <tr>
          <td></td>
          @for (column of columns(); track column) {
            <th scope="col">{{ column }}</th>
          }
        </tr>
      </thead>
      <tbody>
        @for (row of rows(); track row.what) {
          <tr>
            <th scope="row">{{ row.what }}</th>
            @for (cell of row.cells; track $index) {
              <td>{{ cell }}</td>
            }
          </tr>
        }
      </tbody>
    </table>
    @if (verdict()) {
      <p class="quiet">{{ verdict() }}</p>
    }
  `,
  styles: `
    table {
      border-collapse: collapse;
      width: 100%;
      font-size: 0.92rem;
    }
    caption {
      text-align: left;
      font-family: var(--serif);
      font-weight: 600;
      font-size: 1.15rem;
      padding-bottom: 0.2rem;
    }
    th {
      text-align: left;
      font-weight: 500;
    }
    td,
    thead th {
      text-align: right;
    }
    thead th {
      font-size: 0.8rem;
      color: var(--ink-soft);
    }
    tbody tr {
      border-top: 1px solid var(--line);
    }
    th,
    td {
      padding: 0.18rem 0;
    }
  `,
})
export class BalanceTable {
  readonly batch = input.required<Batch>();
  readonly followed = input.required<Followed>();

  protected readonly finished = computed(() => {
    const { ended } = this.batch();
    return ended?.how === 'finished' ? ended : null;
  });
  protected readonly columns = computed(() =>
    this.finished()
      ? [tell('page.make.balanceTable.forecast'), tell('page.make.balanceTable.weighed')]
      : [tell('page.make.balanceTable.now'), tell('page.make.balanceTable.inTheEnd')],
  );

  protected readonly rows = computed(() => {
    const { balanceNow: now, balanceEnd: end, runsOff, setsAside } = this.followed();
    const runs = (...cells: string[]) => (runsOff ? [{ what: titled(runsOff.name), cells }] : []);
    const aside = (...cells: string[]) => (setsAside ? [{ what: titled(setsAside.name), cells }] : []);
    const weighed = this.finished();
    const keeps = end.heldBackG > 0 || (weighed?.heldBackG ?? 0) > 0;
    const held = (...cells: string[]) => (keeps ? [{ what: tell('page.make.balanceTable.heldBack'), cells }] : []);
    const lost = (b: typeof now) => b.lostG + b.evaporatedG + b.gasG;
    if (!weighed) {
      return [
        { what: tell('page.make.balanceTable.wentIn'), cells: [mass(now.inG), mass(end.inG)] },
        { what: tell('page.make.balanceTable.inTheCrock'), cells: [mass(now.productG), mass(end.productG)] },
        ...runs(mass(now.wheyG), mass(end.wheyG)),
        ...aside(mass(now.asideG), mass(end.asideG)),
        ...held(mass(now.heldBackG), mass(end.heldBackG)),
        { what: tell('page.make.balanceTable.clothVesselAir'), cells: [mass(lost(now)), mass(lost(end))] },
      ];
    }
    const { runOffEndG, weighedNow } = this.followed();
    const { asideG } = weighedNow;
    const rest =
      end.inG -
      weighed.productG -
      (weighed.wheyG ?? runOffEndG) -
      (weighed.heldBackG ?? end.heldBackG) -
      (asideG ?? end.asideG);
    return [
      { what: tell('page.make.balanceTable.wentIn'), cells: [mass(end.inG), mass(end.inG)] },
      { what: tell('page.make.balanceTable.product'), cells: [mass(end.productG), mass(weighed.productG)] },
      ...runs(
        mass(runOffEndG),
        weighed.wheyG === null ? tell('page.make.balanceTable.notWeighed') : mass(weighed.wheyG),
      ),
      ...aside(mass(end.asideG), asideG === null ? tell('page.make.balanceTable.notWeighed') : mass(asideG)),
      ...held(
        mass(end.heldBackG),
        weighed.heldBackG === null ? tell('page.make.balanceTable.notWeighed') : mass(weighed.heldBackG),
      ),
      { what: tell('page.make.balanceTable.notAccounted'), cells: [mass(lost(end)), mass(rest)] },
    ];
  });

  protected readonly verdict = computed(() => {
    const weighed = this.finished();
    if (!weighed) return '';
    const { balanceEnd, runsOff, runOffEndG, taught } = this.followed();
    const own = taught.find((l) => l.what === 'maker loss' && l.value < 1);
    const usual = own ? { pct: 100 * (1 - own.value), makes: own.makes } : null;
    return textOf(differenceOf({ ...balanceEnd, wheyG: runOffEndG }, weighed, runsOff?.name ?? null, usual).says);
  });
}
