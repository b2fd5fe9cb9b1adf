import { say } from '../messages/message.js';
import { temp } from '../messages/quantity.js';
import type { ChoiceGroup } from './method.js';

/** Heat, hold and the way down again. */
export const HEATING = {
  title: say('methods.heatingChoices.heat'),
  choices: [
    {
      key: 'heatC',
      label: say('methods.heatingChoices.heatTo'),
      kind: 'number',
      unit: '°C',
      min: 63,
      max: 95,
      step: 1,
      initial: 85,
      why: say('methods.heatingChoices.highHeldUnfoldsWhey'),
    },
    {
      key: 'holdMin',
      nought: say('methods.heatingChoices.noHold'),
      label: say('methods.heatingChoices.holdFor'),
      kind: 'number',
      unit: 'min',
      min: 0,
      max: 45,
      step: 1,
      initial: 15,
      why: say('methods.heatingChoices.fifteenMinutesDoesNearly', { temp: temp(85), temp2: temp(90) }),
    },
    {
      key: 'lid',
      onlyIf: { choice: 'holdMin', above: 0 },
      label: say('methods.heatingChoices.lidWhileHolds'),
      kind: 'option',
      initial: 'on',
      why: say('methods.heatingChoices.openSomeWaterLeaves'),
      options: [
        { id: 'on', label: say('methods.heatingChoices.lidOn'), why: say('methods.heatingChoices.nothingLostNoSkin') },
        {
          id: 'off',
          label: say('methods.heatingChoices.lidOff'),
          why: say('methods.heatingChoices.skinLiftLittleThicker'),
        },
      ],
    },
    {
      key: 'coolMethod',
      label: say('methods.heatingChoices.coolBy'),
      kind: 'option',
      initial: 'water-bath',
      why: say('methods.heatingChoices.quickCoolingLeavesNo'),
      options: [
        {
          id: 'water-bath',
          label: say('methods.heatingChoices.coldWaterBath'),
          why: say('methods.heatingChoices.aboutTwentyMinutesFull'),
        },
        {
          id: 'ice-bath',
          label: say('methods.heatingChoices.iceBathStirred'),
          why: say('methods.heatingChoices.tenMinutesEasyOvershoot'),
        },
        {
          id: 'covered',
          label: say('methods.heatingChoices.coveredCounter'),
          why: say('methods.heatingChoices.noHandsButTwo'),
        },
      ],
    },
  ],
} as const satisfies ChoiceGroup;
