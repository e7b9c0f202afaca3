import type {
  EarProgress,
  EarRun,
  ExerciseKind,
  Heard,
  NextPractice,
  Noticed,
  Sung,
} from '../ear/index.ts';
import type { Cents } from '../units.ts';
import { fixed } from '../writing.ts';
import { counted, durationInWords, signedCents } from './figures.ts';
import { capital, type Sentence } from './sentence.ts';

/** What each exercise is called, and what is done in it. */
export const EXERCISE_WORDS: Readonly<Record<ExerciseKind, Sentence>> = {
  direction: {
    say: 'Higher or lower?',
    more: 'Two notes: say whether the second one was lower, the same or higher.',
  },
  match: {
    say: 'Match it',
    more: 'Turn a practice peg until two strings agree, then see what you left.',
  },
  beats: {
    say: 'Beats',
    more: 'Tap a beat to count it, or say when one that slows down stands still.',
  },
  string: {
    say: 'Which string is out?',
    more: 'A strummed chord with one string off: say which string, and which way.',
  },
  pure: {
    say: 'Pure or equal?',
    more: 'Two chords, one of them pure: say which.',
  },
  sing: {
    say: 'Sing it',
    more: 'Hear a note and sing or hum it: you are told above, below or there.',
  },
  whole: {
    say: 'The whole instrument',
    more: 'Put it out of tune and bring it back, with less and less help.',
  },
  touch: {
    say: 'Touch',
    more: 'The same fret ten times: how evenly, and how lightly, it is held.',
  },
  class: {
    say: 'A question to the class',
    more: 'Play a question to the room and count the hands.',
  },
};

/** Where something was heard. @example cellInWords('low pluck') // => 'low strings, plucked' */
export function cellInWords(cell: string): string {
  const [register, timbre] = cell.split(' ');
  if (timbre === 'pluck') return `${register} strings, plucked`;
  if (timbre === 'tone') return `${register} tones`;
  return CELLS[cell] ?? cell;
}

const CELLS: Readonly<Record<string, string>> = {
  unison: 'unisons',
  octave: 'octaves',
  fretted: 'fretted against open',
  harmonics: 'harmonics',
  count: 'counting',
  stop: 'standing still',
};

/** What an ear can hear by now, and how sure that is. */
export function heardInWords({ noticed, without, answers }: Heard): string {
  if (noticed) return `Notices ${noticedInWords(noticed)}, three times in four.`;
  switch (without) {
    case 'guessing':
      return 'The answers do not depend on what sounded: guessing, so no figure.';
    case 'too small':
      return 'The largest difference there is was still too small to hear: no figure.';
    default:
      return `${counted(answers, 'answer')} so far: too few for a figure.`;
  }
}

/** What an exercise has come to by now. */
export function comesToInWords({ heard, points, minutes, seconds }: EarProgress): string {
  const latest = points.at(-1);
  const within =
    seconds === null || minutes.length > 0 ? '' : `, in ${counted(Math.round(seconds), 'second')}`;
  const off = latest
    ? `Usually off by ${noticedInWords(latest)}${within}.`
    : 'Too few for a figure.';
  const took = minutes.map((one) => durationInWords(60 * one.minutes)).join(', ');
  return `${heard ? heardInWords(heard) : off}${took === '' ? '' : ` It took ${took}.`}`;
}

/** @example noticedInWords({ cents: 12.3, low: 9, high: 17 }) // => '12 cents (9 to 17)' */
export function noticedInWords({ cents, low, high }: Noticed): string {
  return `${inShort(cents)} cents (${inShort(low)} to ${inShort(high)})`;
}

/** Cents to as many digits as can be told. */
export function inShort(cents: Cents): string {
  return cents < 9.95 ? fixed(cents, 1) : fixed(cents);
}

/** What the classic staircase has come to, beside the figure of all answers. */
export function staircaseInWords(cents: Cents): string {
  return `the staircase says ${inShort(cents)} cents`;
}

/** What to practise next, and why. */
export function nextInWords({ exercise, cell, why, days }: NextPractice): Sentence {
  const what = EXERCISE_WORDS[exercise].say.replace(/\?$/, '');
  const where = cell === null ? '' : `, ${cellInWords(cell)}`;
  const ago = days === null ? '' : days < 1 ? 'today' : `${counted(Math.round(days), 'day')} ago`;
  const because = {
    new: 'It was never done.',
    due: `It was done ${ago}: by now it fades.`,
    gain: 'There is most to gain.',
  }[why];
  return { say: `Next: ${what}${where}.`, more: because };
}

/** Nothing is listened to, and something is to be heard. */
export const CHOOSE_SOURCE: Sentence = {
  say: 'Choose the microphone.',
  more: 'Or the practice instrument.',
};

/** An exercise is over, and nothing more is to be said of it. */
export const EXERCISE_OVER: Sentence = {
  say: 'That was it.',
  more: 'Enter goes back to the exercises.',
};

/** What an exercise is, before it is begun. */
export function beginInWords(exercise: ExerciseKind): Sentence {
  return {
    say: EXERCISE_WORDS[exercise].more,
    more: 'Headphones low, or a loudspeaker. Enter begins.',
  };
}

/** While nothing can be answered yet. */
export const LISTEN_FIRST: Sentence = { say: 'Listen.', more: 'Space sounds it again.' };

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
          say: 'Hear it out first.',
          more: 'That answer came before it could be heard, and is not counted.',
        }
      : LISTEN_FIRST;
  switch (exercise) {
    case 'string':
      return picked === null
        ? {
            say: 'Which string is out?',
            more: 'Its number, counted from the floor. Space sounds the chord again.',
          }
        : {
            say: `String ${picked}: lower or higher?`,
            more: '1 lower, 3 higher. Another number takes another string.',
          };
    case 'pure':
      return {
        say: 'Which chord is pure?',
        more: '1 the first, 2 the second. Space sounds both again.',
      };
    case 'class':
      return {
        say: 'Who heard it lower, who higher?',
        more: 'Count the hands and type them in. Space sounds it again.',
      };
    default:
      return {
        say: 'Was the second note lower or higher?',
        more: '1 lower, 2 the same, 3 higher. Space sounds both again.',
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
  const way = asked < 0 ? 'lower' : 'higher';
  const off = inShort(Math.abs(asked));
  const more = 'Enter goes on, Space sounds it again.';
  if (exercise === 'pure') {
    const pure = which === 1 ? 'The first chord was pure' : 'The second chord was pure';
    return {
      say: `${answer === 'right' ? 'Yes' : 'No'}. ${pure}, the other ${off} cents from it.`,
      more,
    };
  }
  if (exercise === 'string')
    return {
      say: `${answer === 'right' ? 'Yes' : 'No'}. String ${which} was ${off} cents ${asked < 0 ? 'low' : 'high'}.`,
      more,
    };
  // “The same” is neither right nor wrong, and a class has answered both ways.
  const open = answer === 'same' || answer === '';
  const yes = answer === way ? 'Yes. ' : open ? '' : 'No. ';
  return { say: `${yes}It was ${off} cents ${way}.`, more };
}

/** How a turned string was left. */
export function matchedInWords(off: Cents, from: Cents, seconds: number, turns: number): Sentence {
  const way = off < 0 ? 'low' : 'high';
  return {
    say: `Left ${inShort(Math.abs(off))} cents ${way}.`,
    more: `From ${signedCents(from)} cents, in ${counted(Math.round(seconds), 'second')} and ${counted(turns, 'turn')}. Enter goes on.`,
  };
}

/** What is to be turned until what agrees. */
export function pairTaskInWords(reference: string, own: string): Sentence {
  return {
    say: `Turn ${own} until it agrees with ${reference}.`,
    more: '↑ tightens, ↓ loosens, with Shift in bold steps. Space sounds both, Enter when they agree.',
  };
}

/** What is to be done with a beat. */
export function beatTaskInWords(cell: string, taps: number, rate: number | null): Sentence {
  if (cell === 'stop')
    return {
      say: 'Press Enter when the beat stands still.',
      more: 'It slows down, and comes back if you wait.',
    };
  if (rate === null)
    return {
      say: 'Tap T on each beat.',
      more: `${counted(taps, 'tap')} so far; four tell a rate.`,
    };
  return {
    say: `${fixed(rate, 1)} beats a second.`,
    more: 'Tap on, or Enter when you are content.',
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
  const more = 'Enter goes on.';
  if (cell === 'stop')
    return {
      say: `You called it ${inShort(Math.abs(off))} cents from where it stood still.`,
      more,
    };
  return {
    say: `You counted ${fixed(rate ?? 0, 1)} a second, it was ${fixed(trueRate, 1)}.`,
    more: `That is ${inShort(Math.abs(asked) + off)} cents by your count, and ${inShort(Math.abs(asked))} in truth. ${more}`,
  };
}

/** What to sing, or what is missing for it. */
export function singTaskInWords(listens: boolean, out: boolean): Sentence {
  if (listens && out)
    return {
      say: 'That string is out. Sing it as it is.',
      more: 'Hold it for a breath: your voice tells which way. Space sounds it again.',
    };
  return listens
    ? {
        say: 'Sing or hum that note.',
        more: 'Hold it for a breath, in any octave. Space sounds it again.',
      }
    : {
        say: 'Choose the microphone.',
        more: 'Your voice is followed on this machine, and not kept.',
      };
}

/** What a string was that was sung as it is: the voice names the way. */
export function sungStringInWords({ cents }: Sung, course: number, out: Cents): Sentence {
  const way = out < 0 ? 'low' : 'high';
  const sung = `You sang it ${inShort(Math.abs(cents))} cents ${cents < 0 ? 'below' : 'above'} its note`;
  const right = Math.sign(cents) === Math.sign(out);
  return {
    say: right ? `String ${course} is ${way}: your voice says so.` : `String ${course} is ${way}.`,
    more: `${sung}; it is ${inShort(Math.abs(out))} cents ${way}.`,
  };
}

/** Nearer than this a voice is there: no voice stands still closer. */
const THERE: Cents = 20;

/** What was sung, against the note. */
export function sungInWords({ cents, octaves, errorCents }: Sung): Sentence {
  const octave =
    octaves === 0
      ? ''
      : ` ${counted(Math.abs(octaves), 'octave')} ${octaves < 0 ? 'lower' : 'higher'}, which is as good.`;
  const figure = `${signedCents(cents)} cents, ±${fixed(errorCents)}.${octave}`;
  if (Math.abs(cents) <= THERE) return { say: 'There.', more: figure };
  return { say: cents < 0 ? 'Below: sing higher.' : 'Above: sing lower.', more: figure };
}

/** By what a whole instrument is brought back. */
export const AID_WORDS: Readonly<Record<NonNullable<EarRun['aid']>, Sentence>> = {
  display: { say: 'By the display', more: 'Each pluck is shown while you tune.' },
  'all tones': { say: 'A tone for each string', more: 'A string’s number sounds its tone.' },
  'one tone': {
    say: 'One tone',
    more: 'The thickest string, on a banjo the fifth; the others from it.',
  },
  memory: { say: 'From memory', more: 'No tone at all but what you remember.' },
};

interface Restoring {
  readonly phase: 'resting' | 'out' | 'tuning' | 'reading' | 'told' | 'over';
  readonly notice: 'too near' | 'too far' | 'not heard' | null;
  readonly course: number | null;
  readonly aid: NonNullable<EarRun['aid']>;
  readonly tones: readonly number[];
}

const NOT_TAKEN = {
  'too near': 'That one is still too near its note: turn it 15 cents or more.',
  'too far': 'That was another string, or more than four semitones off: pluck it once more.',
  'not heard': 'That was not heard: pluck it once more, alone.',
} as const;

/** What is to be done with a whole instrument now. */
export function restoringInWords({ phase, notice, course, aid, tones }: Restoring): Sentence {
  const why = notice ? NOT_TAKEN[notice] : '';
  switch (phase) {
    case 'resting':
      return { say: 'Choose how much help there is, then begin.', more: AID_WORDS[aid].more };
    case 'out':
      return {
        say: `Put string ${course} out of tune and pluck it.`,
        more: why || 'Either way, 15 cents or more; a friend may do it.',
      };
    case 'tuning':
      return {
        say:
          aid === 'display'
            ? 'Bring it back. Each pluck is shown.'
            : 'Bring it back. Nothing is shown until you say done.',
        more: `${tones.length > 0 ? `Tone of string ${tones.join(', ')} by its number. ` : ''}Enter when it is done.`,
      };
    case 'reading':
      return { say: `Pluck string ${course}.`, more: why || 'Each string once, as you left it.' };
    case 'told':
      return { say: 'There it is.', more: 'Enter puts it out once more.' };
    case 'over':
      return EXERCISE_OVER;
  }
}

/** How a whole instrument was left. */
export function restoredInWords(left: readonly Cents[], tookMs: number, first: boolean): Sentence {
  const rms = Math.sqrt(left.reduce((sum, one) => sum + one * one, 0) / Math.max(1, left.length));
  const worst = Math.max(...left.map(Math.abs));
  return {
    say: `Back within ${inShort(worst)} cents, in ${durationInWords(tookMs / 1000)}.`,
    more: `${inShort(rms)} cents off as a rule. ${first ? 'A first tuning may take a quarter of an hour. ' : ''}Enter puts it out once more.`,
  };
}

interface Touching {
  readonly phase: 'resting' | 'holding' | 'told' | 'over';
  readonly notice: 'another note' | 'not heard' | null;
  readonly place: string;
  readonly left: number;
}

/** What is to be held now. */
export function touchingInWords({ phase, notice, place, left }: Touching): Sentence {
  if (phase === 'over') return EXERCISE_OVER;
  if (phase === 'resting')
    return { say: `Hold ${place} ten times, as lightly as it will sound.`, more: 'Enter begins.' };
  const why =
    notice === 'another note'
      ? 'That was another note: it is not counted.'
      : notice === 'not heard'
        ? 'That was not heard: once more, alone.'
        : 'Let go between two plucks.';
  return { say: `${capital(place)}: ${counted(left, 'pluck')} more.`, more: why };
}

/** How evenly and how lightly a fret was held. */
export function evennessInWords(scatter: Cents, aboveLightest: Cents): Sentence {
  return {
    say: `Even to ${inShort(scatter)} cents, ${inShort(aboveLightest)} above the lightest.`,
    more: 'The lightest one that rings is the note to keep. Enter begins again.',
  };
}
