import type { Held } from '@rosefinch/core/fretboard';
import type { StringKnowledge, StrumTuning, WoundString } from '@rosefinch/core/listen';
import { message, type Value } from '@rosefinch/core/message';
import type { Press } from '@rosefinch/core/practice';
import { MICROPHONE_TROUBLES, stoppedInWords } from '@rosefinch/core/sentences';
import type { Cents, Hz, Seconds } from '@rosefinch/core/units';
import { advance, pace, sounding } from '../environment.ts';
import { type Line, Watchdog } from '../worker/index.ts';
import { takeListeningLock } from './lock.ts';
import { type MicrophoneWish, openMicrophone } from './microphone.ts';
import type {
  AnalysisReport,
  AnalysisRequest,
  PracticeRequest,
  PracticeStart,
  SoundMark,
} from './protocol.ts';
import { MicrophoneProblem, type Source } from './source.ts';
import { Speaker } from './speaker.ts';
import { voice } from './voice.ts';
import { startAnalysis, startPractice } from './workers.ts';

const PRACTICE_VOLUME = 0.5;
const REFERENCE_RATE = 48_000;
/** A tone rings in the room a little longer than it sounds, in seconds. */
const TONE_RINGS = 0.3;
/** No sentence that is said aloud lasts longer, in seconds. */
const LONGEST_SAID = 10;
const CUE_VOLUME = 0.3;
/** A helper process that stopped is begun anew by itself so often. */
const MOST_RESTARTS = 1;

/** What the ear tells its owner. */
export interface EarHearer {
  report(report: AnalysisReport): void;
  problem(problem: MicrophoneProblem): void;
  /** Where the practice strings truly are, in cents from their targets, course 1 first. */
  truth(deviations: readonly number[]): void;
  /** A helper process had stopped: what was open is to be opened again. */
  again(): void;
}

/** The hands that play the practice instrument. */
export interface PracticeHands {
  pluck(course: number, strength: number): void;
  /** Strums all strings, slowly. */
  strum(): void;
  /** Sounds a held and an open string together. */
  pair(held: Held, open: number): void;
  /** Positive tightens; in turns of the button. */
  turn(course: number, turns: number): void;
  /** Sounds a string held at a fret, or touched over the twelfth where `press` is null. */
  fretted(course: number, fret: number, press: Press | null, capo?: boolean): void;
  /** Lets a string hang slack by so many cents. */
  slacken(course: number, cents: Cents): void;
  /** Winds a string by so many cents within so many seconds. */
  wind(course: number, cents: Cents, seconds: Seconds): void;
  /** Pulls a new string. */
  stretch(course: number): void;
  /** Lets so many seconds go by. */
  elapse(seconds: Seconds): void;
  mute(): void;
  sound(on: boolean): void;
}

/** One analysis worker and the source that it hears. Opening a source closes the one before. */
export class Ear {
  private analysis: Line<AnalysisRequest>;
  private dog: Watchdog | null = null;
  /** How often helpers that stopped were begun anew. */
  private restarts = 0;
  private known: {
    readonly strings: readonly StringKnowledge[];
    readonly tunings: readonly StrumTuning[];
  } = { strings: [], tunings: [] };
  private source: Source | null = null;
  /** What the player is asked for; a source that is opened is told at once. */
  private asked = 0;
  /** The string that is followed while it is wound; a source that is opened is told too. */
  private wound: { readonly string: WoundString | null; readonly reads: boolean } | null = null;
  /** A voice is followed; a source that is opened is told too. */
  private sings = false;
  /** A strum is waited for; a source that is opened is told too. */
  private strums = false;
  /** What the application sounds reaches the microphone, and no practice instrument. */
  private hearsTheRoom = false;
  private readonly reference = new Speaker(REFERENCE_RATE);
  private opening = 0;
  /** How many sentences were said. */
  private said = 0;
  private unlock: (() => void) | null = null;

  constructor(private readonly hearer: EarHearer) {
    this.analysis = this.analyse();
  }

  /** Hears the microphone. @throws MicrophoneProblem */
  async openMicrophone(wish: Omit<MicrophoneWish, 'lost'>): Promise<void> {
    const turn = this.begin();
    await this.lock();
    if (turn !== this.opening) return;
    const source = await openMicrophone({ ...wish, lost: (p) => this.hearer.problem(p) });
    if (turn !== this.opening) return source.close();
    this.hearsTheRoom = true;
    this.listenTo(source);
  }

  /** Hears a practice instrument; answers the hands that play it. */
  openPractice(start: PracticeStart, sound: boolean): PracticeHands {
    this.begin();
    sounding(0);
    sounding(1);
    const speaker = new Speaker(start.sampleRate);
    const { port1, port2 } = new MessageChannel();
    const line = startPractice(
      (report) => {
        if (report.type === 'block') speaker.play(report.samples);
        else if (report.type === 'truth') this.hearer.truth(report.deviations);
      },
      (problem) => this.workerDied(problem),
    );
    line.send({ type: 'start', start, sound: port1, pace }, [port1]);
    const close = () => {
      line.close();
      speaker.stop();
    };
    const mark = (sent: SoundMark) => line.send({ type: 'mark', mark: sent });
    this.listenTo({ sampleRate: start.sampleRate, sound: port2, mark, close });
    return practiceHands(line, speaker, sound);
  }

  /** Says what is known of the strings, and in which tunings they may be strummed instead. */
  know(strings: readonly StringKnowledge[], tunings: readonly StrumTuning[]): void {
    this.known = { strings, tunings };
    this.analysis.send({ type: 'know', ...this.known });
  }

  /** From `ago` seconds before now every pluck is an answer to this; its reports carry the number. */
  ask(asked: number, ago: number): void {
    this.asked = asked;
    this.source?.mark({ mark: 'ask', asked, ago });
  }

  /** Waits for two strings sounded together near a pitch; null waits no longer. */
  expectPair(hz: Hz | null): void {
    this.source?.mark({ mark: 'pair', hz });
  }

  /** Takes the next sound for a strum over all strings, or no longer. */
  expectStrum(expected: boolean): void {
    this.strums = expected;
    this.source?.mark({ mark: 'strum', expected });
  }

  /** Follows a string while it is wound up, and reads its plucks meanwhile or not; null follows none. */
  followWinding(string: WoundString | null, reads: boolean): void {
    this.wound = { string, reads };
    this.source?.mark({ mark: 'wind', string, reads });
  }

  /** Follows a voice instead of strings, or no longer. */
  followVoice(follow: boolean): void {
    this.sings = follow;
    this.source?.mark({ mark: 'voice', follow });
  }

  /** Sounds a reference tone; nothing is read while it sounds. */
  async soundReference(
    hz: Hz,
    volume: number,
    kind: 'plucked' | 'sustained' = 'plucked',
  ): Promise<void> {
    await this.play(
      ({ referenceTone, sustainedTone }) =>
        (kind === 'plucked' ? referenceTone : sustainedTone)(hz, REFERENCE_RATE),
      volume,
    );
  }

  /** Says a sentence aloud; where this machine has no voice, a cue that rises for what is right. Nothing is read meanwhile. */
  say(text: string, right: boolean): void {
    const mine = ++this.said;
    this.shut(LONGEST_SAID);
    // One that is cut off by the next sentence ends while that is being said.
    const said = voice.say(text, () => mine === this.said && this.shut(TONE_RINGS));
    if (!said) void this.play(({ cueTone }) => cueTone(right, REFERENCE_RATE), CUE_VOLUME);
  }

  /** What makes tones is loaded with the first of them; sound is begun before, while the click still counts. */
  private async play(
    make: (tones: typeof import('./tones.ts')) => Float32Array<ArrayBuffer>,
    volume: number,
  ): Promise<void> {
    await this.reference.start(volume);
    const tone = make(await import('./tones.ts'));
    this.shut(tone.length / REFERENCE_RATE + TONE_RINGS);
    this.reference.play(tone);
  }

  /** What the application itself sounds is not heard, for so many seconds from now. */
  private shut(seconds: Seconds): void {
    if (this.hearsTheRoom) this.source?.mark({ mark: 'deaf', seconds });
  }

  closeSource(): void {
    this.begin();
    this.unlock?.();
    this.unlock = null;
    this.analysis.send({ type: 'close' });
  }

  close(): void {
    this.begin();
    this.unlock?.();
    this.reference.stop();
    this.analysis.close();
  }

  /** @throws MicrophoneProblem if another tab listens. */
  private async lock(): Promise<void> {
    if (this.unlock) return;
    const unlock = await takeListeningLock();
    // Two openings may have waited at once: one of them has it.
    if (this.unlock) return unlock?.();
    this.unlock = unlock;
    if (!unlock) throw new MicrophoneProblem(MICROPHONE_TROUBLES['in another tab']);
  }

  private begin(): number {
    this.source?.close();
    this.source = null;
    this.dog?.stop();
    this.dog = null;
    this.hearsTheRoom = false;
    return ++this.opening;
  }

  private listenTo(source: Source): void {
    this.source = source;
    const { opening } = this;
    const { sampleRate, sound } = source;
    this.analysis.send({ type: 'open', opening, sampleRate, sound, pace }, [sound]);
    source.mark({ mark: 'ask', asked: this.asked, ago: 0 });
    if (this.sings) source.mark({ mark: 'voice', follow: true });
    if (this.strums) source.mark({ mark: 'strum', expected: true });
    if (this.wound?.string) source.mark({ mark: 'wind', ...this.wound });
    this.dog = new Watchdog(
      () => this.analysis.send({ type: 'ask' }),
      () => this.workerDied(message('troubles.helperSilentLower')),
    );
  }

  private analyse(): Line<AnalysisRequest> {
    return startAnalysis(
      ({ opening, report }) => {
        this.dog?.answered();
        // What is still on its way from a source that was closed belongs to nobody.
        if (opening !== this.opening || report.type === 'here') return;
        if (report.type === 'ahead') advance(1000 * report.seconds, report.over);
        else this.hearer.report(report);
      },
      (problem) => this.workerDied(problem),
    );
  }

  /** The first time all is begun anew by itself; then it is said. */
  private workerDied(reason: Value): void {
    this.begin();
    if (this.restarts++ < MOST_RESTARTS) {
      this.analysis.close();
      this.analysis = this.analyse();
      this.analysis.send({ type: 'know', ...this.known });
      return this.hearer.again();
    }
    this.hearer.problem(new MicrophoneProblem(stoppedInWords(reason)));
  }
}

function practiceHands(
  line: Line<PracticeRequest>,
  speaker: Speaker,
  soundAtFirst: boolean,
): PracticeHands {
  let sound = soundAtFirst;
  return {
    pluck: (course, strength) => {
      if (sound) void speaker.start(PRACTICE_VOLUME);
      sounding(1);
      line.send({ type: 'pluck', course, strength });
    },
    strum: () => {
      if (sound) void speaker.start(PRACTICE_VOLUME);
      sounding(1);
      line.send({ type: 'strum' });
    },
    pair: (held, open) => {
      if (sound) void speaker.start(PRACTICE_VOLUME);
      sounding(1);
      line.send({ type: 'pair', held, open });
    },
    turn: (course, turns) => {
      sounding(1);
      line.send({ type: 'turn', course, turns });
    },
    fretted: (course, fret, press, capo = false) => {
      if (sound) void speaker.start(PRACTICE_VOLUME);
      sounding(1);
      line.send({ type: 'fretted', course, fret, press, capo });
    },
    slacken: (course, cents) => {
      sounding(1);
      line.send({ type: 'slacken', course, cents });
    },
    wind: (course, cents, seconds) => {
      sounding(1);
      line.send({ type: 'wind', course, cents, seconds });
    },
    stretch: (course) => line.send({ type: 'stretch', course }),
    elapse: (seconds) => line.send({ type: 'elapse', seconds }),
    mute: () => {
      sounding(1);
      line.send({ type: 'mute' });
    },
    sound: (on) => {
      sound = on;
      if (!on) speaker.stop();
    },
  };
}
