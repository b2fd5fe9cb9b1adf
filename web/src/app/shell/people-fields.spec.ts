import { localTime } from '@oat-crock/calendar';
import { Component, signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { USUAL_SETTINGS, type FieldProblem, type Settings } from '@oat-crock/contract/api';
import { pageOf } from '../testing/page';
import { PeopleFields } from './people-fields';
import { placeKeys, PlaceKeys, type PlaceKey } from '../shared/ui/place-keys';

const NOW = Date.UTC(2026, 4, 4, 9, 30);
const DAY = 86_400_000;

/** The fields, with what they change written back to them. */
async function open(begin: Partial<Settings> = {}, errors: readonly FieldProblem[] = []) {
  const page = await pageOf(PeopleFields, [], NOW, { settings: { ...USUAL_SETTINGS, ...begin }, errors });
  let settings: Settings = { ...USUAL_SETTINGS, ...begin };
  page.fixture.componentInstance.changed.subscribe((change) => {
    settings = { ...settings, ...change };
    page.fixture.componentRef.setInput('settings', settings);
  });
  return { ...page, settings: () => settings };
}

describe('the people of a household', () => {
  it('are away from tomorrow morning for a day until somebody says otherwise, and are back where that is taken away', async () => {
    const { click, settings } = await open();
    await click('A time away');
    const [away] = settings().away;
    expect(localTime(away!.fromMs, 'UTC').hour).toBe(8);
    expect([away!.fromMs > NOW, away!.toMs - away!.fromMs]).toEqual([true, DAY]);
    await click('Not away then');
    expect(settings().away).toEqual([]);
  });

  it('have somebody who helps: a name, hours, and days of the week', async () => {
    const { click, settings, element, fixture } = await open();
    await click('Somebody who helps');
    const name = element.querySelector<HTMLInputElement>('#helper-name-0')!;
    name.value = 'Orla';
    name.dispatchEvent(new Event('input'));
    await fixture.whenStable();
    await click('Wed');
    expect(settings().helpers).toEqual([{ name: 'Orla', fromH: 8, toH: 12, days: [3, 6] }]);
    await click('Sat');
    expect(settings().helpers[0]!.days).toEqual([3]);
    await click('Orla no longer helps');
    expect(settings().helpers).toEqual([]);
  });

  it('are told what is wrong beside the time it is about, and not beside another', async () => {
    const away = [0, 1].map((i) => ({ fromMs: NOW + i * DAY, toMs: NOW + i * DAY + 1 }));
    const problem = {
      field: 'away.1.toMs',
      message: 'You would be back before you are away.',
      remedy: 'Be back later.',
    };
    const { element } = await open({ away }, [problem]);
    const said = [...element.querySelectorAll('.once')].map((row) => row.nextElementSibling?.textContent?.trim() ?? '');
    expect(said[1]).toBe('You would be back before you are away. Be back later.');
    expect(said[0]).not.toContain('back');
  });
});

describe('somebody who helps', () => {
  const orla = { name: 'Orla', fromH: 6, toH: 22, days: [1] };

  it('is away at times of their own, once and each week, which are taken away again', async () => {
    const { click, settings } = await open({ helpers: [orla] });
    await click('A time away of Orla');
    await click('Hours away each week of Orla');
    const [helper] = settings().helpers;
    expect([helper!.away!.length, helper!.awayWeekly]).toEqual([1, [{ days: [6], fromH: 7, toH: 12 }]]);
    expect([settings().away, settings().awayWeekly]).toEqual([[], []]);
    await click('Not away then');
    await click('Not away then');
    expect([settings().helpers[0]!.away, settings().helpers[0]!.awayWeekly]).toEqual([[], []]);
  });

  it('is told what is wrong with a time away once, beside it, and what is wrong with the rest below', async () => {
    const at = { fromMs: NOW, toMs: NOW };
    const wrong = (field: string, message: string) => ({ field, message, remedy: 'Mend it.' });
    const { element } = await open({ helpers: [{ ...orla, away: [at] }] }, [
      wrong('helpers[0].away[0].toMs', 'Back before away.'),
      wrong('helpers.0.name', 'No name.'),
    ]);
    const said = [...element.querySelectorAll('.problem')].map((p) => p.textContent.trim());
    expect(said).toEqual(['Back before away. Mend it.', 'No name. Mend it.']);
    expect(element.querySelector('.helper .once + .problem')).not.toBeNull();
  });

  it('is at the crocks whenever there, or in hours of their own until five unless said otherwise', async () => {
    const { settings, fixture, element } = await open({ helpers: [orla] });
    const fields = element.querySelectorAll('.works oc-option-field');
    expect(fields.length).toBe(5);
    const people = fixture.componentInstance as unknown as { worksFrom: (i: number, from: string) => void };
    people.worksFrom(0, '9');
    await fixture.whenStable();
    expect(settings().helpers[0]!.works).toEqual({ fromH: 9, toH: 17 });
    expect(element.querySelectorAll('.works oc-option-field').length).toBe(6);
    people.worksFrom(0, '17');
    expect(settings().helpers[0]!.works).toEqual({ fromH: 17, toH: 24 });
    people.worksFrom(0, '');
    expect(Object.keys(settings().helpers[0]!)).not.toContain('works');
  });
});

describe('the keys of a place', () => {
  const did: string[] = [];
  const keys = (does: boolean): readonly PlaceKey[] => [{ key: 'p', says: 'Plan', act: () => (did.push('p'), does) }];

  it('act while it is open, are left to the house where they did nothing, and go with it', async () => {
    const does = signal(true);
    @Component({ selector: 'oc-some-place', template: '' })
    class SomePlace {
      constructor() {
        placeKeys(keys(does()));
      }
    }
    const { fixture } = await pageOf(SomePlace, [], NOW);
    const place = TestBed.inject(PlaceKeys);
    expect([place.act('p'), place.act('x'), did]).toEqual([true, false, ['p']]);
    fixture.destroy();
    expect([place.act('p'), place.keys()]).toEqual([false, []]);
    does.set(false);
    await pageOf(SomePlace, [], NOW);
    expect(TestBed.inject(PlaceKeys).act('p')).toBeFalse();
  });
});
