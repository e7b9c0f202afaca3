import {
  type Asked,
  DIRECTIONS,
  type Direction,
  type EarTrial,
  type ExerciseKind,
  hearingOf,
  REGISTERS,
  STAIRCASE,
  type Staircase,
  stepped,
  TIMBRES,
} from '../ear/index.ts';
import { between, nth, type Random } from '../maths/index.ts';
import { shiftHz } from '../music/index.ts';
import {
  type EarNote,
  SECOND_AT,
  SECOND_CHORD_AT,
  STRUM_HEARD,
  strummed,
  twoNotes,
} from '../practice/index.ts';
import type { Cents, Hz, Seconds } from '../units.ts';
import {
  allAsked,
  askedLeast,
  type ExerciseEffect,
  type ExerciseWorld,
  over,
  still,
} from './exercise.ts';
import type { Next } from './machine.ts';

/** A chord that questions are asked of: its name, what its strings sound, and what they would sound pure. */
export interface EarChord {
  readonly name: string;
  /** Course 1 first. */
  readonly hz: readonly Hz[];
  /** From equal temperament, to beat as little as can be; course 1 first. */
  readonly pure: readonly Cents[];
}

export interface EarQuestion {
  readonly cell: string;
  /** How far the second note lies above the first, or a string above its note. */
  readonly asked: Cents;
  readonly notes: readonly EarNote[];
  /** Nobody can answer it sooner. */
  readonly heardAfter: Seconds;
  /** The string that is out, or which of two chords is pure. */
  readonly which: number | null;
  /** Of so many answers one is right; null where a direction is asked. */
  readonly among: number | null;
}

/** Questions and answers of one exercise, as they stand. */
export interface AskingTalk {
  readonly trials: readonly EarTrial[];
  readonly question: EarQuestion | null;
  /** Nothing was asked yet; a question sounds or has sounded; it was answered. */
  readonly phase: 'resting' | 'asked' | 'told' | 'over';
  /** When the question began to sound, by a clock that never jumps; null before it has. */
  readonly soundedAt: number | null;
  /** The string that was picked, before it is said which way it is out. */
  readonly picked: number | null;
  /** An answer came before the second note could be heard. */
  readonly tooQuick: boolean;
  readonly stairs: Staircase | null;
}

export type AskingInput =
  | { readonly type: 'ask' }
  | { readonly type: 'again' }
  /** The question has begun to sound. */
  | { readonly type: 'sounds' }
  | { readonly type: 'answer'; readonly answer: Direction }
  | { readonly type: 'pick'; readonly which: number }
  | { readonly type: 'hands'; readonly hands: Readonly<Record<string, number>> }
  | { readonly type: 'end' };

export interface AskingWorld extends ExerciseWorld {
  readonly exercise: Asked;
  /** What the same ear answered before, newest last. */
  readonly before: readonly EarTrial[];
  readonly chord: EarChord;
}

/** So many answers of other days tell what to ask first. */
const REMEMBERED = 60;

export function startAsking(staircase: boolean): AskingTalk {
  return {
    trials: [],
    question: null,
    phase: 'resting',
    soundedAt: null,
    picked: null,
    tooQuick: false,
    stairs: staircase ? STAIRCASE : null,
  };
}

/** Asks, hears the answer, keeps it, and asks on. */
export function askingTalk(
  talk: AskingTalk,
  input: AskingInput,
  world: AskingWorld,
): Next<AskingTalk, ExerciseEffect> {
  const { question, phase } = talk;
  switch (input.type) {
    case 'ask':
      return phase === 'asked' || phase === 'over' ? still(talk) : asks(talk, world);
    case 'again':
      if (!question) return still(talk);
      return { state: talk, effects: [{ type: 'sound', notes: question.notes }] };
    case 'sounds':
      // Heard once it can be answered: what sounds again changes nothing of that.
      return still(
        phase === 'asked' && talk.soundedAt === null ? { ...talk, soundedAt: world.clock } : talk,
      );
    case 'end':
      return over(talk);
    default:
      return question && phase === 'asked' ? answered(talk, question, input, world) : still(talk);
  }
}

function asks(talk: AskingTalk, world: AskingWorld): Next<AskingTalk, ExerciseEffect> {
  if (allAsked(talk, world)) return over(talk);
  const question = MAKERS[world.exercise](talk, world);
  return {
    state: {
      ...talk,
      question,
      phase: 'asked',
      soundedAt: null,
      picked: null,
      tooQuick: false,
    },
    effects: [{ type: 'sound', notes: question.notes }],
  };
}

function answered(
  talk: AskingTalk,
  question: EarQuestion,
  input: Extract<AskingInput, { type: 'answer' | 'pick' | 'hands' }>,
  { exercise, now, clock }: AskingWorld,
): Next<AskingTalk, ExerciseEffect> {
  // Given before the second note began: nothing was heard that it could answer.
  const took = clock - (talk.soundedAt ?? clock) - 1000 * question.heardAfter;
  if (talk.soundedAt === null || took < 0) return still({ ...talk, tooQuick: true });
  if (exercise === 'string' && input.type === 'pick')
    return still({ ...talk, picked: input.which, tooQuick: false });
  const said = saidTo(exercise, question, talk.picked, input);
  if (!said) return still(talk);
  const { cell, asked, among } = question;
  const trial: EarTrial = {
    at: now,
    cell,
    asked,
    tookMs: took,
    ...(among !== null && { among }),
    ...said,
  };
  const right = said.answer === 'right' || said.answer === (asked < 0 ? 'lower' : 'higher');
  return {
    state: {
      ...talk,
      trials: [...talk.trials, trial],
      phase: 'told',
      tooQuick: false,
      stairs: talk.stairs && stepped(talk.stairs, right),
    },
    effects: [{ type: 'keep', trial }],
  };
}

/** What an input answers to a question; null where it answers another kind of question. */
function saidTo(
  exercise: Asked,
  { which, asked }: EarQuestion,
  picked: number | null,
  input: Extract<AskingInput, { type: 'answer' | 'pick' | 'hands' }>,
): Pick<EarTrial, 'answer' | 'hands'> | null {
  if (input.type === 'hands') return exercise === 'class' ? { hands: input.hands } : null;
  switch (exercise) {
    case 'direction':
      return input.type === 'answer' ? { answer: input.answer } : null;
    case 'string': {
      if (input.type !== 'answer' || picked === null) return null;
      const right = picked === which && input.answer === (asked < 0 ? 'lower' : 'higher');
      return { answer: right ? 'right' : 'wrong' };
    }
    case 'pure':
      return input.type === 'pick' ? { answer: input.which === which ? 'right' : 'wrong' } : null;
    case 'class':
      return null;
  }
}

type Maker = (talk: AskingTalk, world: AskingWorld) => EarQuestion;

const MAKERS: Readonly<Record<Asked, Maker>> = {
  direction: higherOrLower,
  class: higherOrLower,
  string: whichString,
  pure: whichChord,
};

const CELLS = REGISTERS.flatMap((register) =>
  TIMBRES.map((timbre) => ({ register, timbre, cell: `${register} ${timbre}` })),
);

function higherOrLower(talk: AskingTalk, world: AskingWorld): EarQuestion {
  const { random } = world;
  const { register, timbre, cell } = askedLeast(CELLS, talk.trials, random);
  const cents = stepOf(talk, random) ?? howMuch(cell, talk, world);
  const notes = twoNotes(register, timbre, cents, random);
  return { cell, asked: cents, notes, heardAfter: SECOND_AT, which: null, among: null };
}

function whichString(talk: AskingTalk, world: AskingWorld): EarQuestion {
  const { chord, random } = world;
  const which = 1 + Math.floor(random() * chord.hz.length);
  const cell = `string ${which}`;
  const asked = stepOf(talk, random) ?? howMuch(cell, talk, world);
  const hz = chord.hz.map((one, i) => (i === which - 1 ? shiftHz(one, asked) : one));
  const notes = strummed(hz, random);
  return { cell, asked, notes, heardAfter: STRUM_HEARD, which, among: amongOf(world) };
}

/** One chord pure, the other one equal, or nearer to equal the finer somebody hears. */
function whichChord(talk: AskingTalk, world: AskingWorld): EarQuestion {
  const { chord, random } = world;
  const widest = Math.max(...chord.pure.map(Math.abs));
  const wanted = Math.abs(stepOf(talk, random) ?? howMuch(chord.name, talk, world));
  // Beyond equal temperament there is nothing to hear that is found in music.
  const asked = Math.min(widest, wanted);
  const which = random() < 0.5 ? 1 : 2;
  const pure = chord.hz.map((hz, i) => shiftHz(hz, nth(chord.pure, i)));
  const other = pure.map((hz, i) => shiftHz(hz, (-asked / widest) * nth(chord.pure, i)));
  const [first, second] = which === 1 ? [pure, other] : [other, pure];
  const notes = [...strummed(first, random), ...strummed(second, random, SECOND_CHORD_AT)];
  const heardAfter = SECOND_CHORD_AT + STRUM_HEARD;
  return { cell: chord.name, asked, notes, heardAfter, which, among: amongOf(world) };
}

function stepOf({ stairs }: AskingTalk, random: Random): Cents | null {
  return stairs && stairs.cents * (between(random, -1, 1) < 0 ? -1 : 1);
}

/** The difference that tells most, from the answers of today and of other days. */
function howMuch(cell: string, { trials }: AskingTalk, world: AskingWorld): Cents {
  const known = [...world.before.slice(-REMEMBERED), ...trials];
  return hearingOf(world.exercise, known, amongOf(world)).next(cell, world.random);
}

/** Of so many answers one is right: every string either way, two chords, or three directions. */
export function amongOf({ exercise, chord }: Pick<AskingWorld, 'exercise' | 'chord'>): number {
  if (exercise === 'string') return 2 * chord.hz.length;
  return exercise === 'pure' ? 2 : DIRECTIONS.length;
}

/** Exercises that ask questions. */
export function isAsked(exercise: ExerciseKind): exercise is Asked {
  return exercise in MAKERS;
}
