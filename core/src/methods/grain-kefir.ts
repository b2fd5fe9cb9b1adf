import { vary, type ChoiceGroup, type Method } from './method.js';
import { ROOM } from './room-choices.js';
import { BLEND, MILK, MONEY } from './common-choices.js';
import { ACTIVITY } from './starter-choices.js';

const GRAINS: ChoiceGroup = {
  title: 'Grains',
  choices: [
    {
      key: 'grainsPct',
      label: 'Grains',
      kind: 'number',
      unit: '% of the milk',
      min: 1,
      max: 15,
      step: 0.5,
      initial: 5,
      why: 'Two to four in summer, six to ten in winter: the room decides.',
    },
    {
      key: 'ageDays',
      label: 'Last fed',
      kind: 'number',
      unit: 'days ago',
      min: 0,
      max: 60,
      step: 1,
      initial: 1,
      why: 'They want the next milk at once, or a rest in the cold.',
    },
    {
      key: 'store',
      label: 'Waited',
      kind: 'option',
      initial: 'room',
      why: 'Unfed in the warm they drown in their own acid.',
      options: [
        { id: 'room', label: 'In the last kefir', why: 'For a day.' },
        { id: 'cold', label: 'In milk in the cold', why: 'For weeks.' },
        { id: 'frozen', label: 'Frozen', why: 'A reserve: two or three batches to wake.' },
      ],
    },
    ACTIVITY,
    {
      key: 'then',
      label: 'Then they go',
      kind: 'option',
      initial: 'next milk',
      why: 'Never rinsed: the milk on them guards them.',
      options: [
        { id: 'next milk', label: 'Into the next milk', why: 'At once.' },
        { id: 'rest', label: 'To rest', why: 'Under fresh milk in the cold.' },
      ],
    },
  ],
};

const BOTTLES: ChoiceGroup = {
  title: 'In bottles',
  choices: [
    {
      key: 'bottleH',
      nought: 'no second ferment',
      label: 'Second ferment',
      kind: 'number',
      unit: 'h',
      min: 0,
      max: 48,
      step: 1,
      initial: 0,
      why: 'Closed, its own gas makes it bead: half a day does. None is still and milder.',
    },
    {
      key: 'headspacePct',
      onlyIf: { choice: 'bottleH', above: 0 },
      label: 'Left empty',
      kind: 'number',
      unit: '% of each bottle',
      min: 0,
      max: 40,
      step: 5,
      initial: 15,
      why: 'Room for the gas; a bottle filled to the cap bursts.',
    },
    {
      key: 'fruitSugarPct',
      nought: 'no sugar',
      onlyIf: { choice: 'bottleH', above: 0 },
      label: 'Sugar or its worth in fruit',
      kind: 'number',
      unit: '%',
      min: 0,
      max: 6,
      step: 0.5,
      initial: 0,
      why: 'Sweeter, and more gas.',
    },
  ],
};

export const grainKefir: Method = {
  id: 'grain-kefir',
  code: 'K1',
  name: 'Kefir on grains',
  short: 'On grains',
  family: 'Kefir',
  summary: 'Grains sour the milk overnight at room temperature, are sieved out, have grown, and want the next milk.',
  groups: [
    vary(MILK, { massG: { initial: 1000 }, vesselL: { initial: 2 } }),
    GRAINS,
    vary(ROOM, {
      targetPh: { initial: 4.5, max: 4.6, why: 'It goes on in the bottle: stop a little early.' },
      roomC: { min: 16, max: 30 },
    }),
    BOTTLES,
    vary(MONEY, { potG: { initial: 500 }, shopPrice: { initial: 5 } }),
  ],
  stages: [
    BLEND,
    {
      id: 'starter',
      kind: 'grains',
      params: {
        grainsPct: { choice: 'grainsPct' },
        ageDays: { choice: 'ageDays' },
        store: { choice: 'store' },
        vigourPct: { choice: 'vigourPct' },
      },
    },
    {
      id: 'warm',
      kind: 'incubate',
      params: {
        keeper: 'counter',
        cover: { choice: 'cover' },
        targetPh: { choice: 'targetPh' },
        leave: { choice: 'leave' },
      },
    },
    { id: 'sieve', kind: 'sieve', params: { then: { choice: 'then' } } },
    {
      id: 'bottles',
      kind: 'second-ferment',
      params: {
        hours: { choice: 'bottleH' },
        headspacePct: { choice: 'headspacePct' },
        sugarPct: { choice: 'fruitSugarPct' },
      },
      onlyIf: { choice: 'bottleH', above: 0 },
    },
    { id: 'chill', kind: 'chill', params: { holdBackPct: 0 } },
    { id: 'finish', kind: 'finish', params: { potG: { choice: 'potG' } } },
  ],
};
