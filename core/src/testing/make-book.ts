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
const said = (value: number | string | null) => (typeof value === 'number' ? r1(value) : (value ?? '-'));

/**
 * Every make as it ships, told in lines: what is weighed, each step with its time, hands and give, what is seen of it at every
 * look, what it is planned by, what would explain its faults. What a change of the engine does to any of it shows here.
 */
export function makeBook(): readonly string[] {
  return METHODS.flatMap((method) => {
    const sheet = makeSheet(method, {}, FEW);
    return [
      `# ${method.id}`,
      ...sheetLines(sheet),
      ...planLines(method),
      ...lookLines(method, sheet),
      ...faultLines(method, sheet),
    ];
  });
}

function sheetLines(sheet: MakeSheet): string[] {
  const { product, cost, nutrition, keeps } = sheet;
  return [
    ...sheet.amounts.map((a) => `weigh ${r1(a.massG)} g, ${r1(a.volumeMl)} mL, ${a.measure ?? '-'}: ${a.what}`),
    ...sheet.stages.map(
      (s) =>
        `${r1(s.beginMin)}-${r1(s.endMin)} ${s.kind} (${s.name}), hands ${s.handsMin}, give ${r1(s.slack.earlyMin)}/${r1(s.slack.lateMin)}: ${s.instruction} | ${s.lookFor} | ${s.slack.cost}`,
    ),
    ...sheet.byproducts.map(
      (b) => `left ${b.name} ${r1(b.massG)} g, pH ${b.ph.toFixed(2)}, ${b.keepsDays} days: ${b.use}`,
    ),
    `comes ${r1(product.massG)} g, ${r1(product.solidsPct)} % solids, ${product.firmnessWord}, ${product.pots} pots, ${keeps?.days} days, ${r1(100 * cost.perPot)} a pot, ${r1(nutrition.energyKcal)} kcal, salt ${nutrition.saltG.toFixed(2)} g`,
    ...sheet.problems.map((p) => `problem ${p.field}: ${p.message} ${p.remedy}`),
    `cautions ${sheet.cautions.map((c) => c.slice(0, 18)).join(' / ')}`,
  ];
}

function planLines(method: Method): string[] {
  const network = networkOf(method, {});
  return [
    ...network.steps.map((step) => `plan ${JSON.stringify(step, rounded)}`),
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
function lookLines(method: Method, sheet: MakeSheet): string[] {
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
      const gauges = panel.gauges.map(
        (g) =>
          `${g.what} ${said(g.planned)}>${said(g.now)} ${g.unit}${g.tone ? ` ${g.tone}` : ''}${g.says ? `: ${g.says}` : ''}`,
      );
      const branches = panel.branches.map((b) => `${b.grave ? '!' : ''}${b.offer}. ${b.because}`);
      const asks = panel.asks.map((a) => a.label);
      return `see ${stage.id} ${which}: ${[...gauges, ...asks].join(', ')} | ${branches.join(' | ')}`;
    }),
  );
}

function faultLines(method: Method, sheet: MakeSheet): string[] {
  const batch = begun(method, sheet, sheet.stages.length - 1, []);
  const shown = caseOf(workOut(batch, atMinute(sheet.totalMin + 60), FEW));
  return faultsOf(plannedOf(batch).stages).map((fault) => {
    const causes = rankCauses(fault, shown).map(
      (c) =>
        `${c.cause} ${c.chance === null ? '-' : c.chance.toFixed(3)} +${c.speaksFor.join(' ')} -${c.speaksAgainst.join(' ')}`,
    );
    return `why ${fault}: ${causes.join('; ')}`;
  });
}
