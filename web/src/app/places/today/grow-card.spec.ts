import { TestBed } from '@angular/core/testing';
import { Router } from '@angular/router';
import { recordsFeature } from '../../state/records.feature';
import { entriesUntil, START_MS } from '../../testing/followed';
import { pageOf } from '../../testing/page';
import { GrowCard } from './grow-card';

const NOW = START_MS + 200 * 60_000;

describe('what may be kept from a first make', () => {
  beforeEach(() => localStorage.removeItem('oat-crock.asked-to-keep'));
  afterEach(() => localStorage.removeItem('oat-crock.asked-to-keep'));

  it('is asked one thing at a time, and none again that was declined', async () => {
    const page = await pageOf(GrowCard, entriesUntil(200), NOW);
    expect(page.text()).toMatch(/You used .* Keep it as a lot/);
    await page.click('No');
    expect(page.text()).toContain('among your gear');
    const again = await pageOf(GrowCard, entriesUntil(200), NOW);
    expect(again.text()).toContain('among your gear');
  });

  it('is nothing before there is a make', async () => {
    expect((await pageOf(GrowCard, [], NOW)).text().trim()).toBe('');
  });

  it('stands in the larder with its label once it is kept, and is opened there', async () => {
    const page = await pageOf(GrowCard, entriesUntil(200), NOW);
    await page.click('Keep it');
    const [lot] = Object.values(page.store.selectSignal(recordsFeature.selectWriting)()).map(({ draft }) => draft);
    expect(lot).toEqual(jasmine.objectContaining({ kind: 'milk', amount: 0, price: 1.3, treatment: '72C-15s' }));
    await page.fixture.whenStable();
    expect(TestBed.inject(Router).url).toBe(`/larder/${lot!.id}`);
    expect(page.text()).toContain('among your gear');
  });
});
