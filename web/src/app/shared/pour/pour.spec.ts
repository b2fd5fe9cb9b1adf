import { type ComponentFixture, TestBed } from '@angular/core/testing';
import { provideZonelessChangeDetection } from '@angular/core';
import { makeAt, START_MS } from '../../testing/followed';
import { Pour } from './pour';

describe('the drawing of a pour', () => {
  let fixture: ComponentFixture<Pour>;

  beforeEach(async () => {
    TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection()] });
    fixture = TestBed.createComponent(Pour);
    fixture.componentRef.setInput('asleep', { fromH: 22, toH: 6, zone: 'UTC' });
    fixture.componentRef.setInput('name', 'Pot');
    fixture.componentRef.setInput('followed', makeAt(150).followed);
    fixture.componentRef.setInput('nowMs', START_MS + 150 * 60_000);
    fixture.componentRef.setInput('fromMs', START_MS - 3_600_000);
    fixture.componentRef.setInput('untilMs', START_MS + 24 * 3_600_000);
    await fixture.whenStable();
  });

  const all = (selector: string) => (fixture.nativeElement as HTMLElement).querySelectorAll(selector);

  it('draws curd, whey, warmth, now, nights and a dot for each of the hands', () => {
    expect(all('.curd').length).toBe(1);
    expect(all('.whey').length).toBe(1);
    expect(all('.warmth').length).toBe(1);
    expect(all('.now').length).toBe(1);
    expect(all('.night').length).toBeGreaterThan(0);
    expect(all('.hand').length).toBe(9);
  });

  it('draws buttermilk as what it is, and not as whey', async () => {
    const { followed } = makeAt(150);
    const runsOff = { is: 'buttermilk' as const, name: 'Buttermilk' };
    fixture.componentRef.setInput('followed', { ...followed, runsOff });
    await fixture.whenStable();
    expect([all('.buttermilk').length, all('.whey').length]).toEqual([1, 0]);
  });

  it('tells a screen reader what it shows', () => {
    const svg = all('svg')[0]!;
    const title = (fixture.nativeElement as HTMLElement).querySelector(`#${svg.getAttribute('aria-labelledby')!}`);
    expect(title!.textContent).toContain('Hands still to come');
  });

  it('leaves warmth, hours and labels out of the short form', async () => {
    fixture.componentRef.setInput('short', true);
    await fixture.whenStable();
    expect(all('.warmth, .label, .hour').length).toBe(0);
    expect(all('.hand').length).toBe(9);
  });

  it('draws the moment at which the clock ends a stage as well as a spread of hours', async () => {
    const { followed } = makeAt(150);
    const atMs = START_MS + 8 * 3_600_000;
    const windows = followed.windows.map((w) => ({ ...w, p10Ms: atMs, p50Ms: atMs, p90Ms: atMs }));
    fixture.componentRef.setInput('followed', { ...followed, windows });
    await fixture.whenStable();
    const offsets = [...all('linearGradient stop')].map((stop) => Number(stop.getAttribute('offset')));
    expect(offsets.length).toBeGreaterThan(0);
    expect(offsets.filter(Number.isNaN)).toEqual([]);
  });
});
