import { helpEntries, searched, allTopics } from './help-topics';
import { PLACE_TOPICS } from './place-topics';
import { PLACES } from './places';
import { pageOf } from '../testing/page';
import { entriesUntil, START_MS } from '../testing/followed';
import { FirstLook } from './first-look';
import { Guide } from './guide.state';
import { Keys } from './keys';
import { TestBed } from '@angular/core/testing';
import { Router } from '@angular/router';

describe('help', () => {
  const entries = helpEntries();
  const titles = (asked: string) => searched(entries, asked).map((e) => e.title);

  it('answers what is asked in one’s own words, by title before by text', () => {
    expect(titles('night')[0]).toBe('Hands at night');
    expect(titles('pint')).toContain('Typing amounts');
    expect(titles('what is a starter')).toEqual(['What a starter is, and where it comes from']);
    expect(titles('PH METER')[0]).toBe('No thermometer, no pH meter');
    expect(titles('wash it')).toContain('Wash it');
    expect(titles('')).toEqual([]);
    expect(titles('zeppelin')).toEqual([]);
  });

  it('has no answer twice, and a place for each place', () => {
    const all = entries.map((e) => `${e.title} ${e.says}`);
    expect(new Set(all).size).toBe(all.length);
    expect(PLACE_TOPICS.map((t) => t.path)).toEqual(PLACES.map((p) => p.path));
    expect(allTopics().length).toBeGreaterThan(20);
  });

  it('finds as one types, and shows topics and keys again once nothing is asked', async () => {
    const page = await pageOf(Keys, [], START_MS);
    const input = page.element.querySelector('input')!;
    const type = async (text: string) => {
      input.value = text;
      input.dispatchEvent(new Event('input'));
      await page.fixture.whenStable();
    };
    expect(page.text()).toContain('Log to the pour');
    await type('night');
    expect(page.text()).toContain('how many hands fall into your night');
    expect(page.text()).not.toContain('Log to the pour');
    await type('zeppelin');
    expect(page.text()).toContain('Nothing has all these words');
    await type('');
    expect(page.text()).toContain('Log to the pour');
  });
});

describe('the first look at a place', () => {
  beforeEach(() => localStorage.removeItem('oat-crock.places-seen'));
  afterEach(() => localStorage.removeItem('oat-crock.places-seen'));
  const at = async (url: string, entries = entriesUntil(200)) => {
    const page = await pageOf(FirstLook, entries, START_MS);
    await TestBed.inject(Router).navigateByUrl(url);
    await page.fixture.whenStable();
    return page;
  };

  it('is there until it is understood, place by place, and not again', async () => {
    const page = await at('/plan');
    expect(page.text()).toContain('Plan: the week by itself');
    await page.click('Understood');
    expect(page.text().trim()).toBe('');
    await TestBed.inject(Router).navigateByUrl('/larder');
    await page.fixture.whenStable();
    expect(page.text()).toContain('Larder:');
    expect((await at('/plan')).text().trim()).toBe('');
  });

  it('is off for good with one touch, and on again from the help', async () => {
    const page = await at('/plan');
    await page.click(/None of these/);
    expect((await at('/larder')).text().trim()).toBe('');
    const guide = TestBed.inject(Guide);
    expect(guide.isOff()).toBeTrue();
    guide.turnOn();
    expect((await at('/larder')).text()).toContain('Larder:');
  });

  it('leaves the first make of an empty dairy its own questions', async () => {
    expect((await at('/today', [])).text().trim()).toBe('');
    expect((await at('/methods', [])).text()).toContain('Methods:');
  });
});
