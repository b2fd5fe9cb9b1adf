import { asyncProperty, assert, constantFrom, array } from 'fast-check';
import { english } from '@oat-crock/messages';
import type { Kitchen } from '../kitchen.js';
import { entryOf, startOf, testKitchen } from '../testing/kitchen.js';
import { unreached } from './caller.js';
import { callerOf, MIN, recipientOf, toBegin } from './testing.js';

const REFUSED = { is: 'refused', why: 'full' } as const;

let kitchen: Kitchen;
let world: ReturnType<typeof callerOf>;
const at = (ms: number) => kitchen.clock.set({ rate: 1, kitchenMs: ms } as never);
const pass = (min: number) => {
  at(kitchen.clock.now() + min * MIN);
  world.state.machineMs += min * MIN;
};
const open = () => {
  ({ kitchen } = testKitchen(true));
  // Still, so that a test on a slow machine is the same.
  kitchen.clock.set({ rate: 0 } as never);
  world = callerOf(kitchen);
};
const shut = () => {
  kitchen.events.close();
  kitchen.db.close();
};
const states = () => kitchen.alerts.recent().map(({ state }) => state);

describe('somebody who is told of hands with no page open', () => {
  beforeEach(open);
  afterEach(shut);
  const NOON = Date.UTC(2026, 4, 4, 12);
  const plan = (...args: Parameters<typeof toBegin>) => kitchen.plannedBatches.save(toBegin(...args), 0);

  it('is told once, with what to do, where, and how long it can wait; and not before', async () => {
    at(NOON);
    kitchen.alerts.add(recipientOf());
    plan(NOON + 11 * MIN);
    const { look } = world.open();
    await look();
    expect(world.sent).toEqual([]);
    pass(1);
    await look();
    await look();
    expect(world.sent.map(({ to, subject, text, link }) => ({ to, subject, text, link }))).toEqual([
      {
        ...{ to: 'Ine', subject: 'Quark for the bakery: Blend it.', link: 'http://10.0.0.7:4310/today' },
        text: '12:11 Quark for the bakery: Blend it.\nIt can wait until 13:41.',
      },
    ]);
    // What a server that dies now finds when it is opened again.
    expect(world.state.whileSending).toEqual(['sending']);
    expect(states()).toEqual(['sent']);
  });

  it('is told of a make that is on by its own page, of each of its hands once, as its log grows', async () => {
    at(NOON);
    kitchen.alerts.add(recipientOf());
    kitchen.entries.append([{ ...startOf('01J0000000000000000PQT0001'), atMs: NOON }]);
    const { look } = world.open();
    await look();
    await look();
    expect(world.sent.map(({ link }) => link)).toEqual(['http://10.0.0.7:4310/make/01J0000000000000000PQT0001']);
    const step = { type: 'step', stageId: 'blend' } as const;
    kitchen.entries.append([entryOf('01J0000000000000000PQT0001', step, NOON)]);
    pass(30);
    await look();
    await look();
    expect(world.sent.length).toBe(2);
    expect(new Set(world.sent.map(({ subject }) => subject)).size).toBe(2);
    kitchen.entries.append([
      entryOf('01J0000000000000000PQT0001', { type: 'discarded', why: 'spilt' }, NOON + 30 * MIN),
    ]);
    pass(600);
    await look();
    expect(world.sent.length).toBe(2);
  });

  it('is told in one message of all that is near, by the household’s language', async () => {
    at(NOON);
    const { version, settings } = kitchen.household.settings();
    kitchen.household.saveSettings({ ...settings, language: 'es' }, version);
    kitchen.alerts.add(recipientOf());
    plan(NOON + 5 * MIN);
    plan(NOON + 3 * MIN, { name: 'Clabber' });
    await world.open().look();
    expect(world.sent.map(({ subject }) => subject)).toEqual(['2 cosas piden manos']);
    expect(world.sent[0]!.text.split('\n\n').map((line) => line.slice(0, 13))).toEqual([
      '12:03 Clabber',
      '12:05 Quark p',
    ]);
  });

  it('is told of each of many makes that are to be begun, whatever stands in the plan from days before', async () => {
    at(NOON);
    kitchen.alerts.add(recipientOf());
    for (let days = 2; days < 8; days++) plan(NOON - days * 1440 * MIN);
    for (let min = 1; min <= 6; min++) plan(NOON + min * MIN, { whom: `${min}` });
    await world.open().look();
    expect(world.sent.map(({ hands }) => hands.map(({ dueMs }) => (dueMs - NOON) / MIN))).toEqual([[1, 2, 3, 4, 5, 6]]);
  });

  it('is told in the morning of a feeding that was to be begun by night', async () => {
    const night = Date.UTC(2026, 4, 5, 2);
    at(night);
    kitchen.alerts.add(recipientOf({ quiet: 'house' }));
    const feed = {
      culture: 'thermophilic',
      beginMs: night,
      ripeMs: night,
      milkG: 500,
      starterG: 20,
      tempC: 42,
    } as const;
    plan(night + 720 * MIN, { feed });
    const { look } = world.open();
    await look();
    pass(4 * 60);
    await look();
    expect(world.sent.map(({ text }) => text.split('\n')[1])).toEqual(['This comes late: it was due 4 h ago.']);
  });

  it('goes on waiting for what a make wants that cannot be followed for a while', async () => {
    at(NOON);
    kitchen.alerts.add(recipientOf({ quiet: { fromH: 11, toH: 13 } }));
    kitchen.entries.append([{ ...startOf('01J0000000000000000PQT0001'), atMs: NOON }]);
    const { look } = world.open();
    await look();
    const learned = spyOn(kitchen, 'learned').and.throwError('held');
    pass(10);
    await look();
    expect(states()).toEqual(['waits']);
    learned.and.callThrough();
    pass(60);
    await look();
    expect(states()).toEqual(['sent']);
  });

  it('is told in the morning of what came by night, with a word that it is late, and not of what was done meanwhile', async () => {
    at(Date.UTC(2026, 4, 4, 23));
    kitchen.alerts.add(recipientOf({ quiet: 'house' }));
    plan(Date.UTC(2026, 4, 5, 3));
    const done = toBegin(Date.UTC(2026, 4, 5, 3), { name: 'Clabber' });
    kitchen.plannedBatches.save(done, 0);
    const { look } = world.open();
    pass(4 * 60);
    await look();
    expect(world.sent).toEqual([]);
    kitchen.plannedBatches.save({ ...done, batchId: '01J0000000000000000PQT0001' }, 1);
    pass(3 * 60);
    await look();
    expect(world.sent.map(({ text }) => text)).toEqual([
      '03:00 Quark for the bakery: Blend it.\nThis comes late: it was due 3 h ago.',
    ]);
    expect(states().sort()).toEqual(['over', 'sent']);
  });

  it('is told once of hands that were put off while it was quiet', async () => {
    at(NOON);
    kitchen.alerts.add(recipientOf({ quiet: { fromH: 11, toH: 14 } }));
    plan(NOON + 5 * MIN);
    const { look } = world.open();
    await look();
    // As if they had been due forty minutes earlier then.
    kitchen.db.prepare('UPDATE alert SET due_ms = due_ms - 2400000').run();
    pass(119);
    await look();
    pass(1);
    await look();
    await look();
    expect(world.sent.map(({ hands }) => hands.length)).toEqual([1]);
  });

  it('whose server does not take it is tried again later, is said to be not reached, and is told in the end', async () => {
    at(NOON);
    kitchen.alerts.add(recipientOf());
    plan(NOON);
    const { look } = world.open();
    world.state.answer = REFUSED;
    await look();
    await look();
    expect(unreached(kitchen)).toEqual(['Ine']);
    world.state.answer = { is: 'sent' };
    await look();
    expect(world.sent).toEqual([]);
    pass(1);
    await look();
    await look();
    expect(world.sent.length).toBe(1);
    expect(unreached(kitchen)).toEqual([]);
  });

  it('is given up after a day of tries, each but the first at most an hour after the last', async () => {
    at(NOON);
    kitchen.alerts.add(recipientOf());
    plan(NOON);
    const { look } = world.open();
    world.state.answer = REFUSED;
    for (let hours = 0; hours < 23; hours++) {
      await look();
      pass(60);
    }
    expect(states()).toEqual(['waits']);
    pass(59);
    await look();
    expect(states()).toEqual(['failed']);
    expect(kitchen.alerts.recent()[0]!.why).toBe('full');
  });

  it('is told no more where what tells them is gone for good', async () => {
    at(NOON);
    kitchen.alerts.add(recipientOf());
    plan(NOON);
    world.state.answer = { is: 'gone', why: 'no more' };
    await world.open().look();
    expect(kitchen.alerts.recipient('ine')).toEqual(jasmine.objectContaining({ isPaused: true, trouble: 'no more' }));
  });

  it('is not told twice where the server died while sending: that it may have gone out is said', async () => {
    at(NOON);
    kitchen.alerts.add(recipientOf());
    plan(NOON);
    await world.open().look();
    kitchen.db.prepare(`UPDATE alert SET state = 'sending'`).run();
    const { look } = world.open();
    await look();
    expect(world.sent.length).toBe(1);
    expect(states()).toEqual(['unsure']);
    expect(english(kitchen.alerts.recent()[0]!.why)).toContain('may have gone out');
  });

  it('gets a trial, which is no alert', async () => {
    kitchen.alerts.add(recipientOf());
    const { tryOut } = world.open();
    expect(await tryOut('ine')).toEqual({ is: 'sent' });
    expect(world.sent[0]!.text).toBe('Ine is told of hands like this.');
    expect(states()).toEqual([]);
    world.state.answer = REFUSED;
    expect(await tryOut('ine')).toEqual(REFUSED);
    expect(unreached(kitchen)).toEqual(['Ine']);
  });
});

describe('of planned makes nobody moves', () => {
  it('nobody is told twice, and everybody once in the end, however servers refuse, die and are opened again', async () => {
    const steps = array(constantFrom('look', 'pass', 'refuses', 'takes', 'dies', 'opened'), {
      minLength: 5,
      maxLength: 40,
    });
    await assert(
      asyncProperty(steps, async (what) => {
        open();
        const from = kitchen.clock.now();
        kitchen.alerts.add(recipientOf());
        kitchen.alerts.add(recipientOf({ id: 'per', name: 'Per' }));
        for (const by of [5, 15, 40]) kitchen.plannedBatches.save(toBegin(from + by * MIN, { whom: `${by}` }), 0);
        let calls = world.open();
        for (const step of what) {
          if (step === 'look') await calls.look();
          if (step === 'pass') pass(7);
          if (step === 'refuses') world.state.answer = REFUSED;
          if (step === 'takes') world.state.answer = { is: 'sent' };
          if (step === 'dies') world.state.answer = 'dies';
          if (step === 'opened') calls = world.open();
        }
        world.state.answer = { is: 'sent' };
        pass(70);
        await calls.look();
        await calls.look();
        const told = world.sent.flatMap(({ to, hands }) => hands.map(({ dueMs }) => `${to} ${dueMs - from}`));
        expect(new Set(told).size).toBe(told.length);
        // Each was told, or nobody knows whether they were.
        expect(kitchen.alerts.recent().length).toBe(6);
        expect(states().filter((state) => state === 'sent').length).toBe(told.length);
        expect(states().every((state) => state === 'sent' || state === 'unsure')).toBe(true);
        shut();
      }),
      { numRuns: process.env['OAT_CROCK_DEEP'] ? 2000 : 100, seed: 22 },
    );
  });
});
