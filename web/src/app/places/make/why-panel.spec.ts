import { TestBed } from '@angular/core/testing';
import { Router } from '@angular/router';
import { explain, type Batch, type FaultId } from '@oat-crock/core';
import { Engine } from '../../engine/engine';
import { draftFeature } from '../../state/draft.feature';
import { recordsFeature } from '../../state/records.feature';
import { makeAt, START_MS } from '../../testing/followed';
import { until } from '../../testing/until';
import { pageOf } from '../../testing/page';
import { WhyPanel } from './why-panel';

const MIN = 60_000;
/** The engine on the page's own thread. */
const engine = {
  explain: (batch: Batch, fault: FaultId, nowMs: number) =>
    Promise.resolve(explain(batch, fault, nowMs, { members: 60, seed: 1, fanPoints: 0 })),
};

describe('Why?', () => {
  const open = async (minute: number, ...more: Parameters<typeof makeAt>[1][]) => {
    const { batch } = makeAt(minute, ...more);
    const stands = [{ provide: Engine, useValue: engine }];
    const page = await pageOf(WhyPanel, [], START_MS + minute * MIN, { batch }, stands);
    const ask = async (fault: FaultId) => {
      (page.fixture.componentInstance as unknown as { ask: (f: string) => void }).ask(fault);
      await until(() => page.element.querySelector('h3') !== null);
    };
    return { page, ask };
  };

  it('ranks causes with what speaks for and against them, and says what to do next time', async () => {
    const { page, ask } = await open(1250, [300, { type: 'reading', quantity: 'ph', value: 4.2, by: 'meter' }]);
    await ask('too-sour');
    const causes = [...page.element.querySelectorAll('h3')].map((h) => h.textContent);
    expect(causes.length).toBe(3);
    expect(causes[0]).toMatch(/(most likely|quite possible), \d+ %/);
    expect(page.text()).toContain('Next time:');
    expect(page.text()).not.toContain('[object');
    await page.click('All causes');
    expect(page.element.querySelectorAll('h3').length).toBeGreaterThan(3);
  });

  it('writes what is wrong with it in the log once, and asks that first when it is opened again', async () => {
    const { page, ask } = await open(1250);
    await ask('too-sour');
    await page.click('Write it in the log');
    expect(page.written().map(({ body }) => body)).toEqual([{ type: 'complaint', fault: 'too-sour' }]);
    const again = (await open(1250, [1240, { type: 'complaint', fault: 'thin' }])).page;
    await until(() => again.element.querySelector('h3') !== null);
    expect(again.text()).toContain('It stands in the log');
    expect(again.text()).not.toContain('Write it in the log');
  });

  it('decides the next make so, and keeps it as a method of one’s own', async () => {
    const { page, ask } = await open(1250);
    await ask('too-sour');
    const router = spyOn(TestBed.inject(Router), 'navigate').and.resolveTo(true);
    await page.click('Decide the next make so');
    const draft = page.store.selectSignal(draftFeature.selectDrafts)()['strained-yogurt']!;
    expect(Object.keys(draft.choices)).toContain('massG');
    expect(Object.keys(draft.choices).length).toBeGreaterThan(1);
    await page.click('Keep it as your own method');
    const [written] = Object.values(page.store.selectSignal(recordsFeature.selectWriting)());
    expect(written!.family).toBe('methods');
    expect(String(written!.draft.name)).toBe('Strained yogurt, mended');
    expect(router.calls.count()).toBe(2);
  });
});
