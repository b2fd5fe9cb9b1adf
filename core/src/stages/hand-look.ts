import { say } from '../messages/message.js';
import type { CueScale } from './kind.js';

/** How warm it is to a hand, where nobody has a thermometer. */
export const HAND_LOOK: CueScale = {
  cue: 'hand',
  ask: say('stages.handLook.howWarm'),
  answers: ['cool', 'lukewarm', 'warm', 'hot'],
};

/** Warmer than this (°C) a hand on the pot says lukewarm, warm, hot: skin is at some 33 °C, and draws back from about 48. */
export const HAND_SAYS_FROM_C = [28, 35, 47] as const;
