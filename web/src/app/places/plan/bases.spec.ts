import type { Entry, EntryBody } from '@oat-crock/core';
import { HOUR, NOW, openPlan, order } from '../../testing/plan-page';

const DAY = 24 * HOUR;
/** A yogurt of the day before yesterday, in nine pots of 400 g. */
function yogurtHere(id: string, name: string, ...more: readonly EntryBody[]): readonly Entry[] {
  const bodies: readonly EntryBody[] = [
    { type: 'started', methodId: 'scalded-yogurt', choices: {}, name },
    {
      type: 'finished',
      productG: 3600,
      wheyG: null,
      heldBackG: null,
      score: null,
      pots: 9,
      useBy: '2026-05-20',
      openDays: 7,
    },
    ...more,
  ];
  return bodies.map((body, i) => ({
    ...{ id: `01J000000000000000000${id}0${String(i)}`, batchId: `01J000000000000000000${id}00`, source: 'hand', body },
    atMs: NOW - 48 * HOUR + i * HOUR,
  }));
}
const toPress = order(1, {
  ...{ methodId: 'yogurt-cheese', choices: { from: 'bought', boughtG: 2000 }, productG: 700 },
  due: { is: 'once', atMs: NOW + 5 * DAY },
});
/** What the plan says is taken of makes, and whether yogurt is to be bought. */
const said = async (entries: readonly Entry[], ...others: ReturnType<typeof order>[]) => {
  const { plans, text, element } = await openPlan({ orders: [toPress, ...others], entries });
  const { takes, buys } = plans.standing()!;
  const links = [...element.querySelectorAll('oc-buy-list a')].map((a) => a.getAttribute('href'));
  return { takes: takes.filter((t) => t.of === 'make'), buys: buys.length, text: text(), links };
};

describe('yogurt that is there, in the plan', () => {
  it('is gone on with, and not bought; a touch leads to the make it is of', async () => {
    const { takes, text, links } = await said(yogurtHere('BAS', 'Pot of Sunday'));
    expect(takes.map((t) => t.name)).toEqual(['Pot of Sunday']);
    expect(takes[0]!.massG).toBeGreaterThan(1000);
    expect(text).not.toMatch(/Buy .* plain yogurt/);
    expect(links).toContain('/make/01J000000000000000000BAS00');
  });

  it('is bought where it is held, or somebody else is to have it', async () => {
    const held = await said(yogurtHere('BAT', 'Pot of Sunday', { type: 'held', by: 'Ine', reason: 'smells of yeast' }));
    expect(held.takes).toEqual([]);
    expect(held.text).toMatch(/Buy .* plain yogurt/);
    const wanted = order(2, { productG: 3600, due: { is: 'once', atMs: NOW + 2 * DAY } });
    const apart = await said(yogurtHere('BAU', 'Pot of Sunday'), wanted);
    expect(apart.takes).toEqual([]);
  });
});
