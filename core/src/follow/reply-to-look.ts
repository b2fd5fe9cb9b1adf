import { CUE_MODELS, type CueModel } from '../constants/evidence.js';
import { say } from '../messages/message.js';
import { temp } from '../messages/quantity.js';
import { answerWords } from '../stages/answers.js';
import { HAND_LOOK, HAND_SAYS_FROM_C } from '../stages/hand-look.js';
import { pastGelling, type CrockState } from '../state/crock-state.js';
import { bad, good, watch, type Heard, type Replied } from './reply.js';

type Replies = Readonly<Record<string, Replied>>;

/** What each answer to a look means, and what to do, where the moment does not matter. */
const MEANS: Readonly<Record<string, Replies>> = {
  bottom: {
    clean: good(say('reply.bottom.clean')),
    'a-film': watch(say('reply.bottom.aFilm')),
    scorched: bad(say('reply.bottom.scorched')),
  },
  break: {
    mush: watch(say('reply.break.mush')),
    ragged: watch(say('reply.break.ragged')),
    clean: good(say('reply.break.clean')),
  },
  butter: {
    wet: watch(say('reply.butter.wet')),
    waxy: good(say('reply.butter.waxy')),
    greasy: bad(say('reply.butter.greasy')),
  },
  buttermilk: { thin: good(say('reply.buttermilk.thin')), creamy: watch(say('reply.buttermilk.creamy')) },
  churn: {
    foam: good(say('reply.churn.foam')),
    'soft-peaks': good(say('reply.churn.softPeaks')),
    stiff: good(say('reply.churn.stiff')),
    grains: good(say('reply.churn.grains')),
    broken: good(say('reply.churn.broken')),
  },
  drip: {
    streams: good(say('reply.drip.streams')),
    'fast-drops': good(say('reply.drip.fastDrops')),
    'slow-drops': good(say('reply.drip.slowDrops')),
    stopped: watch(say('reply.drip.stopped')),
  },
  fizz: {
    still: watch(say('reply.fizz.still')),
    beads: good(say('reply.fizz.beads')),
    foams: watch(say('reply.fizz.foams')),
    gushes: bad(say('reply.fizz.gushes')),
  },
  melt: {
    grainy: watch(say('reply.melt.grainy')),
    lumpy: watch(say('reply.melt.lumpy')),
    smooth: good(say('reply.melt.smooth')),
  },
  slurry: {
    smooth: good(say('reply.slurry.smooth')),
    'a-few': watch(say('reply.slurry.aFew')),
    lumpy: watch(say('reply.slurry.lumpy')),
  },
  smell: {
    milky: good(say('reply.smell.milky')),
    'bright-acid': good(say('reply.smell.brightAcid')),
    yeasty: watch(say('reply.smell.yeasty')),
    foul: bad(say('reply.smell.foul')),
  },
  texture: {
    smooth: good(say('reply.texture.smooth')),
    grainy: watch(say('reply.texture.grainy')),
    stringy: watch(say('reply.texture.stringy')),
  },
  wash: {
    milky: watch(say('reply.wash.milky')),
    cloudy: watch(say('reply.wash.cloudy')),
    clear: good(say('reply.wash.clear')),
  },
};

/** How clear the whey is means one thing of a curd on its cloth and another of one that is still being soured. */
const CLARITY: Readonly<Record<'draining' | 'in the pot', Replies>> = {
  draining: {
    milky: bad(say('reply.clarity.milkyThrough')),
    cloudy: watch(say('reply.clarity.cloudyThrough')),
    clear: good(say('reply.clarity.clear')),
    greenish: good(say('reply.clarity.clear')),
  },
  'in the pot': {
    milky: watch(say('reply.clarity.milkyPot')),
    cloudy: watch(say('reply.clarity.cloudyPot')),
    clear: good(say('reply.clarity.clearPot')),
    greenish: good(say('reply.clarity.clearPot')),
  },
};

/** A skin is a nuisance on milk that is held hot, and what is wanted of cream that is scalded. */
const SKIN: Readonly<Record<'crust' | 'skin', Replies>> = {
  crust: {
    none: watch(say('reply.skin.noCrust')),
    thin: good(say('reply.skin.thinCrust')),
    thick: good(say('reply.skin.crust')),
    golden: good(say('reply.skin.crust')),
  },
  skin: {
    none: good(say('reply.skin.none')),
    thin: good(say('reply.skin.thin')),
    thick: watch(say('reply.skin.thick')),
  },
};

/** Cultures that yeasts belong to: what smells of them is as it should be. */
const YEASTY = new Set(['kefir-grains', 'clabber']);

/** What a look means at that moment of the make. */
export function replyToLook(cue: string, answer: string, heard: Heard): Replied | null {
  const { kind } = heard.at.stage;
  if (cue === 'clarity') return CLARITY[kind.drainage ? 'draining' : 'in the pot'][answer] ?? null;
  if (cue === 'skin') {
    const isCrust = kind.cues.some((c) => c.cue === 'skin' && c.answers.includes('golden'));
    return SKIN[isCrust ? 'crust' : 'skin'][answer] ?? null;
  }
  if (cue === 'smell' && answer === 'yeasty' && YEASTY.has(heard.here.souring?.culture ?? '')) {
    return good(say('reply.smell.yeastyRight'));
  }
  if (cue === 'hand') return toHand(answer, heard);
  const model = CUE_MODELS[cue];
  return model ? againstExpected(model, answer, heard) : (MEANS[cue]?.[answer] ?? null);
}

/** How warm it is to a hand, against how warm it would be to one as planned, or is to become. */
function toHand(answer: string, { at, planned }: Heard): Replied | null {
  const felt = HAND_LOOK.answers.indexOf(answer);
  if (felt < 0) return null;
  const { kind, params } = at.stage;
  const wantedC = kind.endsBy === 'temperature' ? kind.target(params) : planned.tempC;
  const wanted = HAND_SAYS_FROM_C.filter((fromC) => wantedC >= fromC).length;
  const be = { wanted: answerWords('hand', HAND_LOOK.answers[wanted]!), temp: temp(wantedC) };
  if (felt === wanted) return good(say('reply.hand.right', be));
  return felt > wanted ? watch(say('reply.hand.tooWarm', be)) : watch(say('reply.hand.tooCool', be));
}

/** What is seen of souring, against what is likeliest at that moment with a usual starter. */
function againstExpected(model: CueModel, answer: string, { planned, here }: Heard): Replied | null {
  const seen = model.answers.indexOf(answer);
  if (seen < 0) return null;
  if (!planned.souring || !here.souring) return null;
  const expected = model.thresholds.filter((threshold) => quantityOf(model, planned) >= threshold).length;
  if (seen === expected) return good(say('reply.souring.asPlanned'));
  return seen < expected ? watch(say('reply.souring.behind')) : good(say('reply.souring.ahead'));
}

const quantityOf = ({ reads }: CueModel, state: CrockState) => (reads === 'acid' ? -state.ph : pastGelling(state));
