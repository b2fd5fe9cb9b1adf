import type { ChoiceGroup } from './method.js';

/** Heat, hold and the way down again. */
export const HEATING: ChoiceGroup = {
  title: 'Heat',
  choices: [
    {
      key: 'heatC',
      label: 'Heat to',
      kind: 'number',
      unit: '°C',
      min: 63,
      max: 95,
      step: 1,
      initial: 85,
      why: 'High and held unfolds the whey protein, which then holds water: firmer, less whey. Just to the simmer is quicker and thinner.',
    },
    {
      key: 'holdMin',
      nought: 'no hold',
      label: 'Hold for',
      kind: 'number',
      unit: 'min',
      min: 0,
      max: 45,
      step: 1,
      initial: 15,
      why: 'Fifteen minutes at 85 °C does nearly all of it; at 90 °C five will do.',
    },
    {
      key: 'lid',
      onlyIf: { choice: 'holdMin', above: 0 },
      label: 'Lid while it holds',
      kind: 'option',
      initial: 'on',
      why: 'Open, some water leaves and the yogurt is thicker.',
      options: [
        { id: 'on', label: 'Lid on', why: 'Nothing lost, no skin.' },
        { id: 'off', label: 'Lid off', why: 'A skin to lift and a little thicker.' },
      ],
    },
    {
      key: 'coolMethod',
      label: 'Cool by',
      kind: 'option',
      initial: 'water-bath',
      why: 'Quick cooling leaves no time for anything else to grow.',
      options: [
        { id: 'water-bath', label: 'Cold-water bath', why: 'About twenty minutes for a full pot.' },
        { id: 'ice-bath', label: 'Ice bath, stirred', why: 'Ten minutes, and easy to overshoot.' },
        { id: 'covered', label: 'Covered on the counter', why: 'No hands, but two hours or more.' },
      ],
    },
  ],
};
