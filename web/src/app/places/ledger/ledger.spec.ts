import type { Type } from '@angular/core';
import type { MakesAsked, MakesFound } from '@oat-crock/contract/api';
import { makeLineOf, receiverId, replay, type Entry, type EntryBody, type Lot } from '@oat-crock/core';
import { ApiClient } from '../../state/api-client';
import { LogActions, logFeature } from '../../state/log.feature';
import { recordsFeature } from '../../state/records.feature';
import { pageOf, type TestPage } from '../../testing/page';
import { turns, until } from '../../testing/until';
import { UseFirst } from '../larder/use-first';
import { Today } from '../today/today';
import { InStock } from './in-stock';
import { EVERYTHING, filterAt, fromAddress, toAddress, type LookedFor } from './kept-filters';
import { foundHere } from './ledger-rows';
import { LedgerPlace } from './ledger';
import { FoundBefore } from './make-finder';
import { drawTrace } from './trace-geometry';
import { TraceView } from './trace-view';

const NOW = Date.UTC(2026, 4, 5, 12);
const DAY = 86_400_000;
const batchId = (n: number) => `01J000000000000000000000${String(n).padStart(2, '0')}`;

/** A yogurt that was finished some days ago in nine pots, and what was said of it since. */
function make(n: number, name: string, daysAgo: number, useBy: string | null, ...more: readonly EntryBody[]): Entry[] {
  const endMs = NOW - daysAgo * DAY;
  const bodies: readonly EntryBody[] = [
    { type: 'started', methodId: 'scalded-yogurt', choices: {}, name },
    { type: 'finished', productG: 3600, wheyG: null, heldBackG: null, score: null, pots: 9, useBy, openDays: 7 },
    ...more,
  ];
  return bodies.map((body, i) => ({
    id: `01J0000000000000000000${String(n).padStart(2, '0')}${String(i).padStart(2, '0')}`,
    batchId: batchId(n),
    // Begun half a day before it was finished; what was said since came a minute apart.
    atMs: i === 0 ? endMs - DAY / 2 : endMs + (i - 1) * 60_000,
    source: 'hand',
    body,
  }));
}

const SOLD: EntryBody = { type: 'issued', how: 'sold', pots: 6, to: 'The quay market' };
const EARLIER = make(1, 'Early pots', 9, '2026-05-06', SOLD);
const LATER = make(2, 'Late pots', 2, '2026-05-20', { type: 'note', text: 'Crème from the upper path.' });
const GONE = make(3, 'Gone pots', 20, '2026-05-01', { type: 'issued', how: 'eaten', pots: 9 });
const HELD = make(4, 'Held pots', 1, '2026-05-21', { type: 'held', by: 'Ine', reason: 'smells of yeast' });

const ASKED: MakesAsked = {
  find: '',
  states: [],
  methodId: null,
  fromMs: null,
  untilMs: null,
  taste: null,
  sort: 'started',
  descending: true,
  skip: 0,
  take: 100,
};

const written = (page: TestPage<unknown>) =>
  page.store
    .selectSignal(logFeature.selectPending)()
    .map((e) => e.body);
const rowsOf = (page: TestPage<unknown>) =>
  [...page.element.querySelectorAll('oc-in-stock li, :scope li')].map((li) => li.querySelector('.name')?.textContent);

describe('the ledger', () => {
  it('has what is here, what is to be eaten first leading, and nothing that is gone', async () => {
    const page = await pageOf(InStock, [...LATER, ...EARLIER, ...GONE], NOW);
    expect(rowsOf(page)).toEqual(['Early pots', 'Late pots']);
    expect(page.text()).toContain('3 pots');
    expect(page.text()).toContain('till tomorrow, Wed 6 May');
  });

  it('lets a pot out by a touch, to whom it is said, and takes it off the count', async () => {
    const page = await pageOf(InStock, EARLIER, NOW);
    await page.click(/Early pots/);
    const to = page.element.querySelector<HTMLInputElement>('oc-move-out input.type')!;
    expect([...page.element.querySelectorAll('datalist option')].map((o) => (o as HTMLOptionElement).value)).toEqual([
      'The quay market',
    ]);
    to.value = 'Runa';
    to.dispatchEvent(new Event('input'));
    await page.click('Given away');
    expect(written(page)).toEqual([{ type: 'issued', how: 'given', pots: 1, to: 'Runa' }]);
    const place = page.element.querySelector<HTMLInputElement>('.place input')!;
    place.value = ' lower shelf ';
    place.dispatchEvent(new Event('change'));
    await page.fixture.whenStable();
    expect(written(page).at(-1)).toEqual({ type: 'placed', place: 'lower shelf' });
    expect(rowsOf(page)[0]).toBe('Early pots');
    expect(page.element.querySelector('.row')!.textContent).toContain('lower shelf');
    expect(page.text()).toContain('2 pots');
    await page.click('Into the freezer');
    expect(page.text()).toContain('1 pot frozen');
    await page.click('Eaten');
    await page.click('Eaten');
    expect(page.text()).toContain('Nothing is here.');
  });

  it('goes into a make that is on, or into the larder for one to come, as a lot that came of it', async () => {
    const LIVE = make(5, 'Butter in hand', 0, null).slice(0, 1);
    const page = await pageOf(InStock, [...EARLIER, ...LIVE], NOW);
    await page.click(/Early pots/);
    await page.click('Used in a make');
    await page.click('Butter in hand');
    const lots = () => Object.values(page.store.selectSignal(recordsFeature.selectWriting)()).map((w) => w.draft);
    const [lot] = lots() as unknown as Lot[];
    expect(lot).toEqual(jasmine.objectContaining({ name: 'Early pots', from: batchId(1), amount: 400 }));
    expect(page.written().map(({ batchId: of, body }) => [of, body])).toEqual([
      [batchId(1), { type: 'issued', how: 'used', pots: 1 }],
      [batchId(5), { type: 'took', lotId: lot!.id, massG: 400 }],
    ]);
    await page.click('Used in a make');
    await page.click('One to come: into the larder');
    expect(lots().length).toBe(2);
    expect(page.text()).toContain('1 pot');
  });

  it('is said on Today and in the larder when its date is near, but for what is frozen', async () => {
    for (const place of [Today, UseFirst]) {
      const page = await pageOf(place as Type<unknown>, [...EARLIER, ...LATER], NOW);
      expect(page.text()).withContext(place.name).toContain('3 pots');
      expect(page.text()).toContain('until tomorrow');
      expect(page.text()).not.toContain('Late pots');
      const frozen = make(1, 'Early pots', 9, '2026-05-06', SOLD, { type: 'stored', where: 'frozen', pots: 3 });
      const frosty = await pageOf(place as Type<unknown>, frozen, NOW);
      expect(frosty.text()).not.toContain('Early pots');
    }
  });

  it('takes a pot that went out earlier at its time, none from before it was made, and no more than there are', async () => {
    const page = await pageOf(InStock, EARLIER, NOW);
    await page.click(/Early pots/);
    const type = (selector: string, text: string) => {
      const input = page.element.querySelector<HTMLInputElement>(selector)!;
      input.value = text;
      for (const event of ['input', 'change', 'blur']) input.dispatchEvent(new Event(event));
      return page.fixture.whenStable();
    };
    await type('oc-number-field input', '99');
    await page.click('Sold');
    expect(page.element.querySelector('oc-move-out [role=alert]')!.textContent).toContain('Only 3 pots left of it.');
    expect(written(page)).toEqual([]);
    await type('oc-number-field input', '2');
    await page.click('10 min ago');
    await page.click('Sold');
    const [line] = page.store.selectSignal(logFeature.selectPending)();
    expect([line!.atMs, line!.body]).toEqual([NOW - 600_000, { type: 'issued', how: 'sold', pots: 2 }]);
    expect(page.element.querySelector('[role=status]')!.textContent).toBe('Early pots: 2 pots sold.');
    const fresh = await pageOf(InStock, make(5, 'Fresh pots', 0, '2026-05-25'), NOW);
    await fresh.click(/Fresh pots/);
    await fresh.click('10 min ago');
    await fresh.click('Eaten');
    expect(fresh.element.querySelector('oc-move-out [role=alert]')!.textContent).toContain('It was not finished until');
    expect(written(fresh)).toEqual([]);
  });

  it('gives the keyboard back to the list when the last of something goes', async () => {
    const page = await pageOf(
      InStock,
      make(6, 'Last pot', 1, '2026-05-06', { type: 'issued', how: 'eaten', pots: 8 }),
      NOW,
    );
    await page.click(/Last pot/);
    await page.click('Eaten');
    expect(document.activeElement).toBe(page.element.querySelector('h2'));
  });

  it('throws nothing away without a reason, and lets nothing of what is held out', async () => {
    const page = await pageOf(InStock, HELD, NOW);
    expect(page.text()).toContain('Held: smells of yeast');
    await page.click(/Held pots/);
    await page.click('Sold');
    expect(page.element.querySelector('oc-move-out [role=alert]')!.textContent).toContain('Held pots is held');
    await page.click('Thrown away');
    expect(page.element.querySelector('oc-move-out [role=alert]')!.textContent).toContain('Say why');
    expect(written(page)).toEqual([]);
  });

  it('finds a make by anything said of it, and only those that stand so, where the server does not answer', () => {
    const batches = [EARLIER, LATER, GONE, HELD].map((log) => replay(log)!);
    const names = (change: Partial<MakesAsked>) =>
      foundHere(batches, { ...ASKED, ...change }).makes.map(({ name }) => name);
    expect(names({})).toEqual(['Held pots', 'Late pots', 'Early pots', 'Gone pots']);
    expect(names({ find: 'QUAY market' })).toEqual(['Early pots']);
    expect(names({ find: 'creme upper' })).toEqual(['Late pots']);
    expect(names({ find: 'yeast' })).toEqual(['Held pots']);
    expect(names({ find: 'scalded may' })).toEqual(['Held pots', 'Late pots']);
    expect(names({ find: 'market nowhere' })).toEqual([]);
    expect(names({ states: ['gone'] })).toEqual(['Gone pots']);
    expect(names({ states: ['here', 'held'] })).toEqual(['Held pots', 'Late pots', 'Early pots']);
    expect(names({ sort: 'useBy', descending: false })).toEqual(['Gone pots', 'Early pots', 'Late pots', 'Held pots']);
    expect(names({ sort: 'here' })[3]).toBe('Gone pots');
    expect(names({ fromMs: replay(LATER)!.startedMs })).toEqual(['Held pots', 'Late pots']);
    expect(names({ taste: 1 })).toEqual([]);
    expect(names({ skip: 1, take: 2 })).toEqual(['Late pots', 'Early pots']);
  });

  it('shows what the kitchen’s server finds, a part at a time, and asks anew when what is looked for changes', async () => {
    const many = [EARLIER, LATER, GONE].map((log) => makeLineOf(replay(log)!));
    const asked: MakesAsked[] = [];
    const wire = {
      makes: (of: MakesAsked): Promise<MakesFound> => {
        asked.push(of);
        const makes = of.find ? many.slice(0, 1) : many;
        return Promise.resolve({ found: of.find ? 1 : 240, all: 240, makes });
      },
    };
    const page = await pageOf(LedgerPlace, EARLIER, NOW, {}, [{ provide: ApiClient, useValue: wire }]);
    await until(() => page.text().includes('240 makes of 240'));
    expect(page.text()).not.toContain('does not answer');
    const before = asked.length;
    const read = { ...EARLIER[0]!, id: '01J0000000000000000000ZZZZ', seq: 999, source: 'probe-a' };
    const body: EntryBody = { type: 'reading', quantity: 'tempC', value: 5, by: 'thermometer' };
    page.store.dispatch(LogActions.arrived({ entries: [{ ...read, body }] }));
    await turns(40);
    expect(asked.length).withContext('what instruments read changes nothing of what was made').toBe(before);
    page.store.dispatch(
      LogActions.arrived({ entries: [{ ...read, seq: 1000, id: '01J0000000000000000000ZZZY', source: 'hand', body }] }),
    );
    await until(() => asked.length > before);
    const find = page.element.querySelector<HTMLInputElement>('#ledger-find')!;
    find.value = 'quay';
    find.dispatchEvent(new Event('input'));
    await until(() => page.text().includes('1 make of 240'));
    expect(asked.at(-1)!.find).toBe('quay');
    await page.click('gone');
    await until(() => asked.at(-1)!.states.includes('gone'));
    await page.click('Keep this search');
    await page.click('Show all');
    await until(() => page.text().includes('240 makes of 240'));
    await page.click('“quay”, gone');
    await until(() => asked.at(-1)!.find === 'quay');
    await page.click(/^Forget the search/);
    expect(page.element.querySelector('.kept')).toBeNull();
  });

  it('shows who comes back what was found last, while the server is asked anew', async () => {
    const told: MakesFound = { found: 1, all: 31, makes: [makeLineOf(replay(LATER)!)] };
    let answers: (told: MakesFound) => void = () => undefined;
    const wire = { makes: () => new Promise<MakesFound>((resolve) => (answers = resolve)) };
    const provided = [
      { provide: ApiClient, useValue: wire },
      { provide: FoundBefore, useValue: new FoundBefore() },
    ];
    const first = await pageOf(LedgerPlace, EARLIER, NOW, {}, provided);
    await turns(10);
    expect(first.text()).not.toContain('of 31');
    answers(told);
    await until(() => first.text().includes('1 make of 31'));
    const again = await pageOf(LedgerPlace, EARLIER, NOW, {}, provided);
    expect(again.text()).toContain('1 make of 31');
    await turns(10);
    answers({ ...told, found: 0, all: 32, makes: [] });
    await until(() => again.text().includes('of 32'));
    expect(again.text()).not.toContain('Late pots');
  });

  it('puts what is looked for into an address and reads it back, leaving aside what cannot be', () => {
    const of: LookedFor = { find: 'upper path', states: ['here', 'held'], methodId: 'quark', days: 91, taste: 4 };
    const address = toAddress(of) as Record<string, string>;
    expect(fromAddress(address)).toEqual(of);
    expect(fromAddress({ states: 'here,nonsense', days: '17', taste: '9' })).toEqual({
      ...EVERYTHING,
      states: ['here'],
    });
    expect(Object.values(toAddress(EVERYTHING)).every((v) => v === null)).toBeTrue();
    expect(filterAt(of, NOW).fromMs).toBe(NOW - 91 * DAY);
  });
});

describe('a trace on the page', () => {
  it('draws what went into a make and who got it, and holds all of it with a name and a reason', async () => {
    const page = await pageOf(TraceView, [...EARLIER, ...LATER], NOW, { id: batchId(1) });
    expect([...page.element.querySelectorAll('.node title')].map((t) => t.textContent).sort()).toEqual([
      'Early pots',
      'The quay market',
    ]);
    expect(page.element.querySelector('.amount')!.textContent.trim()).toBe('6 pots');
    expect(page.text()).toContain('Early pots into The quay market 6 pots');
    expect(page.text()).toMatch(
      /Of 4\.1\d kg that went in: 3\.6\d* kg in 9 pots \(6 pots sold, 3 pots here\); \d+ g on cloth/,
    );
    await page.click('Hold that make');
    expect(page.element.querySelector('[role=alert]')!.textContent).toContain('Give a name and a reason');
    expect(written(page)).toEqual([]);
    const [name, why] = page.element.querySelectorAll<HTMLInputElement>('.recall input');
    name!.value = 'Ine';
    why!.value = 'The milk was turning';
    for (const input of [name!, why!]) input.dispatchEvent(new Event('input'));
    await page.click('Hold that make');
    expect(written(page)).toEqual([{ type: 'held', by: 'Ine', reason: 'The milk was turning' }]);
    expect(page.text()).toContain('held');
    expect(page.text()).not.toContain('Was it not sound?');
  });

  it('of somebody goes back to all they got, and of nothing asks what', async () => {
    const page = await pageOf(TraceView, EARLIER, NOW, { id: receiverId('the quay MARKET') });
    expect(page.text()).toContain('Where The quay market came from and went');
    expect(page.element.querySelectorAll('.node').length).toBe(2);
    expect((await pageOf(TraceView, EARLIER, NOW)).text()).toContain('Choose something');
  });

  it('stands in columns from what was bought to who got it, no two boxes over one another', () => {
    const node = (id: string, level: number) => ({ id, is: 'lot', name: id, level }) as const;
    const nodes = [node('a', -1), node('b', -1), node('c', 0), node('d', 1), node('e', 1), node('f', 1)];
    const links = [
      ['a', 'c'],
      ['b', 'c'],
      ['c', 'd'],
      ['c', 'e'],
      ['c', 'f'],
    ].map(([from, to]) => ({ from: from!, to: to!, massG: 1, pots: null }));
    const { nodes: drawn, links: amounts, box, width, height } = drawTrace({ nodes, links });
    for (const a of drawn) {
      expect(a.x >= 0 && a.x + box.width <= width && a.y >= 0 && a.y + box.height <= height).toBeTrue();
      for (const b of drawn) if (a !== b) expect(a.x !== b.x || Math.abs(a.y - b.y) >= box.height).toBeTrue();
    }
    const at = new Set(amounts.map(({ x, y }) => `${Math.round(x)} ${Math.round(y)}`));
    expect(at.size).withContext('no two amounts over one another').toBe(amounts.length);
    expect(drawn.find((n) => n.node.id === 'a')!.x).toBeLessThan(drawn.find((n) => n.node.id === 'd')!.x);
  });
});
