import type { Verb } from './schemas.js';

/** A worked example of each verb: what goes in. `help` runs them to show what comes out. */
export const CLI_EXAMPLES: Readonly<Record<Verb, { readonly says: string; readonly input: object }>> = {
  density: {
    says: 'Density of a milk or cream, g/mL, and its solids-not-fat, %.',
    input: { material: { fatPct: 3.6, proteinPct: 3.3, lactosePct: 4.7, mineralsPct: 0.7 }, tempC: 20 },
  },
  blend: {
    says: 'The cheapest blend of materials for a mass, fat and protein; or the bound that cannot be met and the nearest blend.',
    input: {
      materials: [
        { name: 'whole milk', fatPct: 3.6, proteinPct: 3.3, pricePerKg: 1.3 },
        { name: 'skimmed milk', fatPct: 0.1, proteinPct: 3.45, pricePerKg: 1.1 },
        { name: 'cream', fatPct: 36, proteinPct: 2.1, pricePerKg: 6.4, maxG: 1000 },
      ],
      target: { massG: 4000, fatPct: 10 },
    },
  },
  denature: {
    says: 'Whey protein unfolded along a temperature trace (min, °C; linear between points), and the heat record.',
    input: {
      trace: [
        { min: 0, tempC: 5 },
        { min: 22, tempC: 85 },
        { min: 37, tempC: 85 },
        { min: 55, tempC: 44 },
      ],
    },
  },
  cool: {
    says: 'Minutes to cool a pot of milk; null where it never gets there.',
    input: { volumeMl: 4000, startC: 90, targetC: 45, roomC: 20, method: 'covered' },
  },
  acidity: {
    says: 'pH, lactic acid formed (%), titratable acidity (% as lactic) and buffer value of a soured milk.',
    input: { proteinPct: 3.3, ph: 4.6 },
  },
  'acid-dose': {
    says: 'Lemon juice or vinegar (mL), citric or tartaric acid (g), for a pH, and what to keep by. Strength is percent by mass.',
    input: { massG: 1031, proteinPct: 3.3, targetPh: 5.4, acid: 'lemon', strengthPct: 5.5 },
  },
  souring: {
    says: 'Souring at a temperature or along a trace: hours to the gel and to a pH; null where it never gets there.',
    input: {
      culture: 'thermophilic',
      dosePct: 2.5,
      starter: { form: 'active', ageDays: 0, store: 'cold' },
      milk: { fatPct: 3.6, proteinPct: 3.3, treatment: '72C-15s' },
      denaturedPct: 95,
      tempC: 43,
      targetPh: 4.6,
      hours: 12,
    },
  },
  forecast: {
    says: 'The same as an ensemble, weighed by readings and cues: hours at P10, P50 and P90.',
    input: {
      culture: 'thermophilic',
      dosePct: 2.5,
      starter: { form: 'active', ageDays: 4, store: 'cold' },
      milk: { fatPct: 3.6, proteinPct: 3.3, treatment: '72C-15s' },
      denaturedPct: 95,
      tempC: 43,
      targetPh: 4.6,
      hours: 12,
      readings: [
        { min: 150, ph: 5.6, by: 'meter' },
        { min: 190, cue: 'wobbles' },
      ],
      members: 2000,
      seed: 7,
    },
  },
  strain: {
    says: 'Product, whey and hours to wanted solids; weighed whey corrects the hours.',
    input: { massG: 1000, solidsPct: 13, method: 'hung', tempC: 4, targetSolidsPct: 21 },
  },
  churn: {
    says: 'Butter and buttermilk from cream, by the balance of fat, before handling losses; minutes until it breaks.',
    input: { massG: 995, fatPct: 36, tempC: 12, butterFatPct: 82 },
  },
  vitality: {
    says: 'Share of a fresh starter’s activity that is left (1 = fresh), and what to do about it.',
    input: { form: 'active', store: 'cold', tempC: 4, ageDays: 9, generation: 3 },
  },
  make: {
    says: 'A whole make: stages, product, by-products, balance, cautions, food values.',
    input: { method: 'strained-yogurt', choices: { fatPct: 5, texture: 'spreadable' }, massG: 4000 },
  },
  plan: {
    says: 'When to begin what, so that so much product is ready nine times in ten by then: hands out of the night, gear never taken twice, the starter ripe; and why what cannot be done cannot.',
    input: {
      orders: [
        { method: 'strained-yogurt', massG: 2000, dueMin: 4800 },
        { method: 'scalded-yogurt', massG: 4000, dueMin: 4800 },
        { method: 'acid-heat-curd', massG: 900, dueMin: 3360 },
      ],
      gear: [
        { kind: 'pot', holdsL: 14 },
        { kind: 'pot', holdsL: 8, count: 2 },
        { kind: 'thermostat', holdsL: 20, several: true },
        { kind: 'strainer', holdsL: 8 },
      ],
      asleep: [
        { fromMin: 960, toMin: 1440 },
        { fromMin: 2400, toMin: 2880 },
        { fromMin: 3840, toMin: 4320 },
      ],
      cultures: [{ culture: 'thermophilic', massG: 400, form: 'active', ageDays: 3, store: 'cold' }],
      seed: 7,
    },
  },
  follow: {
    says: 'A make as its log tells it: stages, when it is ready, what the rules of safety say, the crock now and in the end, hands.',
    input: {
      method: 'scalded-yogurt',
      choices: {},
      log: [
        { id: '1', atMin: 0, body: { type: 'started', methodId: 'scalded-yogurt', choices: {}, name: 'Monday pot' } },
        { id: '2', atMin: 65, body: { type: 'step', stageId: 'starter' } },
        { id: '3', atMin: 71, body: { type: 'step', stageId: 'warm' } },
        { id: '4', atMin: 230, body: { type: 'reading', quantity: 'ph', value: 5.6, by: 'meter' } },
      ],
      nowMin: 240,
      seed: 7,
    },
  },
  learn: {
    says: 'What makes teach of culture, place, cloth and hands, oldest first; "follow", "make", "souring", "forecast" and "plan" take it.',
    input: {
      makes: [230, 235].map((atMin) => ({
        method: 'scalded-yogurt',
        choices: {},
        log: [
          { id: '1', atMin: 0, body: { type: 'started', methodId: 'scalded-yogurt', choices: {}, name: 'Monday pot' } },
          { id: '2', atMin: 65, body: { type: 'step', stageId: 'starter' } },
          { id: '3', atMin: 71, body: { type: 'step', stageId: 'warm' } },
          { id: '4', atMin, body: { type: 'reading', quantity: 'ph', value: 5.9, by: 'meter' } },
          { id: '5', atMin: atMin + 150, body: { type: 'reading', quantity: 'ph', value: 4.8, by: 'meter' } },
        ],
        nowMin: 420,
      })),
    },
  },
};
