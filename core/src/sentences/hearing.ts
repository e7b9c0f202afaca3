import type {
  EarProgress,
  EarRun,
  ExerciseKind,
  Heard,
  NextPractice,
  Noticed,
  Sung,
} from '../ear/index.ts';
import {
  list,
  type Message,
  message,
  type Sentence,
  signed,
  type Text,
  type Value,
} from '../message.ts';
import { findTuning } from '../music/index.ts';
import type { Cents } from '../units.ts';
import { durationInWords } from './figures.ts';

/** What each exercise is called. */
export function exerciseName(exercise: ExerciseKind): Message {
  return message('ear.exercise', { exercise });
}

/** What is done in it. */
export function exerciseTask(exercise: ExerciseKind): Message {
  return message('ear.task', { exercise });
}

const CELLS = {
  'low pluck': 'lowPluck',
  'middle pluck': 'middlePluck',
  'high pluck': 'highPluck',
  'low tone': 'lowTone',
  'middle tone': 'middleTone',
  'high tone': 'highTone',
  unison: 'unison',
  octave: 'octave',
  fretted: 'fretted',
  harmonics: 'harmonics',
  count: 'count',
  stop: 'stop',
} as const;

/** A string, or a fret of one, as records name it. */
const ON_A_STRING = /^string (\d+)(?: at fret (\d+))?$/;

/** Where something was heard; what no Rosefinch wrote by its own name. @example cellInWords('low pluck') // ‘low strings, plucked’ */
export function cellInWords(cell: string): Value {
  const known = (CELLS as Readonly<Record<string, (typeof CELLS)[keyof typeof CELLS]>>)[cell];
  if (known !== undefined) return message('ear.cell', { cell: known });
  const [, string, fret] = ON_A_STRING.exec(cell) ?? [];
  if (string === undefined) return findTuning(cell)?.name ?? cell;
  return fret === undefined
    ? message('common.string', { string: Number(string) })
    : message('ear.stringAtFret', { string: Number(string), fret: Number(fret) });
}

const CELL_NAMES = {
  low: 'low',
  middle: 'middle',
  high: 'high',
  unison: 'unison',
  octave: 'octave',
  fretted: 'fretted',
  harmonics: 'harmonics',
  count: 'count',
  stop: 'stop',
  string: 'string',
} as const;

/** The same in little room, in two parts: a name, and what tells it from others of that name. */
export function cellInShort(cell: string): readonly [name: Value, small: Value] {
  const [name = '', rest = ''] = cell.split(' ');
  const known = (CELL_NAMES as Readonly<Record<string, keyof typeof CELL_NAMES>>)[name];
  return [
    known === undefined ? name : message('ear.cellShort', { cell: known }),
    rest === 'pluck' || rest === 'tone' ? message('ear.timbre', { timbre: rest }) : rest,
  ];
}

/** What an ear can hear by now, and how sure that is. */
export function heardInWords({ noticed, without, answers }: Heard): Message {
  if (noticed) return message('ear.notices', { noticed: noticedInWords(noticed) });
  switch (without) {
    case 'guessing':
      return message('ear.guessing');
    case 'too small':
      return message('ear.tooSmall');
    default:
      return message('ear.tooFew', { answers });
  }
}

/** What an exercise has come to by now. */
export function comesToInWords({ heard, points, minutes, seconds }: EarProgress): Text {
  const latest = points.at(-1);
  const off = latest
    ? seconds === null || minutes.length > 0
      ? message('ear.usuallyOff', { noticed: noticedInWords(latest) })
      : message('ear.usuallyOffIn', {
          noticed: noticedInWords(latest),
          seconds: Math.round(seconds),
        })
    : message('ear.noFigure');
  const took =
    minutes.length === 0
      ? []
      : [
          message('ear.took', {
            times: list(minutes.map((one) => durationInWords(60 * one.minutes))),
          }),
        ];
  return [heard ? heardInWords(heard) : off, ...took];
}

/** @example noticedInWords({ cents: 12.3, low: 9, high: 17 }) // ‘12 cents (9 to 17)’ */
export function noticedInWords({ cents, low, high }: Noticed): Message {
  return message('ear.noticed', { cents: inShort(cents), low: inShort(low), high: inShort(high) });
}

/** Cents to as many digits as can be told. */
export function inShort(cents: Cents): Message {
  return cents < 9.95 ? message('parts.tenths', { cents }) : message('parts.whole', { cents });
}

/** What the classic staircase has come to, beside the figure of all answers. */
export function staircaseInWords(cents: Cents): Message {
  return message('ear.staircase', { cents: inShort(cents) });
}

/** What to practise next, and why. */
export function nextInWords({ exercise, cell, why, days }: NextPractice): Sentence {
  return {
    say:
      cell === null
        ? message('ear.next', { exercise })
        : message('ear.nextCell', { exercise, cell: cellInWords(cell) }),
    more:
      why === 'due'
        ? days === null || days < 1
          ? message('ear.fadesToday')
          : message('ear.fades', { days: Math.round(days) })
        : why === 'new'
          ? message('ear.neverDone')
          : message('ear.mostToGain'),
  };
}

/** Nothing is listened to, and something is to be heard. */
export const CHOOSE_SOURCE: Sentence = {
  say: message('ear.chooseMicrophone'),
  more: message('ear.chooseMicrophone.more'),
};

/** An exercise is over, and nothing more is to be said of it. */
export const EXERCISE_OVER: Sentence = {
  say: message('ear.over'),
  more: message('ear.over.more'),
};

/** What an exercise is, before it is begun. */
export function beginInWords(exercise: ExerciseKind): Sentence {
  return {
    say: exerciseTask(exercise),
    more: message('ear.begin.more'),
  };
}

/** While nothing can be answered yet. */
export const LISTEN_FIRST: Sentence = {
  say: message('ear.listen'),
  more: message('ear.listen.more'),
};

/** What is to be answered now. */
export function questionInWords(
  exercise: ExerciseKind,
  {
    heard,
    picked,
    tooQuick,
  }: { readonly heard: boolean; readonly picked: number | null; readonly tooQuick: boolean },
): Sentence {
  if (!heard)
    return tooQuick
      ? {
          say: message('ear.hearFirst'),
          more: message('ear.hearFirst.more'),
        }
      : LISTEN_FIRST;
  switch (exercise) {
    case 'string':
      return picked === null
        ? {
            say: message('ear.whichString'),
            more: message('ear.whichString.more'),
          }
        : {
            say: message('ear.stringLowerOrHigher', { string: picked }),
            more: message('ear.stringLowerOrHigher.more'),
          };
    case 'pure':
      return {
        say: message('ear.whichPure'),
        more: message('ear.whichPure.more'),
      };
    case 'class':
      return {
        say: message('ear.whoHeard'),
        more: message('ear.whoHeard.more'),
      };
    default:
      return {
        say: message('ear.lowerOrHigher'),
        more: message('ear.lowerOrHigher.more'),
      };
  }
}

/** What the answer was worth. */
export function toldInWords(
  exercise: ExerciseKind,
  {
    asked,
    answer,
    which,
  }: { readonly asked: Cents; readonly answer: string; readonly which: number | null },
): Sentence {
  const cents = inShort(Math.abs(asked));
  const verdict = answer === 'right' ? 'right' : 'wrong';
  const more = message('ear.told.more');
  if (exercise === 'pure')
    return {
      say:
        which === 1
          ? message('ear.toldFirstPure', { verdict, cents })
          : message('ear.toldSecondPure', { verdict, cents }),
      more,
    };
  if (exercise === 'string')
    return {
      say:
        asked < 0
          ? message('ear.toldStringLow', { verdict, string: which ?? 0, cents })
          : message('ear.toldStringHigh', { verdict, string: which ?? 0, cents }),
      more,
    };
  // “The same” is neither right nor wrong, and a class has answered both ways.
  const way = asked < 0 ? 'lower' : 'higher';
  const open = answer === 'same' || answer === '';
  const judged = answer === way ? 'right' : open ? 'open' : 'wrong';
  return {
    say:
      way === 'lower'
        ? message('ear.toldLower', { verdict: judged, cents })
        : message('ear.toldHigher', { verdict: judged, cents }),
    more,
  };
}

/** How a turned string was left. */
export function matchedInWords(off: Cents, from: Cents, seconds: number, turns: number): Sentence {
  return {
    say: message('ear.matched', { side: off < 0 ? 'low' : 'high', cents: inShort(Math.abs(off)) }),
    more: message('ear.matched.more', { from: signed(from), seconds: Math.round(seconds), turns }),
  };
}

/** What is to be turned until what agrees. */
export function pairTaskInWords(reference: Value, own: Value): Sentence {
  return {
    say: message('ear.turnUntil', { own, reference }),
    more: message('ear.turnUntil.more'),
  };
}

/** What is to be done with a beat. */
export function beatTaskInWords(cell: string, taps: number, rate: number | null): Sentence {
  if (cell === 'stop')
    return {
      say: message('ear.beatStop'),
      more: message('ear.beatStop.more'),
    };
  if (rate === null)
    return {
      say: message('ear.beatTap'),
      more: message('ear.beatTap.more', { taps }),
    };
  return {
    say: message('ear.beatRate', { rate }),
    more: message('ear.beatRate.more'),
  };
}

/** How a beat was counted or called. */
export function beatToldInWords(
  cell: string,
  asked: Cents,
  off: Cents,
  rate: number | null,
  trueRate: number,
): Sentence {
  const goesOn = message('ear.enterGoesOn');
  if (cell === 'stop')
    return {
      say: message('ear.beatCalled', { cents: inShort(Math.abs(off)) }),
      more: goesOn,
    };
  return {
    say: message('ear.beatCounted', { counted: rate ?? 0, rate: trueRate }),
    more: [
      message('ear.beatCounted.more', {
        counted: inShort(Math.abs(asked) + off),
        cents: inShort(Math.abs(asked)),
      }),
      goesOn,
    ],
  };
}

/** What to sing, or what is missing for it. */
export function singTaskInWords(listens: boolean, out: boolean): Sentence {
  if (listens && out)
    return {
      say: message('ear.singOut'),
      more: message('ear.singOut.more'),
    };
  return listens
    ? {
        say: message('ear.sing'),
        more: message('ear.sing.more'),
      }
    : {
        say: message('ear.chooseMicrophone'),
        more: message('ear.voiceNotKept'),
      };
}

/** What a string was that was sung as it is: the voice names the way. */
export function sungStringInWords({ cents }: Sung, course: number, out: Cents): Sentence {
  const side = out < 0 ? 'low' : 'high';
  const right = Math.sign(cents) === Math.sign(out);
  const figures = { side, sung: inShort(Math.abs(cents)), out: inShort(Math.abs(out)) } as const;
  return {
    say: right
      ? message('ear.sungRight', { side, string: course })
      : message('ear.sungString', { side, string: course }),
    more: cents < 0 ? message('ear.sungBelow', figures) : message('ear.sungAbove', figures),
  };
}

/** Nearer than this a voice is there: no voice stands still closer. */
const THERE: Cents = 20;

/** What was sung, against the note. */
export function sungInWords({ cents, octaves, errorCents }: Sung): Sentence {
  const octave =
    octaves === 0
      ? []
      : [
          message('ear.sungOctave', {
            way: octaves < 0 ? 'lower' : 'higher',
            octaves: Math.abs(octaves),
          }),
        ];
  const more = [message('ear.sung.more', { cents: signed(cents), error: errorCents }), ...octave];
  if (Math.abs(cents) <= THERE) return { say: message('ear.sungThere'), more };
  return { say: cents < 0 ? message('ear.singHigher') : message('ear.singLower'), more };
}

type Aid = NonNullable<EarRun['aid']>;

/** By what a whole instrument is brought back. */
export function aidInWords(aid: Aid): Message {
  return message('ear.aid', { aid });
}

/** What that aid gives. */
export function aidGives(aid: Aid): Message {
  return message('ear.aidGives', { aid });
}

interface Restoring {
  readonly phase: 'resting' | 'out' | 'tuning' | 'reading' | 'told' | 'over';
  readonly notice: 'too near' | 'too far' | 'not heard' | null;
  readonly course: number | null;
  readonly aid: NonNullable<EarRun['aid']>;
  readonly tones: readonly number[];
}

const NOT_TAKEN = {
  'too near': 'near',
  'too far': 'far',
  'not heard': 'unheard',
} as const;

/** What is to be done with a whole instrument now. */
export function restoringInWords({ phase, notice, course, aid, tones }: Restoring): Sentence {
  const string = course ?? 0;
  const why = notice ? message('ear.notTaken', { why: NOT_TAKEN[notice] }) : null;
  switch (phase) {
    case 'resting':
      return { say: message('ear.chooseHelp'), more: aidGives(aid) };
    case 'out':
      return {
        say: message('ear.putOut', { string }),
        more: why ?? message('ear.putOut.more'),
      };
    case 'tuning':
      return {
        say: aid === 'display' ? message('ear.bringBackShown') : message('ear.bringBack'),
        more: [
          ...(tones.length > 0 ? [message('ear.toneByNumber', { strings: list(tones) })] : []),
          message('ear.enterWhenDone'),
        ],
      };
    case 'reading':
      return { say: message('ear.pluckString', { string }), more: why ?? message('ear.eachOnce') };
    case 'told':
      return { say: message('ear.thereItIs'), more: message('ear.putsOutAgain') };
    case 'over':
      return EXERCISE_OVER;
  }
}

/** How a whole instrument was left. */
export function restoredInWords(left: readonly Cents[], tookMs: number, first: boolean): Sentence {
  const rms = Math.sqrt(left.reduce((sum, one) => sum + one * one, 0) / Math.max(1, left.length));
  const worst = Math.max(...left.map(Math.abs));
  return {
    say: message('ear.restored', { cents: inShort(worst), time: durationInWords(tookMs / 1000) }),
    more: [
      message('ear.restored.more', { cents: inShort(rms) }),
      ...(first ? [message('ear.firstTuning')] : []),
      message('ear.putsOutAgain'),
    ],
  };
}

interface Touching {
  readonly phase: 'resting' | 'holding' | 'told' | 'over';
  readonly notice: 'another note' | 'not heard' | null;
  readonly place: Message;
  readonly left: number;
}

/** What is to be held now. */
export function touchingInWords({ phase, notice, place, left }: Touching): Sentence {
  if (phase === 'over') return EXERCISE_OVER;
  if (phase === 'resting')
    return { say: message('ear.hold', { place }), more: message('ear.enterBegins') };
  const why =
    notice === 'another note'
      ? message('ear.anotherNote')
      : notice === 'not heard'
        ? message('ear.notHeardOnce')
        : message('ear.letGo');
  return { say: message('ear.plucksLeft', { place, left }), more: why };
}

/** How evenly and how lightly a fret was held. */
export function evennessInWords(scatter: Cents, aboveLightest: Cents): Sentence {
  return {
    say: message('ear.evenness', { scatter: inShort(scatter), above: inShort(aboveLightest) }),
    more: message('ear.evenness.more'),
  };
}
