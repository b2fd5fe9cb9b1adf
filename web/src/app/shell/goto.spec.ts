import { Router } from '@angular/router';
import { TestBed } from '@angular/core/testing';
import { entriesUntil, START_MS } from '../testing/followed';
import { pageOf } from '../testing/page';
import { GoTo } from './goto';

async function open() {
  const page = await pageOf(GoTo, entriesUntil(100), START_MS);
  const went: string[] = [];
  spyOn(TestBed.inject(Router), 'navigateByUrl').and.callFake((url) => {
    went.push(String(url));
    return Promise.resolve(true);
  });
  const input = page.element.querySelector('input')!;
  const type = async (text: string) => {
    input.value = text;
    input.dispatchEvent(new Event('input'));
    await page.fixture.whenStable();
  };
  const press = async (key: string) => {
    input.dispatchEvent(new KeyboardEvent('keydown', { key }));
    await page.fixture.whenStable();
  };
  const chosen = () => page.element.querySelector('li.chosen')!.textContent.trim();
  return { ...page, went, type, press, chosen };
}

describe('find or go', () => {
  it('finds makes, methods and places by any of their words, whatever their order', async () => {
    const { type, text } = await open();
    await type('08:00 pot');
    expect(text()).toContain('Pot, ');
    await type('strained');
    expect(text()).toContain('Method: Strained yogurt');
    expect(text()).not.toContain('Pot, ');
    await type('moonshine');
    expect(text()).toContain('Nothing of that name.');
  });

  it('goes by the keyboard alone, and the choice stays within what was found', async () => {
    const { type, press, chosen, went } = await open();
    await type('method');
    const first = chosen();
    await press('ArrowDown');
    expect(chosen()).not.toBe(first);
    for (let i = 0; i < 20; i++) await press('ArrowUp');
    expect(chosen()).toBe(first);
    await press('Enter');
    expect(went.length).toBe(1);
  });

  it('goes by a click', async () => {
    const { click, went } = await open();
    await click('Method: Scalded yogurt');
    expect(went).toEqual(['/methods/scalded-yogurt']);
  });
});
