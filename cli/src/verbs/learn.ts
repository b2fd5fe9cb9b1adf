import { learnedFigures, lessonsOf, pooled, workOut } from '@oat-crock/core';
import Joi from 'joi';
import { loggedMake } from '../inputs/logged-make.js';
import { batchOf, type MakeIn, msOf } from '../logged-batch.js';
import { refusing } from '../refusing.js';
import type { Verb } from '../verb.js';

const MEMBERS = 500;

const run = ({ makes }: { readonly makes: readonly MakeIn[] }) => {
  const lessons = makes.flatMap((make, i) => {
    const batch = batchOf(make, `makes.${i}.`);
    const options = { members: MEMBERS, seed: i + 1, fanPoints: 0 };
    return lessonsOf(refusing(`makes.${i}.choices`, () => workOut(batch, msOf(make.nowMin), options)));
  });
  const learned = pooled(lessons);
  return { learned: { known: learnedFigures(learned), covariance: learned.covariance } };
};

/** What makes teach of culture, place, cloth and hands, oldest first. */
export const verb: Verb = {
  says: 'What makes teach of culture, place, cloth and hands, oldest first; "follow", "make", "souring", "forecast" and "plan" take it.',
  example: {
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
  schema: Joi.object({ makes: Joi.array().items(Joi.object(loggedMake)).min(1).max(60).required() }),
  run,
};
