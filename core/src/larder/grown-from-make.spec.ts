import type { Batch } from '../batch/replay.js';
import type { Choices } from '../methods/method.js';
import type { Gear } from '../lots/gear.js';
import type { Lot } from '../lots/lot.js';
import { METHODS } from '../methods/index.js';
import { grownFrom, idOfGrown, type Kept } from './grown-from-make.js';

const NOTHING: Kept = { lots: [], gear: [] };
const batch = (methodId: string, choices: Choices = {}) =>
  ({ methodId, choices, stocks: [], ownMethod: null }) as unknown as Batch;
const ids = (methodId: string, choices: Choices = {}, kept: Kept = NOTHING) =>
  grownFrom(batch(methodId, choices), kept).map(idOfGrown);

describe('what may be kept from a first make', () => {
  it('is its milk, what kept it warm, its pot and its starter', () => {
    expect(ids('scalded-yogurt', { keeper: 'thermostat' })).toEqual([
      'lot milk',
      'gear thermostat',
      'gear pot',
      'culture thermophilic',
    ]);
    const [milk] = grownFrom(batch('scalded-yogurt', { massG: 2000, blendBy: 'milk' }), NOTHING);
    expect(milk).toEqual(jasmine.objectContaining({ is: 'lot', kind: 'milk', usedG: 2000 }));
    expect(ids('acid-heat-curd', { blendBy: 'milk' })).not.toContain('culture thermophilic');
    expect(ids('grain-kefir')).toContain('culture kefir-grains');
    expect(ids('cultured-butter', { from: 'bought' })).toEqual(['lot cream']);
  });

  it('leaves out what is kept already, of whatever name, and asks again of a culture that was given up', () => {
    const lots = [{ kind: 'milk' }, { kind: 'culture', culture: 'thermophilic', retiredMs: null }] as unknown as Lot[];
    const gear = [{ kind: 'pot' }] as unknown as Gear[];
    expect(ids('scalded-yogurt', { keeper: 'flask' }, { lots, gear })).toEqual(['gear flask']);
    const dead = [{ kind: 'culture', culture: 'thermophilic', retiredMs: 5 }] as unknown as Lot[];
    expect(ids('scalded-yogurt', {}, { lots: dead, gear })).toContain('culture thermophilic');
  });

  it('can be asked of every make of the house', () => {
    for (const { id } of METHODS)
      expect(new Set(ids(id)).size)
        .withContext(id)
        .toBe(ids(id).length);
  });
});
