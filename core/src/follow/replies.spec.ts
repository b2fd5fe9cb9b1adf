import type { Entry, EntryBody } from '../batch/entry.js';
import { replay } from '../batch/replay.js';
import { bind, STAGE_KIND_NAMES } from '../stages/registry.js';
import type { Message } from '../messages/message.js';
import { follow } from './follow.js';
import { replyToLook } from './reply-to-look.js';
import type { Heard, Reply } from './reply.js';

const T0 = Date.UTC(2026, 4, 2, 8);
const OPTIONS = { members: 120, seed: 1, fanPoints: 6 };
let made = 0;

type Line = readonly [atMin: number, body: EntryBody, source?: string];
const entry = ([atMin, body, source = 'hand']: Line): Entry => ({
  id: String(++made).padStart(26, '0'),
  batchId: '01J00000000000000000000000',
  atMs: T0 + atMin * 60_000,
  source,
  body,
});
const start: Line = [0, { type: 'started', methodId: 'strained-yogurt', choices: {}, name: 'Pot' }];
const step = (atMin: number, stageId: string): Line => [atMin, { type: 'step', stageId }];
const read = (atMin: number, quantity: 'ph' | 'tempC' | 'wheyG', value: number): Line => [
  atMin,
  { type: 'reading', quantity, value, by: quantity === 'ph' ? 'meter' : 'thermometer' },
];
const look = (atMin: number, cue: string, answer: string): Line => [atMin, { type: 'cue', cue, answer }];
const HEATED = [start, step(9, 'heat')];
const COOLING = [...HEATED, step(31, 'hold'), step(46, 'cool')];
const WARM = [...COOLING, step(65, 'starter'), step(71, 'warm')];

const repliesTo = (untilMin: number, lines: readonly Line[]): readonly Reply[] =>
  follow(replay(lines.map(entry))!, T0 + untilMin * 60_000, OPTIONS).replies;
/** What is said to the last of some lines, a moment after it. */
const reply = (...lines: readonly Line[]) => {
  const last = repliesTo(lines.at(-1)![0] + 0.5, lines).at(-1)!;
  return { says: last.says as Message, tone: last.tone, key: (last.says as Message).key };
};

describe('the answer to a temperature', () => {
  it('says a degree over does no harm where the starter lives far above it, and up to where it lives', () => {
    const said = reply(...WARM, read(130, 'tempC', 44.2));
    expect(said.key).toBe('reply.warmth.overFaster');
    expect(said.tone).toBe('good');
    expect(said.says.values!['lives']).toEqual(jasmine.objectContaining({ tempC: 51 }));
  });

  it('parts what slows, what stops and what kills a starter, at their edges', () => {
    const tone = (tempC: number) => reply(...WARM, read(130, 'tempC', tempC));
    expect(tone(50.9).key).toBe('reply.warmth.overSlower');
    expect(tone(51).key).toBe('reply.warmth.stops');
    expect(tone(53.9).key).toBe('reply.warmth.stops');
    expect(tone(54).key).toBe('reply.warmth.dies');
    expect(tone(54).tone).toBe('bad');
    expect(tone(14.1).key).toBe('reply.warmth.underMuch');
    expect(tone(14).key).toBe('reply.warmth.rests');
  });

  it('says when the starter may go in', () => {
    const key = (tempC: number) => reply(...COOLING, read(56, 'tempC', tempC)).key;
    expect(key(51)).toBe('reply.warmth.tooWarmForStarter');
    expect(key(48)).toBe('reply.warmth.starterBears');
    expect(key(44)).toBe('reply.warmth.starterIn');
    expect(key(34)).toBe('reply.warmth.starterSlow');
  });

  it('counts down to what is wanted, and past it asks the engine what comes of it', () => {
    const said = (tempC: number) => reply(...HEATED, read(22, 'tempC', tempC));
    expect(said(60).key).toBe('reply.warmth.toGo');
    expect(said(60).says.values!['left']).toEqual(jasmine.objectContaining({ byC: 25 }));
    expect(said(85).key).toBe('reply.warmth.there');
    expect(reply(...WARM, step(300, 'chill'), step(900, 'strain'), read(960, 'tempC', 45)).key).toBe(
      'reply.warmth.farOff',
    );
    expect(said(93).key).toMatch(/^reply\.warmth\.over(Felt|Unfelt)$/);
  });
});

describe('the answer to an acidity', () => {
  it('says how far it is, when it is likely there, and when it is past', () => {
    const at = (ph: number) => reply(...WARM, read(300, 'ph', ph));
    expect(at(4.9).key).toBe('reply.acidity.toGoUntil');
    expect(at(4.9).says.values!['at']).toBeDefined();
    expect(at(4.52).key).toBe('reply.acidity.toGoSafe');
    expect(at(4.45).key).toBe('reply.acidity.there');
    expect(at(4.2).tone).toBe('watch');
  });

  it('calls nothing guarded that only a strip shows close to the line, at its edges', () => {
    const strip = (value: number) => reply(...WARM, [300, { type: 'reading', quantity: 'ph', value, by: 'strip' }]).key;
    const byClock = { ...start[1], choices: { warmUntil: 'hours', warmH: 8 } } as EntryBody;
    const clock = (value: number, by: 'meter' | 'strip') =>
      reply([0, byClock], ...WARM.slice(1), [420, { type: 'reading', quantity: 'ph', value, by }]).key;
    expect(strip(4.55)).not.toBe('reply.acidity.toGoSafe');
    expect(clock(4.6, 'meter')).toBe('reply.acidity.guarded');
    expect(clock(4.6, 'strip')).toBe('reply.acidity.nearly');
    expect(clock(4.31, 'strip')).toBe('reply.acidity.nearly');
    expect(clock(4.3, 'strip')).toBe('reply.acidity.guarded');
  });

  it('says nothing good of what is to be thrown away', () => {
    const lines = [...WARM, read(1500, 'tempC', 43)];
    const now = follow(replay(lines.map(entry))!, T0 + 1501 * 60_000, OPTIONS);
    expect(now.findings[0]!.level).toBe('discard');
    expect(now.replies.filter((r) => r.tone === 'good')).toEqual([]);
  });

  it('names milk that has begun to turn', () => {
    expect(reply(start, read(4, 'ph', 6.68)).key).toBe('reply.acidity.sweet');
    expect(reply(start, read(4, 'ph', 6.3)).key).toBe('reply.acidity.turning');
  });

  it('says of a reading that contradicts all the rest that it counts for nothing', () => {
    const lines = [...WARM, read(180, 'ph', 6.4), read(200, 'ph', 3.8), read(210, 'ph', 6.32), read(220, 'ph', 6.28)];
    const said = repliesTo(221, lines).map((r) => (r.says as Message).key);
    expect(said[1]).toBe('reply.doubtful');
    expect(said[2]).not.toBe('reply.doubtful');
  });
});

describe('the answer to a look', () => {
  it('knows whether souring is where a usual starter has it by now', () => {
    expect(reply(...WARM, look(130, 'set', 'liquid')).key).toBe('reply.souring.asPlanned');
    expect(reply(...WARM, look(420, 'set', 'liquid')).key).toBe('reply.souring.behind');
    expect(reply(...WARM, look(200, 'set', 'wobbles')).key).toBe('reply.souring.ahead');
  });

  it('has something to say to every answer of every look that any kind of stage asks', () => {
    const souring = {
      ph: 5,
      native: { betaLgA: 0, betaLgB: 0 },
      curd: { clotted: 0 },
      souring: { culture: 'clabber' },
    };
    for (const name of STAGE_KIND_NAMES) {
      const { kind } = bind({ id: name, kind: name, params: {} });
      const heard = {
        at: { stage: { kind, params: kind.defaults } },
        here: souring,
        planned: souring,
      } as unknown as Heard;
      for (const { cue, answers } of kind.cues)
        for (const answer of answers)
          expect(replyToLook(cue, answer, heard))
            .withContext(`${kind.kind} ${cue} ${answer}`)
            .not.toBeNull();
    }
  });

  it('takes a hand for a thermometer, against what is planned or wanted then', () => {
    const wrapped = follow(
      replay([{ ...entry(start), body: { ...start[1], choices: { keeper: 'wrapped' } } as EntryBody }])!,
      T0,
      OPTIONS,
    );
    expect(wrapped.tasks.find((t) => t.stageId === 'warm')!.cues.map((c) => c.cue)).toContain('hand');
    const keys = (...answers: string[]) => answers.map((answer) => reply(...WARM, look(130, 'hand', answer)).key);
    expect(keys('lukewarm', 'warm', 'hot')).toEqual(['reply.hand.tooCool', 'reply.hand.right', 'reply.hand.tooWarm']);
    expect(reply(...COOLING, look(56, 'hand', 'hot')).key).toBe('reply.hand.tooWarm');
  });

  it('takes yeast for what it is: right in grains and clabber, strange in yogurt', () => {
    expect(reply(...WARM, look(300, 'smell', 'yeasty')).tone).toBe('watch');
    const clabber = { here: { souring: { culture: 'clabber' } }, at: { stage: { kind: { cues: [] } } } };
    expect(replyToLook('smell', 'yeasty', clabber as unknown as Heard)!.tone).toBe('good');
  });
});

describe('which lines are answered', () => {
  it('those of hands as they stand now; not those of instruments, nor what was taken back', () => {
    const wrong = entry(read(130, 'tempC', 56));
    const entries = [
      ...WARM.map(entry),
      wrong,
      entry([140, { type: 'reading', quantity: 'tempC', value: 43, by: 'thermometer' }, 'probe-1']),
    ];
    const correct = (body: EntryBody | null): Entry =>
      entry([141, { type: 'correction', replaces: wrong.id, body } as EntryBody]);
    const said = (more: Entry[]) => follow(replay([...entries, ...more])!, T0 + 142 * 60_000, OPTIONS).replies;
    expect(said([]).map((r) => r.entryId)).toEqual([wrong.id]);
    expect(said([correct(null)])).toEqual([]);
    const put = said([correct({ type: 'reading', quantity: 'tempC', value: 43.1, by: 'thermometer' })]);
    expect(put.map((r) => [r.entryId, r.tone])).toEqual([[wrong.id, 'good']]);
  });
});
