import { TestBed } from '@angular/core/testing';
import { Router } from '@angular/router';
import type { MethodFigures, Scorecard } from '@oat-crock/contract/api';
import { compareMakes, makeFiguresOf, makeLineOf, scorecard, trendsOf, type TrendMake } from '@oat-crock/core';
import { Engine } from '../../engine/engine';
import { ApiClient } from '../../state/api-client';
import { pageOf } from '../../testing/page';
import { until } from '../../testing/until';
import { LearnedActions } from '../../state/learned.feature';
import { CompareMakes } from './compare/compare';
import { LearnedPage } from './learned';
import { TrendsView } from './trends/trends';
import { batchOf, FEW, make, NOW } from '../../testing/soured-makes';

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
    methodId: 'scalded-yogurt',
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
    const drawn = [...page.element.querySelectorAll('.dots')].map(
      (path) => path.getAttribute('d')!.split('M').length - 1,
    );
    expect(drawn).toEqual(names.map(() => 4));
    expect(page.text()).toContain('2 makes are still being worked out.');
    expect(page.text()).toMatch(/Sour enough, said at the start: 5 h \d+ ahead/);
    expect(page.text()).toMatch(/of 4 held/);
  });

  it('are looked at one by one with the arrow keys, and gone to with Enter', async () => {
    const page = await pageOf(TrendsView, [], NOW, {}, provided(told));
    await until(() => page.element.querySelector('oc-trend-strips svg') !== null);
    const drawing = page.element.querySelector<SVGElement>('oc-trend-strips svg')!;
    const press = async (key: string) => {
      drawing.dispatchEvent(new KeyboardEvent('keydown', { key }));
      await page.fixture.whenStable();
      return drawing.getAttribute('aria-valuenow');
    };
    expect(page.element.querySelector('.at')).toBeNull();
    expect(await press('Home')).toBe('1');
    expect(await press('ArrowLeft')).toBe('1');
    expect(await press('End')).toBe('4');
    expect(await press('ArrowLeft')).toBe('3');
    expect(drawing.getAttribute('aria-valuetext')).toMatch(/Yield: 9\d.* %;/);
    const gone = spyOn(TestBed.inject(Router), 'navigate').and.resolveTo(true);
    await press('Enter');
    expect(gone).toHaveBeenCalledOnceWith(['/make', told.makes[2]!.make.id]);
  });

  it('are not drawn while there are fewer than three, and it is said when none is finished', async () => {
    const few = await pageOf(TrendsView, [], NOW, {}, provided({ ...told, makes: told.makes.slice(0, 2) }));
    await until(() => few.text().includes('Three makes of it are needed'));
    const none = await pageOf(
      TrendsView,
      [],
      NOW,
      {},
      provided({ methodId: null, methods: [], makes: [], waiting: 0 }),
    );
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
