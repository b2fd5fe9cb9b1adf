import { KEEPING, MONEY } from './common-choices.js';
import { planStages } from '../make/plan.js';
import { methodById } from './index.js';
import { vary } from './method.js';
import { method, stagesNamed, type TypedTemplate } from './typed.js';
import { SCALDED_STAGES } from './scalded-yogurt.js';

const HEAD = { id: 'x', code: 'X', name: 'x', short: 'x', family: 'x', summary: 'x', groups: [KEEPING, MONEY] };

describe('a method that ships', () => {
  it('does not compile with a kind, a parameter, a value or a choice that there is not', () => {
    // Each of these is an error of the compiler; where one is none, that is one.
    // @ts-expect-error no such kind
    expect({ id: 'a', kind: 'boil', params: {} } satisfies TypedTemplate).toBeDefined();
    // @ts-expect-error no such parameter of that kind
    expect({ id: 'a', kind: 'heat', params: { targetF: 185 } } satisfies TypedTemplate).toBeDefined();
    // @ts-expect-error no such place to keep it
    expect({ id: 'a', kind: 'incubate', params: { keeper: 'shed' } } satisfies TypedTemplate).toBeDefined();
    // @ts-expect-error a choice of a stock is no temperature
    expect({ id: 'a', kind: 'heat', params: { targetC: { stock: 'milk' } } } satisfies TypedTemplate).toBeDefined();
    const stages = [{ id: 'a', kind: 'chill', params: { targetC: { choice: 'keepF' } } }] as const;
    // @ts-expect-error no such choice among its groups
    expect(method({ ...HEAD, stages })).toBeDefined();
    // @ts-expect-error no such choice in the group that is varied
    expect(vary(KEEPING, { keepF: { initial: 110 } }).title).toBe(KEEPING.title);
    const right = [{ id: 'a', kind: 'chill', params: { targetC: { choice: 'keepC' } } }] as const;
    expect(method({ ...HEAD, stages: right }).stages).toEqual(right);
  });

  it('takes stages of another by their ids, in their order', () => {
    expect(stagesNamed(SCALDED_STAGES, ['warm', 'heat']).map(({ id }) => id)).toEqual(['heat', 'warm']);
    expect(planStages(methodById('cold-start-yogurt'), {}).map(({ id }) => id)).toEqual([
      'blend',
      'starter',
      'warm',
      'chill',
      'finish',
    ]);
  });
});
