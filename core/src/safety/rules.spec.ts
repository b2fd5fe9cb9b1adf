import { english } from '@oat-crock/messages';
import { lastOf, runMake } from '../make/run.js';
import { planStages } from '../make/plan.js';
import { USUAL_ENVIRONMENT } from '../environment/environment.js';
import { methodById } from '../methods/index.js';
import type { CrockState } from '../state/crock-state.js';
import { assessSafety, gravest, type SafetyView } from './rules.js';

/** A yogurt as it ends: a culture in it, sour, heated on the way. */
const SOURED = lastOf(runMake(planStages(methodById('Y1'), {}), USUAL_ENVIRONMENT).at(-1)!);
const H = 60;

const view = (more: Partial<SafetyView> = {}, state: Partial<CrockState> = {}): SafetyView => ({
  state: { ...SOURED, warmMin: 0, ph: 5.5, ...state },
  measuredPh: null,
  rawMilk: false,
  souringMin: null,
  forecastMin: null,
  acidSeen: false,
  onCounter: false,
  ended: false,
  ...more,
});
const levels = (more: Partial<SafetyView> = {}, state: Partial<CrockState> = {}) =>
  assessSafety(view(more, state)).map(({ rule, level }) => `${english(rule)}: ${level}`);

describe('acid in time', () => {
  const after = (times: number, more: Partial<SafetyView> = {}) =>
    levels({ forecastMin: 5 * H, souringMin: times * 5 * H, ...more });

  it('is fine up to 1.4 times the forecast, then watched, held from 1.7, and discarded from twice', () => {
    expect([1, 1.4, 1.41, 1.7, 1.71, 2, 2.01].map((times) => after(times)[0] ?? 'fine')).toEqual([
      'fine',
      'fine',
      'acid in time: watch',
      'acid in time: watch',
      'acid in time: hold',
      'acid in time: hold',
      'acid in time: discard',
    ]);
  });

  it('is none the milder for a pH that was measured and is too high', () => {
    expect([1.5, 1.8, 2.01].map((times) => after(times, { measuredPh: 4.61 })[0])).toEqual([
      'acid in time: watch',
      'acid in time: hold',
      'acid in time: discard',
    ]);
  });

  it('is at most watched where it was seen to be set and sour: left longer it is sharper, not unsafe', () => {
    expect(after(1.4, { acidSeen: true })).toEqual([]);
    expect([1.5, 3].map((times) => after(times, { acidSeen: true })[0])).toEqual([
      'acid in time: watch',
      'acid in time: watch',
    ]);
  });

  it('has no more to say once pH 4.6 was measured, or the make is over, or nothing sours', () => {
    expect(after(3, { measuredPh: 4.6 })).toEqual([]);
    expect(after(3, { ended: true, measuredPh: 4.5 })).toEqual([]);
    expect(after(3, { forecastMin: null })).toEqual([]);
    expect(levels({ forecastMin: 5 * H })).toEqual([]);
  });
});

describe('the acid a make ended with', () => {
  it('guards it at 4.6 and below; above it is held, as measured before as reckoned', () => {
    expect(levels({ ended: true }, { ph: 4.6 })).toEqual([]);
    expect(levels({ ended: true }, { ph: 4.601 })).toEqual(['acid endpoint: hold']);
    expect(levels({ ended: true, measuredPh: 4.7 }, { ph: 4.4 })).toEqual(['acid endpoint: hold']);
    expect(levels({ ended: true, measuredPh: 4.6 }, { ph: 5.2 })).toEqual([]);
  });

  it('is no reason to throw away what was meant to stand so long by the clock, while nothing shows that it failed', () => {
    const stood = (souringMin: number, more: Partial<SafetyView> = {}) =>
      levels({ souringMin, forecastMin: 12 * H, clockMin: 96 * H, ...more }, { ph: 4 });
    expect(stood(96 * H)).toEqual(['acid in time: watch']);
    expect(stood(101 * H)).toEqual(['acid in time: discard']);
    expect(stood(96 * H, { measuredPh: 5.6 })).toEqual(['acid in time: discard']);
    expect(stood(96 * H, { clockMin: null })).toEqual(['acid in time: discard']);
  });

  it('is asked of nothing that no culture soured, nor of butter: those are kept by cold', () => {
    expect(levels({ ended: true }, { souring: null })).toEqual(['not kept by acid: watch']);
    const churned = { ...SOURED.curd, churned: 1 };
    expect(levels({ ended: true }, { curd: churned })).toEqual([]);
    expect(levels({ ended: true }, { curd: { ...churned, churned: 0.99 } })).toEqual(['acid endpoint: hold']);
  });
});

describe('draining on the counter', () => {
  it('is for pH 4.6 and below', () => {
    expect(levels({ onCounter: true }, { ph: 4.6 })).toEqual([]);
    expect(levels({ onCounter: true }, { ph: 4.61 })).toEqual(['counter draining: hold']);
    expect(levels({ onCounter: true, measuredPh: 4.61 }, { ph: 4.3 })).toEqual(['counter draining: hold']);
    expect(levels({}, { ph: 4.61 })).toEqual([]);
  });
});

describe('hours warm above pH 4.6', () => {
  it('are watched from twelve on, for as long as it is not sour', () => {
    expect(levels({ souringMin: 12 * H - 1 }, { warmMin: 12 * H - 1 })).toEqual([]);
    expect(levels({ souringMin: 12 * H }, { warmMin: 12 * H })).toEqual(['hours warm: watch']);
    expect(levels({ souringMin: 20 * H }, { warmMin: 20 * H, ph: 4.6 })).toEqual([]);
    expect(levels({ souringMin: 20 * H }, { warmMin: 20 * H, ph: 4.61 })).toEqual(['hours warm: watch']);
    // Once its souring is over, a culture that lives has all but done its work at 4.8; butter is past it.
    expect(levels({}, { warmMin: 20 * H, ph: 4.8 })).toEqual([]);
    expect(levels({}, { warmMin: 20 * H, ph: 4.81 })).toEqual(['hours warm: watch']);
    expect(levels({}, { warmMin: 20 * H, ph: 4.7, souring: null })).toEqual(['hours warm: watch']);
    expect(levels({}, { warmMin: 20 * H, ph: 5.2, curd: { ...SOURED.curd, churned: 1 } })).toEqual([]);
    expect(levels({ measuredPh: 4.6 }, { warmMin: 20 * H, ph: 5.2 })).toEqual([]);
  });
});

describe('raw milk', () => {
  it('is said to be raw until it was heated as a listed pasteurisation heats it, once a culture is in it', () => {
    expect(levels({ rawMilk: true }, { pasteurisedShare: 0.99 })).toEqual(['raw milk: watch']);
    expect(levels({ rawMilk: true }, { pasteurisedShare: 1 })).toEqual([]);
    expect(levels({ rawMilk: true }, { pasteurisedShare: 0, souring: null })).toEqual([]);
    expect(levels({ rawMilk: false }, { pasteurisedShare: 0 })).toEqual([]);
  });
});

describe('what is said first', () => {
  it('is the gravest', () => {
    const findings = assessSafety(
      view(
        { forecastMin: H, souringMin: 3 * H, onCounter: true, rawMilk: true },
        { pasteurisedShare: 0, warmMin: 900 },
      ),
    );
    expect(findings.map((f) => f.level)).toEqual(['discard', 'hold', 'watch', 'watch']);
    expect(gravest(findings)).toBe('discard');
    expect(gravest([])).toBe('fine');
    for (const { reason, doNow, source } of findings)
      expect(Math.min(english(reason).length, english(doNow).length, english(source).length) > 10).toBeTrue();
  });
});
