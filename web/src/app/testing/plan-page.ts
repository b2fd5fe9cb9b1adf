import { TestBed } from '@angular/core/testing';
import {
  USUAL_SETTINGS,
  type Kept,
  type PlannedBatch,
  type Settings,
  type Supply,
  type WantedOrder,
} from '@oat-crock/contract/api';
import type { Entry, Gear, Lot } from '@oat-crock/core';
import { newGear } from '../places/larder/new-records';
import { PlaceKeys } from '../shared/ui/place-keys';
import { householdRecord } from '../state/record-writing';
import { RecordActions, recordsFeature } from '../state/records.feature';
import { pageOf, type TestPage } from './page';
import { PlanPlace } from '../places/plan/plan';
import { PlanService } from '../planner/plan-service';
import { Planner } from '../planner/planner';
import { plannerEngine } from '../planner/planner-engine';

export const HOUR = 3_600_000;
/** A Monday, at nine. */
export const NOW = Date.UTC(2026, 4, 4, 9);
export const idOf = (n: number) => `01J00000000000000000000${String(n).padStart(3, '0')}`;
export const kept = <T>(item: T, version = 1): Kept<T> => ({ version, goneMs: null, item });

export const order = (n: number, more: Partial<WantedOrder> = {}): WantedOrder => ({
  id: idOf(n),
  whom: 'the quay',
  methodId: 'scalded-yogurt',
  choices: {},
  productG: 3000,
  due: { is: 'once', atMs: NOW + 72 * HOUR },
  note: '',
  ...more,
});
const piece = (n: number, kind: Gear['kind'], name: string, holdsL: number | null): Gear => ({
  ...newGear(idOf(500 + n), kind, name),
  holdsL,
});
export const GEAR = [
  piece(1, 'pot', 'Tall pot', 8),
  piece(2, 'pot', 'Old pot', 8),
  piece(3, 'thermostat', 'Small box', 5),
  piece(4, 'strainer', 'Sieve', 5),
  piece(5, 'cold-shelf', 'Shelf', 100),
];

/** The planner beside the page rather than in a worker: what it answers is the same. */
const BESIDE = {
  provide: Planner,
  useValue: {
    layOut: (...asked: Parameters<typeof plannerEngine.layOut>) => Promise.resolve(plannerEngine.layOut(...asked)),
    move: (...asked: Parameters<typeof plannerEngine.move>) => Promise.resolve(plannerEngine.move(...asked)),
    search: (...asked: Parameters<typeof plannerEngine.search>) => plannerEngine.search(...asked),
    stop: () => plannerEngine.stop(),
  },
};

interface Kitchen {
  readonly orders: readonly WantedOrder[];
  readonly plannedBatches?: readonly PlannedBatch[];
  readonly settings?: Settings;
  readonly gear?: readonly Gear[];
  readonly supplies?: readonly Supply[];
  readonly lots?: readonly Lot[];
  readonly entries?: readonly Entry[];
}

/** The Plan place of a kitchen, with its planner beside it; once the plan is laid out. */
export async function openPlan({
  orders,
  plannedBatches = [],
  gear = GEAR,
  settings = USUAL_SETTINGS,
  supplies = [],
  lots = [],
  entries = [],
}: Kitchen) {
  const told = [
    RecordActions.received({
      records: {
        settings: [householdRecord({ version: 1, settings })],
        orders: orders.map((o) => kept(o)),
        gear: gear.map((g) => kept(g)),
        plannedBatches: plannedBatches.map((p) => kept(p)),
        supplies: supplies.map((s) => kept(s)),
        lots: lots.map((l) => kept(l)),
      },
    }),
  ];
  const page = await pageOf(PlanPlace, entries, NOW, {}, [BESIDE], told);
  const plans = TestBed.inject(PlanService);
  const settled = async () => {
    for (let i = 0; i < 4000; i++) {
      await new Promise((done) => setTimeout(done, 10));
      await page.fixture.whenStable();
      const busy = plans.working() || plans.mending() || plans.searching()?.running;
      if (i > 5 && !busy && plans.standing()) return;
    }
    throw new Error('the plan was never laid out');
  };
  await settled();
  const key = async (name: string) => {
    const did = TestBed.inject(PlaceKeys).act(name);
    await settled();
    return did;
  };
  const lane = (name: RegExp) =>
    [...page.element.querySelectorAll<SVGGElement>('oc-plan-lanes [role=button]')].find((g) =>
      name.test(g.getAttribute('aria-label') ?? ''),
    );
  const press = async (on: Element, name: string, shiftKey = false) => {
    on.dispatchEvent(new KeyboardEvent('keydown', { key: name, shiftKey, bubbles: true }));
    await settled();
  };
  return { ...page, plans, settled, key, lane, press };
}

/** Pours that are being written. */
export const written = (page: Pick<TestPage<unknown>, 'store'>) =>
  Object.values(page.store.selectSignal(recordsFeature.selectWriting)())
    .filter((w) => w.family === 'plannedBatches')
    .map((w) => w.draft as PlannedBatch);
