import { amount, between } from '../messages/quantity.js';
import { say, type Text, listOf } from '../messages/message.js';
import { planStages } from './plan.js';
import { makeSheet, SHEET_FORECAST, type MakeSheet } from './sheet.js';
import { STAGE_KIND_NAMES } from '../stages/registry.js';
import {
  choicesOf,
  type Choice,
  type Conditions,
  type Method,
  type Parameter,
  type StageTemplate,
} from '../methods/method.js';
import { askedOf } from '../methods/stage-asks.js';

/** What is wrong with a method as it is written, and what would be right. */
export interface MethodFault {
  /** Where: "stages.2.params.texture". */
  readonly field: string;
  readonly message: Text;
  readonly remedy: Text;
}

const QUICK = { ...SHEET_FORECAST, members: 20, fanPoints: 2 };

/**
 * Everything that would keep a method from being made: choices or stages named that are not there, values that a stage
 * does not take, and last a trial of it on the engine. Empty where it is sound.
 */
export function methodFaults(method: Method): readonly MethodFault[] {
  const written = [...choiceFaults(method), ...method.stages.flatMap((stage, i) => stageFaults(method, stage, i))];
  return written.length > 0 ? written : trialFaults(method);
}

function choiceFaults(method: Method): MethodFault[] {
  const seen = new Set<string>();
  return method.groups.flatMap((group, g) =>
    group.choices.flatMap((choice, c): MethodFault[] => {
      const field = `groups.${g}.choices.${c}`;
      const twice = seen.has(choice.key);
      seen.add(choice.key);
      return [
        ...(twice
          ? [
              {
                field: `${field}.key`,
                message: say('make.checkMethod.askedTwice', { key: choice.key }),
                remedy: say('make.checkMethod.askItOnce'),
              },
            ]
          : []),
        ...initialFaults(choice, field),
        ...conditionFaults(method, choice.onlyIf, `${field}.onlyIf`),
      ];
    }),
  );
}

function initialFaults(choice: Choice, field: string): MethodFault[] {
  const right =
    choice.kind === 'number'
      ? choice.min <= choice.max && choice.initial >= choice.min && choice.initial <= choice.max
      : choice.options.some((o) => o.id === choice.initial);
  if (right) return [];
  const allowed =
    choice.kind === 'number'
      ? between(amount(choice.min), amount(choice.max))
      : listOf(
          choice.options.map((o) => o.id),
          'or',
        );
  return [
    {
      field: `${field}.initial`,
      message: say('make.checkMethod.cannotBegin', { label: choice.label }),
      remedy: say('make.checkMethod.give', { allowed }),
    },
  ];
}

function conditionFaults(method: Method, conditions: Conditions | undefined, field: string): MethodFault[] {
  const keys = new Set(choicesOf(method).map((c) => c.key));
  return [conditions ?? []]
    .flat()
    .filter((condition) => !keys.has(condition.choice))
    .map(({ choice }) => ({
      field,
      message: say('make.checkMethod.hangsOnUnasked', { choice }),
      remedy: say('make.checkMethod.askOrLeaveOut'),
    }));
}

function stageFaults(method: Method, stage: StageTemplate, i: number): MethodFault[] {
  const field = `stages.${i}`;
  if (!STAGE_KIND_NAMES.includes(stage.kind)) {
    return [
      {
        field: `${field}.kind`,
        message: say('make.checkMethod.thereNoStage', { kind: stage.kind }),
        remedy: say('make.checkMethod.useOne', { stageKindNames: listOf(STAGE_KIND_NAMES, 'or') }),
      },
    ];
  }
  const twice = method.stages.some((s, j) => j < i && s.id === stage.id && !(s.onlyIf && stage.onlyIf));
  return [
    ...(twice
      ? [
          {
            field: `${field}.id`,
            message: say('make.checkMethod.twoStages', { id: stage.id }),
            remedy: say('make.checkMethod.giveEachItsOwn'),
          },
        ]
      : []),
    ...Object.entries(stage.params).flatMap(([key, value]) =>
      paramFaults(method, stage, key, value, `${field}.params.${key}`),
    ),
    ...conditionFaults(method, stage.onlyIf, `${field}.onlyIf`),
  ];
}

function paramFaults(
  method: Method,
  stage: StageTemplate,
  key: string,
  value: Parameter,
  field: string,
): MethodFault[] {
  const asked = askedOf(stage.kind)[key];
  if (!asked)
    return [
      {
        field,
        message: say('make.checkMethod.takesNo', { kind: stage.kind, key }),
        remedy: say('make.checkMethod.leaveOut'),
      },
    ];
  if (typeof value === 'object') {
    const choice = 'stock' in value ? value.stock : value.choice;
    if (choicesOf(method).some((c) => c.key === choice)) return [];
    return [
      {
        field,
        message: say('make.checkMethod.takesChoiceNotAsked', { choice }),
        remedy: say('make.checkMethod.askGiveValue'),
      },
    ];
  }
  if (
    typeof value === 'number'
      ? asked.kind === 'number' && value >= asked.min && value <= asked.max
      : asked.kind === 'option' && asked.values.includes(value)
  )
    return [];
  const allowed = asked.kind === 'number' ? `${asked.min} to ${asked.max}` : asked.values.join(', ');
  return [
    {
      field,
      message: say('make.checkMethod.cannotTold', { kind: stage.kind, key, value }),
      remedy: say('make.checkMethod.give', { allowed }),
    },
  ];
}

/** A method that is written soundly is tried: it has to pour something in first, and to come to something. */
function trialFaults(method: Method): MethodFault[] {
  if (!planStages(method)[0]?.kind.pours) {
    return [
      {
        field: 'stages.0',
        message: say('make.checkMethod.nothingPotYetWhen'),
        remedy: say('make.checkMethod.beginStagePoursSomething'),
      },
    ];
  }
  const sheet = tried(method);
  if (!sheet || !(sheet.product.massG > 0)) {
    return [
      {
        field: 'stages',
        message: say('make.checkMethod.stagesDoNotWork'),
        remedy: say('make.checkMethod.putEachAfterWhat'),
      },
    ];
  }
  return sheet.problems.filter((p) => !p.mild).map(({ field, message, remedy }) => ({ field, message, remedy }));
}

/** Its sheet; null where the engine cannot run its stages on one another. */
function tried(method: Method): MakeSheet | null {
  try {
    return makeSheet(method, {}, QUICK);
  } catch {
    return null;
  }
}
