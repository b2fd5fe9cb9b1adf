import { totalG } from '../materials/composition.js';
import { firstOf, type StageRun } from '../make/run.js';
import type { Person } from './hours.js';
import type { Step } from './network.js';

/** Kinds of work that somebody may not do, or would rather do than others. */
export const WORKS = ['hot', 'churn', 'curd', 'pots'] as const;
export type Work = (typeof WORKS)[number];

/** What somebody may not do, and what they would rather do; all else they do. */
export type WorkWish = Readonly<Partial<Record<Work, 'not' | 'rather'>>>;

/** Hot milk in a pot; the churn and what follows; curd and cloth; weighing into pots. All other work is anybody's. */
const WORK_OF: Readonly<Record<string, Work>> = {
  heat: 'hot',
  hold: 'hot',
  cook: 'hot',
  'scald-cream': 'hot',
  cool: 'hot',
  acidify: 'hot',
  churn: 'churn',
  draw: 'churn',
  wash: 'churn',
  work: 'churn',
  cut: 'curd',
  ladle: 'curd',
  strain: 'curd',
  mould: 'curd',
  turn: 'curd',
  sieve: 'curd',
  finish: 'pots',
};

/** Steps that begin with a full vessel being carried: into cold water, into the warm, into the cold, on to the cloth. */
const CARRIED: ReadonlySet<string> = new Set(['cool', 'incubate', 'chill', 'strain', 'ladle']);

/** Which work the hands of a step are, and whether two are wanted: what is carried is more than one lifts. */
export function workOf(run: StageRun, liftG: number): Pick<Step, 'work' | 'forTwo'> {
  const { kind } = run.stage.kind;
  const work = WORK_OF[kind];
  const forTwo = CARRIED.has(kind) && totalG(firstOf(run).masses) > liftG;
  return { ...(work && { work }), ...(forTwo && { forTwo: true }) };
}

/** True where somebody does a work. */
export const mayDo = ({ wishes }: Pick<Person, 'wishes'>, work: Work | undefined): boolean =>
  work === undefined || wishes?.[work] !== 'not';

/** Of some people those who do a work; all of them where nobody would. */
export function whoMay(people: readonly Person[], work: Work | undefined): readonly Person[] {
  const may = people.filter((person) => mayDo(person, work));
  return may.length > 0 ? may : people;
}
