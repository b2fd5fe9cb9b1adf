import type { EntryBody } from '@oat-crock/core';
import { makeAt, otherMakeAt, START_MS } from '../../testing/followed';
import { pageOf } from '../../testing/page';
import { BalanceTable } from './balance-table';

type Made = ReturnType<typeof makeAt>;
const finished = (productG: number, wheyG: number | null): Made =>
  makeAt(1240, [1245, { type: 'finished', productG, wheyG, heldBackG: 110, score: null }]);

async function table({ batch, followed }: Made) {
  const page = await pageOf(BalanceTable, [], START_MS, { batch, followed });
  const rows = [...page.element.querySelectorAll('tbody tr')].map((tr) =>
    [...tr.children].map((cell) => cell.textContent.trim()),
  );
  return { rows, text: page.text(), of: (what: string) => rows.find(([name]) => name === what)! };
}

describe('the balance of a make', () => {
  it('shows where everything is now, and where it will be', async () => {
    const { of, text } = await table(makeAt(800));
    expect(text).toContain('Now');
    expect(of('Went in')[1]).toBe(of('Went in')[2]);
    expect(of('Whey')[1]).not.toBe(of('Whey')[2]);
    expect(of('Held back')[1]).toBe(of('Held back')[2]);
  });

  it('closes against what was weighed, and leaves what nobody weighed open', async () => {
    const made = finished(1700, 2050);
    const { of } = await table(made);
    const gramsOf = (words: string) => Number.parseFloat(words) * (words.endsWith('kg') ? 1000 : 1);
    const weighed = ['Product', 'Whey', 'Held back', 'Not accounted for'].map((what) => gramsOf(of(what)[2]!));
    const sum = weighed.reduce((a, b) => a + b, 0);
    expect(Math.abs(sum - made.followed.balanceEnd.inG)).toBeLessThan(20);
    expect((await table(finished(1700, null))).of('Whey')[2]).toBe('not weighed');
  });

  it('says how the yield compares with the forecast', async () => {
    const expected = finished(1700, 2050).followed.balanceEnd.productG;
    expect((await table(finished(Math.round(expected), null))).text).toContain('As forecast, within 2 %.');
    expect((await table(finished(Math.round(expected * 0.9), null))).text).toContain('10 % less than forecast.');
    expect((await table(finished(Math.round(expected * 1.1), null))).text).toContain('10 % more than forecast.');
  });

  it('has what is lifted off and put by, before and after it was weighed', async () => {
    const steps = [
      [8, 'starter'],
      [14, 'warm'],
      [1300, 'skim'],
      [1305, 'chill'],
      [1520, 'finish'],
    ] as const;
    const before = await table(otherMakeAt(900, 'clabber', steps));
    expect(before.of('Soured cream')[1]).toBe('0 g');
    expect(Number.parseInt(before.of('Soured cream')[2]!)).toBeGreaterThan(150);
    const end: EntryBody = { type: 'finished', productG: 1700, wheyG: null, heldBackG: 50, score: null };
    const after = await table(otherMakeAt(1530, 'clabber', steps, [1530, end]));
    expect(after.of('Soured cream')[2]).toBe('not weighed');
    expect(Math.abs(Number.parseInt(after.of('Not accounted for')[2]!))).toBeLessThan(90);
    expect((await table(makeAt(800))).of('Soured cream')).toBeUndefined();
  });
});
