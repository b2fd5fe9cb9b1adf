import { say, type Text } from '../messages/message.js';

/** What each answer to a look is called, by the look and the answer's id. */
const ANSWERS: Readonly<Record<string, Readonly<Record<string, Text>>>> = {
  bottom: {
    clean: say('answer.bottom.clean'),
    'a-film': say('answer.bottom.aFilm'),
    scorched: say('answer.bottom.scorched'),
  },
  break: {
    mush: say('answer.break.mush'),
    ragged: say('answer.break.ragged'),
    clean: say('answer.break.clean'),
  },
  butter: {
    wet: say('answer.butter.wet'),
    waxy: say('answer.butter.waxy'),
    greasy: say('answer.butter.greasy'),
  },
  buttermilk: {
    thin: say('answer.buttermilk.thin'),
    creamy: say('answer.buttermilk.creamy'),
  },
  churn: {
    foam: say('answer.churn.foam'),
    'soft-peaks': say('answer.churn.softPeaks'),
    stiff: say('answer.churn.stiff'),
    grains: say('answer.churn.grains'),
    broken: say('answer.churn.broken'),
  },
  clarity: {
    milky: say('answer.clarity.milky'),
    cloudy: say('answer.clarity.cloudy'),
    clear: say('answer.clarity.clear'),
    greenish: say('answer.clarity.greenish'),
  },
  drip: {
    streams: say('answer.drip.streams'),
    'fast-drops': say('answer.drip.fastDrops'),
    'slow-drops': say('answer.drip.slowDrops'),
    stopped: say('answer.drip.stopped'),
  },
  fizz: {
    still: say('answer.fizz.still'),
    beads: say('answer.fizz.beads'),
    foams: say('answer.fizz.foams'),
    gushes: say('answer.fizz.gushes'),
  },
  hand: {
    cool: say('answer.hand.cool'),
    lukewarm: say('answer.hand.lukewarm'),
    warm: say('answer.hand.warm'),
    hot: say('answer.hand.hot'),
  },
  melt: {
    grainy: say('answer.melt.grainy'),
    lumpy: say('answer.melt.lumpy'),
    smooth: say('answer.melt.smooth'),
  },
  set: {
    liquid: say('answer.set.liquid'),
    wobbles: say('answer.set.wobbles'),
    'leaves-the-wall': say('answer.set.leavesTheWall'),
    stands: say('answer.set.stands'),
  },
  skin: {
    none: say('answer.skin.none'),
    thin: say('answer.skin.thin'),
    thick: say('answer.skin.thick'),
    golden: say('answer.skin.golden'),
  },
  slurry: {
    smooth: say('answer.slurry.smooth'),
    'a-few': say('answer.slurry.aFew'),
    lumpy: say('answer.slurry.lumpy'),
  },
  smell: {
    milky: say('answer.smell.milky'),
    'bright-acid': say('answer.smell.brightAcid'),
    yeasty: say('answer.smell.yeasty'),
    foul: say('answer.smell.foul'),
  },
  taste: {
    sweet: say('answer.taste.sweet'),
    mild: say('answer.taste.mild'),
    tangy: say('answer.taste.tangy'),
    sharp: say('answer.taste.sharp'),
  },
  texture: {
    smooth: say('answer.texture.smooth'),
    grainy: say('answer.texture.grainy'),
    stringy: say('answer.texture.stringy'),
  },
  wash: {
    milky: say('answer.wash.milky'),
    cloudy: say('answer.wash.cloudy'),
    clear: say('answer.wash.clear'),
  },
  whey: {
    none: say('answer.whey.none'),
    'a-film': say('answer.whey.aFilm'),
    'a-pool': say('answer.whey.aPool'),
  },
};

/**
 * The id of an answer as it stands in a log: "leaves-the-wall". Logs that were written before answers had ids hold its English
 * words, "leaves the wall"; a log is never rewritten, so they are read as the ids they became.
 */
export const answerId = (written: string): string => written.replaceAll(' ', '-');

/** What an answer to a look is called; one that no look has stands as it was written. */
export const answerWords = (cue: string, written: string): Text => ANSWERS[cue]?.[answerId(written)] ?? written;
