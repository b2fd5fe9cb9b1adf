import { replay } from '../batch/replay.js';
import type { Batch } from '../batch/replay.js';
import { USUAL_ENVIRONMENT } from '../environment/environment.js';
import { ALWAYS_AWAKE } from '../make/household.js';
import { caseOf } from '../explain/case.js';
import { rankCauses } from '../explain/explain.js';
import { faultsOf } from '../explain/faults.js';
import { workOut } from '../follow/follow.js';
import { panelOf } from '../follow/panel.js';
import { timelineOf } from '../follow/timeline.js';
import { isMessage, type Text } from '../messages/message.js';
import { makeSheet, type MakeSheet } from '../make/sheet.js';
import { plannedOf } from '../make/planned.js';
import { METHODS } from '../methods/index.js';
import type { Method } from '../methods/method.js';
import { networkOf } from '../schedule/network.js';
import { atMinute, entriesOf, type Line } from './logged.js';

const FEW = { members: 60, seed: 1, fanPoints: 0 };
/** A looked-at stage is seen so long after it began, min. */
const SEEN_AFTER_MIN = 7;

const r1 = (value: number | null) => (value === null ? '-' : String(Math.round(value * 10) / 10));
/** How a text reads: handed in, as the engine has no words of its own. */
export type Words = (text: Text) => string;

/**
 * Every make as it ships, told in lines: what is weighed, each step with its time, hands and give, what is seen of it at every
 * look, what it is planned by, what would explain its faults. What a change of the engine does to any of it shows here.
 */
export function makeBook(words: Words): readonly string[] {
  return METHODS.flatMap((method) => {
    const sheet = makeSheet(method, {}, FEW);
    return [
      `# ${method.id}`,
      ...sheetLines(sheet, words),
      ...planLines(method, words),
      ...lookLines(method, sheet, words),
      ...faultLines(method, sheet, words),
    ];
  });
}

function sheetLines(sheet: MakeSheet, words: Words): string[] {
  const { product, cost, nutrition, keeps } = sheet;
  return [
    ...sheet.amounts.map(
      (a) => `weigh ${r1(a.massG)} g, ${r1(a.volumeMl)} mL, ${words(a.measure ?? '-')}: ${words(a.what)}`,
    ),
    ...sheet.stages.map(
      (s) =>
        `${r1(s.beginMin)}-${r1(s.endMin)} ${s.kind} (${words(s.name)}), hands ${s.handsMin}, give ${r1(s.slack.earlyMin)}/${r1(s.slack.lateMin)}: ${words(s.instruction)} | ${words(s.lookFor)} | ${words(s.slack.cost)}`,
    ),
    ...sheet.byproducts.map(
      (b) => `left ${words(b.name)} ${r1(b.massG)} g, pH ${b.ph.toFixed(2)}, ${b.keepsDays} days: ${words(b.use)}`,
    ),
    `comes ${r1(product.massG)} g, ${r1(product.solidsPct)} % solids, ${words(product.firmnessWord)}, ${product.pots} pots, ${keeps?.days} days, ${r1(100 * cost.perPot)} a pot, ${r1(nutrition.energyKcal)} kcal, salt ${nutrition.saltG.toFixed(2)} g`,
    ...sheet.problems.map((p) => `problem ${p.field}: ${words(p.message)} ${words(p.remedy)}`),
    `cautions ${sheet.cautions.map((c) => words(c).slice(0, 18)).join(' / ')}`,
  ];
}

function planLines(method: Method, words: Words): string[] {
  const network = networkOf(method, {});
  return [
    ...network.steps.map(
      (step) =>
        `plan ${JSON.stringify(step, (_key, value: unknown) => (isMessage(value) ? words(value) : rounded(_key, value)))}`,
    ),
    `plan stands ${JSON.stringify(network.demands, rounded)} sown ${JSON.stringify(network.sown, rounded)} gives ${JSON.stringify(network.gives, rounded)}`,
  ];
}

const rounded = (_key: string, value: unknown) => (typeof value === 'number' ? Math.round(value * 100) / 100 : value);

/** The make begun as planned until a stage, with whatever was looked at in that. */
function begun(method: Method, sheet: MakeSheet, until: number, looks: readonly Line[]): Batch {
  const steps = sheet.stages.slice(1, until + 1).map((s): Line => [s.beginMin, { type: 'step', stageId: s.id }]);
  const start: Line = [0, { type: 'started', methodId: method.id, choices: {}, name: 'Pot' }];
  return replay(entriesOf([start, ...steps, ...looks]))!;
}

/** What each stage shows when its looks are answered as well as can be, and as badly. */
function lookLines(method: Method, sheet: MakeSheet, words: Words): string[] {
  return sheet.stages.flatMap((stage, i) =>
    (['first', 'last'] as const).map((which) => {
      const atMin = stage.beginMin + SEEN_AFTER_MIN;
      const kind = plannedOf(begun(method, sheet, 0, [])).stages[i]!.kind;
      const looks = kind.cues.map(({ cue, answers }): Line => {
        const answer = which === 'first' ? answers[0]! : answers[answers.length - 1]!;
        return [atMin, { type: 'cue', cue, answer }];
      });
      const batch = begun(method, sheet, i, looks);
      const { stages } = plannedOf(batch);
      const timeline = timelineOf(batch, stages, USUAL_ENVIRONMENT, atMinute(atMin));
      const context = {
        batch,
        timeline,
        environment: USUAL_ENVIRONMENT,
        wake: ALWAYS_AWAKE,
        doubtful: new Set<string>(),
      };
      const panel = panelOf(timeline.stages[i]!, context);
      const said = (value: number | Text | null) => (typeof value === 'number' ? r1(value) : words(value ?? '-'));
      const gauges = panel.gauges.map(
        (g) =>
          `${words(g.what)} ${said(g.planned)}>${said(g.now)} ${g.unit}${g.tone ? ` ${g.tone}` : ''}${g.says ? `: ${words(g.says)}` : ''}`,
      );
      const branches = panel.branches.map((b) => `${b.grave ? '!' : ''}${words(b.offer)}. ${words(b.because)}`);
      const asks = panel.asks.map((a) => words(a.label));
      return `see ${stage.id} ${which}: ${[...gauges, ...asks].join(', ')} | ${branches.join(' | ')}`;
    }),
  );
}

function faultLines(method: Method, sheet: MakeSheet, words: Words): string[] {
  const batch = begun(method, sheet, sheet.stages.length - 1, []);
  const shown = caseOf(workOut(batch, atMinute(sheet.totalMin + 60), FEW));
  return faultsOf(plannedOf(batch).stages).map((fault) => {
    const causes = rankCauses(fault, shown).map(
      (c) =>
        `${c.cause} ${c.chance === null ? '-' : c.chance.toFixed(3)} +${c.speaksFor.map(words).join(' ')} -${c.speaksAgainst.map(words).join(' ')}`,
    );
    return `why ${fault}: ${causes.join('; ')}`;
  });
}
