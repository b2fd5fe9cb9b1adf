import { say, type Text } from '../messages/message.js';
import type { Condition, NumberChoice, OptionChoice } from './method.js';

/** What a wait is called where it is asked when it ends, what its aim is called, and how long it is by the clock at first. */
interface Wait {
  readonly label: Text;
  /** Left out where it only ends by the clock. */
  readonly aim?: { readonly label: Text; readonly why: Text };
  readonly hours: number;
  readonly most?: number;
  readonly initial?: 'aim' | 'hours' | 'morning';
  readonly onlyIf?: Condition;
}

/**
 * When a wait ends: by what is wanted of it, after so many hours, at an hour of the day, or in the morning. Its keys begin with
 * the name of the wait: "warmUntil", "warmH", "warmHour".
 */
export function endingChoices<const W extends string>(
  wait: W,
  { label, aim, hours, most = 96, initial = aim ? 'aim' : 'morning', onlyIf }: Wait,
) {
  const isUntil = (is: string): readonly Condition[] => [{ choice: `${wait}Until`, is }, ...(onlyIf ? [onlyIf] : [])];
  return [
    {
      key: `${wait}Until` as `${W}Until`,
      label,
      kind: 'option',
      initial,
      why: say('methods.endingChoices.sheetSaysWhatComes'),
      options: [
        ...(aim ? [{ id: 'aim', ...aim }] : []),
        {
          id: 'hours',
          label: say('methods.endingChoices.afterHours'),
          why: say('methods.endingChoices.sameHoursEachTime'),
        },
        {
          id: 'hour',
          label: say('methods.endingChoices.atAnHour'),
          why: say('methods.endingChoices.whenYouAreBack'),
        },
        {
          id: 'morning',
          label: say('methods.endingChoices.inTheMorning'),
          why: say('methods.endingChoices.whenSomebodyIsUp'),
        },
      ],
      ...(onlyIf && { onlyIf }),
    },
    {
      key: `${wait}H` as `${W}H`,
      label: say('methods.endingChoices.lasts'),
      kind: 'number',
      unit: 'h',
      min: 0.25,
      max: most,
      step: 0.25,
      initial: hours,
      why: say('methods.endingChoices.fromWhenItBegins'),
      onlyIf: isUntil('hours'),
    },
    {
      key: `${wait}Hour` as `${W}Hour`,
      label: say('methods.endingChoices.endsAt'),
      kind: 'number',
      unit: 'clock',
      min: 0,
      max: 23.75,
      step: 0.25,
      initial: 7,
      why: say('methods.endingChoices.nextTimeClockShows'),
      onlyIf: isUntil('hour'),
    },
  ] as const satisfies readonly [OptionChoice, NumberChoice, NumberChoice];
}

/** What the stage of a wait is told of {@link endingChoices}. */
export const endingParams = <const W extends string>(wait: W) =>
  ({
    until: { choice: `${wait}Until` as `${W}Until` },
    untilH: { choice: `${wait}H` as `${W}H` },
    untilHour: { choice: `${wait}Hour` as `${W}Hour` },
  }) as const;
