import type { ChoiceGroup, Condition, NumberChoice, StageTemplate } from './method.js';
import { price } from './money-choices.js';

const LIVE: Condition = { choice: 'form', is: 'active' };
const POWDER: Condition = { choice: 'form', is: 'freeze-dried' };

/** What is known of a starter beyond its age and store. */
export const ACTIVITY: NumberChoice = {
  key: 'vigourPct',
  label: 'Vigour for its age',
  kind: 'number',
  unit: '%',
  min: 5,
  max: 300,
  step: 5,
  initial: 100,
  why: 'A hundred is what its age and store say. One of your own cultures brings what its makes have shown.',
};

/** The starter: how much, of what kind, how old and how kept. */
export const STARTER: ChoiceGroup = {
  title: 'Starter',
  choices: [
    {
      key: 'starterC',
      label: 'Starter goes in at',
      kind: 'number',
      unit: '°C',
      min: 35,
      max: 70,
      step: 1,
      initial: 44,
      why: 'A degree or two above the keeping temperature, as the starter and the spoon cool it.',
    },
    {
      key: 'dosePct',
      label: 'Dose',
      kind: 'number',
      unit: '% of the milk',
      min: 0.5,
      max: 10,
      step: 0.1,
      initial: 2.5,
      why: 'More is faster and sharper, less is slower and rounder; 2 to 3 % suits most.',
      onlyIf: LIVE,
    },
    {
      key: 'form',
      label: 'Kind',
      kind: 'option',
      initial: 'active',
      why: 'A powder needs an hour or two to wake.',
      options: [
        { id: 'active', label: 'Live yogurt', why: 'A held-back spoon or a bought pot.' },
        { id: 'freeze-dried', label: 'Powder', why: 'Slower off the mark, very even.' },
      ],
    },
    {
      key: 'packets',
      label: 'Powder',
      kind: 'number',
      unit: 'packets',
      min: 0.05,
      max: 20,
      step: 0.05,
      initial: 1,
      why: 'A part of one goes by its grams: half a packet is half of what one weighs.',
      onlyIf: POWDER,
    },
    {
      key: 'packetSetsL',
      label: 'One sets',
      kind: 'number',
      unit: 'L',
      min: 0.25,
      max: 500,
      step: 0.25,
      initial: 4,
      why: 'As its label says: so much milk in its usual time.',
      onlyIf: POWDER,
    },
    {
      key: 'packetG',
      label: 'One weighs',
      kind: 'number',
      unit: 'g',
      min: 0.05,
      max: 10,
      step: 0.05,
      initial: 1,
      why: 'On its label, or weighed once: so a part of one can be weighed out.',
      onlyIf: POWDER,
    },
    {
      key: 'ageDays',
      label: 'Age',
      kind: 'number',
      unit: 'days',
      min: 0,
      max: 120,
      step: 1,
      initial: 4,
      why: 'Days since it was made; in the cold it loses about a tenth of its vigour a day.',
    },
    {
      key: 'store',
      label: 'Kept',
      kind: 'option',
      initial: 'cold',
      why: 'Freezing costs two thirds at once and then keeps it for months.',
      options: [
        { id: 'cold', label: 'In the cold', why: 'Best within ten days.' },
        { id: 'frozen', label: 'Frozen', why: 'A reserve.' },
        { id: 'room', label: 'At room temperature', why: 'Weak after two days.' },
      ],
    },
    {
      key: 'generation',
      nought: 'first make of it',
      label: 'Carried on',
      kind: 'number',
      unit: '×',
      min: 0,
      max: 200,
      step: 1,
      initial: 1,
      why: 'Makes since it was bought: a bought yogurt drifts, sourer and slower, after three to six; heirlooms do not.',
    },
    ACTIVITY,
    { ...price('packet', 'A packet costs', 'each', 1.8), onlyIf: POWDER },
  ],
};

/** What the stage that takes in what {@link STARTER} chose is told. */
export const STARTER_PARAMS: StageTemplate['params'] = {
  dosePct: { choice: 'dosePct' },
  packets: { choice: 'packets' },
  packetSetsL: { choice: 'packetSetsL' },
  packetG: { choice: 'packetG' },
  form: { choice: 'form' },
  ageDays: { choice: 'ageDays' },
  store: { choice: 'store' },
  generation: { choice: 'generation' },
  vigourPct: { choice: 'vigourPct' },
};

/** Keys of the choices that {@link STARTER_PARAMS} asks for, and of what a packet costs. */
export const STARTER_KEYS = [...Object.keys(STARTER_PARAMS), 'packetPrice'];
