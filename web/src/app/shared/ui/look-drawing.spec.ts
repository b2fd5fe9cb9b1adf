import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { bind, STAGE_KIND_NAMES } from '@oat-crock/core';
import { LookDrawing } from './look-drawing';
import { LOOK_SHAPES } from './look-shapes';

/** Every look that any kind of stage asks for, with all its answers. */
const asked = new Map<string, Set<string>>();
for (const kind of STAGE_KIND_NAMES) {
  for (const { cue, answers } of bind({ id: kind, kind, params: {} }).kind.cues) {
    asked.set(cue, new Set([...(asked.get(cue) ?? []), ...answers]));
  }
}

describe('drawings of looks', () => {
  it('are of answers that are asked for, and where one answer is drawn all are, each otherwise', () => {
    for (const [cue, drawn] of Object.entries(LOOK_SHAPES)) {
      const answers = [...(asked.get(cue) ?? [])];
      expect(answers.sort()).withContext(cue).toEqual(Object.keys(drawn).sort());
      const seen = answers.map((answer) => JSON.stringify(drawn[answer]));
      expect(new Set(seen).size).withContext(cue).toBe(seen.length);
    }
  });

  it('are not heard, and where there is nothing to see there is none', async () => {
    TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection()] });
    const fixture = TestBed.createComponent(LookDrawing);
    const show = async (cue: string, answer: string) => {
      fixture.componentRef.setInput('cue', cue);
      fixture.componentRef.setInput('answer', answer);
      await fixture.whenStable();
      return (fixture.nativeElement as HTMLElement).querySelector('svg');
    };
    expect((await show('set', 'wobbles'))!.getAttribute('aria-hidden')).toBe('true');
    expect(await show('smell', 'foul')).toBeNull();
  });
});
