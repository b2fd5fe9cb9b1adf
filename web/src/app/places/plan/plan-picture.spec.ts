import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { momentAt, localTime } from '@oat-crock/calendar';
import type { PlannedBatch } from '@oat-crock/contract/api';
import { samplePlannedBatch } from '../../testing/planned';
import { PlanPicture } from './plan-picture';

const HOUR = 3_600_000;
const asleep = { fromH: 22, toH: 6, zone: 'UTC' };

describe('a whole plan as a small picture', () => {
  const sample = samplePlannedBatch();
  const [fromMs, untilMs] = [sample.startMs - 2 * HOUR, sample.startMs + 70 * HOUR];
  const drawn = async (plannedBatches: readonly PlannedBatch[], rows = 0) => {
    TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection()] });
    const fixture = TestBed.createComponent(PlanPicture);
    for (const [key, value] of Object.entries({ plannedBatches, asleep, fromMs, untilMs, rows, words: 'A plan' }))
      fixture.componentRef.setInput(key, value);
    await fixture.whenStable();
    return fixture.nativeElement as HTMLElement;
  };
  const numbers = (element: Element, ...names: string[]) => names.map((name) => Number(element.getAttribute(name)));

  it('has each make on a line of its own in order of time, with its hands on it', async () => {
    const later = { ...sample, id: 'later', startMs: sample.startMs + 5 * HOUR, readyMs: sample.readyMs + 5 * HOUR };
    const element = await drawn([later, sample]);
    const makes = [...element.querySelectorAll('.make')];
    expect(makes.length).toBe(2);
    const [first, second] = makes.map((make) => numbers(make, 'x', 'y', 'width'));
    expect(first![0]).toBeLessThan(second![0]!);
    expect(first![1]).toBeLessThan(second![1]!);
    expect(first![2]).toBeCloseTo(second![2]!, 6);
    const hands = sample.tasks.filter(({ minutes }) => minutes > 0).length;
    expect(element.querySelectorAll('circle').length).toBe(2 * hands);
    expect(element.querySelector('svg')!.getAttribute('aria-label')).toBe('A plan');
  });

  it('marks hands in the night, and is as high as those beside it', async () => {
    const atNight = momentAt(localTime(sample.startMs + 24 * HOUR, 'UTC'), 2, 'UTC');
    const [task] = sample.tasks;
    const night = { ...sample, tasks: [{ ...task!, minutes: 5, atMs: atNight }] };
    const element = await drawn([night], 4);
    expect(element.querySelectorAll('.night-hand').length).toBe(1);
    expect(numbers(element.querySelector('svg')!, 'height')).toEqual([42]);
    expect(element.querySelectorAll('.night').length).toBeGreaterThan(1);
  });

  it('is there, empty, where nothing is planned', async () => {
    const element = await drawn([]);
    expect(element.querySelectorAll('.make').length).toBe(0);
    expect(numbers(element.querySelector('svg')!, 'height')).toEqual([15]);
  });
});
