import type { ArchiveReport, MethodFigures, Scorecard, StoredEntry } from '@oat-crock/contract/api';
import { HttpErrorResponse } from '@angular/common/http';
import {
  compareMakes,
  makeFiguresOf,
  makeLineOf,
  replay,
  scorecard,
  trendsOf,
  type Entry,
  type EntryBody,
  type TrendMake,
} from '@oat-crock/core';
import { Engine } from '../../engine/engine';
import { ApiClient } from '../../state/api-client';
import { Paper } from '../../shared/paper/paper';
import { pageOf } from '../../testing/page';
import { until } from '../../testing/until';
import { ArchiveView } from './archive';
import { LearnedActions } from '../../state/learned.feature';
import { CompareMakes } from './compare/compare';
import { LearnedPage } from './learned';
import { PeriodForm } from './period-form';
import { periodPaper } from './period-paper';
import { recallPaper } from './recall-paper';
import { TrendsView } from './trends/trends';

const NOW = Date.UTC(2026, 4, 5, 12);
const DAY = 86_400_000;
const FEW = { members: 40, seed: 1, fanPoints: 0 };

/** A yogurt of some days ago that soured for so many minutes. */
function make(n: number, daysAgo: number, souredMin: number, keepC = 43): StoredEntry[] {
  const startMs = NOW - daysAgo * DAY;
  const score = { sourness: 3, thickness: 3, smoothness: 4, taste: 4 };
  const lines: readonly (readonly [number, EntryBody])[] = [
    [0, { type: 'started', methodId: 'scalded-yogurt', choices: { massG: 4000, keepC }, name: `Pot ${n}` }],
    ...[9, 31, 46, 65, 71, 71 + souredMin].map((minute, i): [number, EntryBody] => [
      minute,
      { type: 'step', stageId: ['heat', 'hold', 'cool', 'starter', 'warm', 'chill'][i]! },
    ]),
    [71 + souredMin + 400, { type: 'finished', productG: 3800, wheyG: null, heldBackG: 0, score, pots: 9 }],
  ];
  const batchId = `01J00000000000000000000P${String(n).padStart(2, '0')}`;
  return lines.map(([minute, body], i): StoredEntry => ({
    seq: 100 * n + i + 1,
    id: `01J0000000000000000P${String(n).padStart(3, '0')}${String(i).padStart(3, '0')}`,
    batchId,
    atMs: startMs + minute * 60_000,
    source: 'hand',
    body,
  }));
}

const batchOf = (log: readonly Entry[]) => replay(log)!;

describe('makes that are compared on the page', () => {
  const [quick, slow] = [make(1, 9, 300), make(2, 6, 640, 33)];
  const provided = (wire: object) => [
    { provide: ApiClient, useValue: wire },
    {
      provide: Engine,
      useValue: {
        compare: (makes: { batch: ReturnType<typeof batchOf> }[]) =>
          Promise.resolve(
            compareMakes(
              makes.map(({ batch }) => ({ batch, household: {} })),
              FEW,
              NOW,
            ),
          ),
      },
    },
  ];
  const wire = {
    batch: (id: string) => Promise.resolve([quick, slow].find((log) => log[0]!.batchId === id)!),
    room: () => Promise.resolve([]),
  };

  it('are drawn over one another, with only what differs and why', async () => {
    const of = `${quick[0]!.batchId},${slow[0]!.batchId}`;
    const page = await pageOf(CompareMakes, [], NOW, { of }, provided(wire));
    await until(() => page.element.querySelectorAll('oc-overlay .line').length === 6);
    expect(page.text()).toContain('B took longer to sour than A.');
    expect(page.text()).toContain('too cold');
    const rows = [...page.element.querySelectorAll('tbody tr')].map((row) =>
      row.textContent.replace(/\s+/g, ' ').trim(),
    );
    expect(rows[0]).toMatch(/^Time to sour5 h10 h [34]0$/);
    expect(rows.some((row) => row.startsWith('Went in'))).toBeFalse();
    expect(
      [...page.element.querySelectorAll('.line')].slice(0, 2).map((l) => l.getAttribute('stroke-dasharray')),
    ).toEqual(['', '7 4']);
  });

  it('are asked for where fewer than two are marked, and it is said where they cannot be read', async () => {
    const one = await pageOf(CompareMakes, [], NOW, { of: quick[0]!.batchId }, provided(wire));
    expect(one.text()).toContain('Mark two to six makes');
    const away = { ...wire, batch: () => Promise.reject(new Error('away')) };
    const page = await pageOf(CompareMakes, [], NOW, { of: 'a,b' }, provided(away));
    await until(() => page.text().includes('could not be read'));
  });
});

describe('makes over time on the page', () => {
  const logs = [0, 1, 2, 3].map((n) => make(n + 10, 40 - 8 * n, 300 + 10 * n));
  const made = logs.map((log) => ({ batch: batchOf(log), figures: makeFiguresOf(batchOf(log), FEW)! }));
  const told: MethodFigures = {
    methods: [{ methodId: 'scalded-yogurt', makes: 4 }],
    makes: made.map(({ batch, figures }) => ({ make: makeLineOf(batch), line: null, figures })),
    waiting: 2,
  };
  const score: Scorecard = {
    windows: scorecard(
      made.flatMap(({ batch, figures }) =>
        figures.given.map((w) => ({ methodId: 'scalded-yogurt', batchId: batch.id, ...w })),
      ),
    ),
    waiting: 2,
  };
  const provided = (figures: MethodFigures) => [
    {
      provide: ApiClient,
      useValue: { figures: () => Promise.resolve(figures), scorecard: () => Promise.resolve(score) },
    },
    { provide: Engine, useValue: { trends: (makes: TrendMake[]) => Promise.resolve(trendsOf(makes)) } },
  ];

  it('have a strip for each figure with a dot for each make, and how often the windows held', async () => {
    const page = await pageOf(TrendsView, [], NOW, {}, provided(told));
    await until(() => page.element.querySelector('oc-trend-strips svg') !== null);
    const names = [...page.element.querySelectorAll('.name')].map((n) => n.textContent);
    expect(names.slice(0, 2)).toEqual(['Yield', 'Lost']);
    expect(page.element.querySelectorAll('.dot').length).toBe(4 * names.length);
    expect(page.text()).toContain('2 makes are still being worked out.');
    expect(page.text()).toMatch(/Sour enough, said at the start: 5 h \d+ ahead/);
    expect(page.text()).toMatch(/of 4 held/);
  });

  it('are not drawn while there are fewer than three, and it is said when none is finished', async () => {
    const few = await pageOf(TrendsView, [], NOW, {}, provided({ ...told, makes: told.makes.slice(0, 2) }));
    await until(() => few.text().includes('Three makes of it are needed'));
    const none = await pageOf(TrendsView, [], NOW, {}, provided({ methods: [], makes: [], waiting: 0 }));
    await until(() => none.text().includes('Nothing was finished yet'));
  });
});

describe('what was learned on the page', () => {
  it('is all of it, also what is as usual, each with its range and a way to forget it', async () => {
    const known = [
      { of: 'culture 01J00000000000000000000099', score: 'pace', mean: -1.5, sd: 0.2, makes: 6 },
      { of: 'place thermostat', score: 'incubatorOffsetC', mean: 0, sd: 0.4, makes: 6 },
      { of: 'maker', score: 'loss', mean: 0, sd: 0, makes: 0 },
      { of: 'milk', score: 'buffer', mean: 2, sd: 0.1, makes: 6 },
    ];
    const learned = { pooled: { known, covariance: [] }, watched: [], settled: true };
    const page = await pageOf(LearnedPage, [], NOW, {}, [], [LearnedActions.received({ learned })]);
    const rows = [...page.element.querySelectorAll('li')].map((li) => li.textContent.replace(/\s+/g, ' ').trim());
    expect(rows.length).toBe(2);
    expect(rows[0]).toMatch(
      /^A culture that is not kept works \d+ % slower \(\d+ % less to \d+ % less\)\s*Learned from 6 makes\./,
    );
    expect(rows[1]).toMatch(/^The thermostat as is usual/);
    const wanted: unknown[] = [];
    spyOn(page.store, 'dispatch').and.callFake(((action: { of: string }) => wanted.push(action.of)) as never);
    await page.click('Forget that: The thermostat');
    expect(wanted).toEqual(['place thermostat']);
  });

  it('is nothing where no make has taught', async () => {
    expect((await pageOf(LearnedPage, [], NOW)).text()).toContain('Nothing was learned yet.');
  });
});

describe('the list to call by', () => {
  it('has everybody who got some, with how much of what and room to note the call, and what is here', () => {
    const page = JSON.stringify(
      recallPaper({
        of: 'Evening milk',
        nowMs: NOW,
        receivers: [{ name: 'The school', amount: '9 pots', makes: ['Mild', 'Plain'] }],
        makes: [{ name: 'Mild', lot: '260502-AB12', left: '3 pots here', held: true }],
      }),
    );
    for (const said of [
      'Who to call about Evening milk',
      'The school',
      '9 pots',
      'Mild, Plain',
      'called at',
      '260502-AB12',
      'held',
    ])
      expect(page).withContext(said).toContain(said);
    expect(JSON.stringify(recallPaper({ of: 'It', nowMs: NOW, receivers: [], makes: [] }))).toContain(
      'Nobody is known',
    );
  });
});

describe('some days on paper', () => {
  const log = make(30, 3, 320);
  const line = (i: number, minute: number, body: EntryBody): Entry => ({
    ...log[0]!,
    id: `01J0000000000000000P030${String(50 + i)}0`,
    atMs: log[0]!.atMs + minute * 60_000,
    body,
  });
  const wrong = line(0, 100, { type: 'reading', quantity: 'ph', value: 7.9, by: 'meter' });
  const entries = [
    ...log,
    line(1, 40, { type: 'reading', quantity: 'tempC', value: 84.5, by: 'thermometer' }),
    wrong,
    line(2, 101, {
      type: 'correction',
      replaces: wrong.id,
      body: { type: 'reading', quantity: 'ph', value: 4.51, by: 'meter' },
    }),
    line(3, 900, { type: 'issued', how: 'sold', pots: 4, to: 'The school' }),
    line(4, 910, { type: 'held', by: 'Ine', reason: 'smells of yeast' }),
  ];

  it('have what was measured, decided, gone to whom and corrected, and no part that is empty', () => {
    const page = JSON.stringify(
      periodPaper({ fromMs: NOW - 9 * DAY, untilMs: NOW, nowMs: NOW, batches: [batchOf(entries)] }),
    );
    for (const said of [
      'One make, 3.80 kg',
      'Pot 30',
      '84.5 °C',
      'pH 4.51',
      'sold, The school',
      'Ine',
      'first it said: pH 7.9',
    ])
      expect(page.toLowerCase()).withContext(said).toContain(said.toLowerCase());
    const bare = JSON.stringify(periodPaper({ fromMs: NOW, untilMs: NOW, nowMs: NOW, batches: [batchOf(log)] }));
    for (const absent of ['Corrections', 'What went to whom', 'Held, let go']) expect(bare).not.toContain(absent);
  });

  it('are read from the server and handed out; days that end before they begin are refused in words', async () => {
    const saved: string[] = [];
    const wire = {
      makes: () => Promise.resolve({ found: 1, all: 1, makes: [makeLineOf(batchOf(log))] }),
      batch: () => Promise.resolve(log),
    };
    const paper = { save: (name: string) => Promise.resolve(void saved.push(name)) };
    const page = await pageOf(PeriodForm, [], NOW, {}, [
      { provide: ApiClient, useValue: wire },
      { provide: Paper, useValue: paper },
    ]);
    await page.click('These days as PDF');
    await until(() => saved.length === 1);
    expect(saved).toEqual(['makes-2026-04-05-2026-05-05']);
    (page.fixture.componentInstance as unknown as { untilMs: { set: (ms: number) => void } }).untilMs.set(
      NOW - 60 * DAY,
    );
    await page.click('These days as PDF');
    await until(() => page.text().includes('It ends before it begins'));
    expect(saved.length).toBe(1);
  });
});

describe('the archive on the page', () => {
  const report = (known: number): ArchiveReport => ({
    form: 1,
    writtenMs: NOW,
    tables: [{ table: 'log', new: 5 - known, known, other: 0 }],
  });
  async function chosen(sendArchive: (file: File, dry: boolean) => Promise<ArchiveReport>) {
    const page = await pageOf(ArchiveView, [], NOW, {}, [{ provide: ApiClient, useValue: { sendArchive } }]);
    const input = page.element.querySelector<HTMLInputElement>('#archive-file')!;
    const files = new DataTransfer();
    files.items.add(new File(['zip'], 'dairy.zip'));
    input.files = files.files;
    input.dispatchEvent(new Event('change'));
    await page.fixture.whenStable();
    return page;
  }

  it('is tried first, and read in once somebody says so', async () => {
    const asked: boolean[] = [];
    const page = await chosen((_file, dry) => {
      asked.push(dry);
      return Promise.resolve(report(0));
    });
    await until(() => page.text().includes('This would come:'));
    expect(page.text()).toContain('Lines of the log500');
    await page.click('Read it in');
    await until(() => page.text().includes('It is read in.'));
    expect(asked).toEqual([true, false]);
  });

  it('is not offered where all of it is here, and why it is refused is said in the server’s words', async () => {
    const known = await chosen(() => Promise.resolve(report(5)));
    await until(() => known.text().includes('All of it is here already.'));
    expect(known.text()).not.toContain('Read it in');
    const error = { errors: [{ field: 'archive', message: 'It was cut off.', remedy: 'Take another.' }] };
    const refused = await chosen(() => Promise.reject(new HttpErrorResponse({ status: 422, error })));
    await until(
      () =>
        refused.element.querySelector('[role=alert]')?.textContent.includes('It was cut off. Take another.') ?? false,
    );
    const away = await chosen(() => Promise.reject(new HttpErrorResponse({ status: 0 })));
    await until(() => away.text().includes('Nothing was read in.'));
  });
});
