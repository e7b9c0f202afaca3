import type { SungFrame } from '@rosefinch/core/ear';
import type { Held } from '@rosefinch/core/fretboard';
import type {
  BeatOutcome,
  ListenEvent,
  StringKnowledge,
  StrumTuning,
  WoundPitch,
  WoundString,
} from '@rosefinch/core/listen';
import type { Value } from '@rosefinch/core/message';
import type { EarNote, NeckFaults, NewString, Press, SoundedCheck } from '@rosefinch/core/practice';
import type { RecordedPluck } from '@rosefinch/core/records';
import type { Instrument } from '@rosefinch/core/strings';
import type { Hz } from '@rosefinch/core/units';

/**
 * How the pages, the workers and the worklet talk. Sound travels as bare
 * Float32Array blocks over a MessagePort of its own, straight from its source
 * to the analysis worker; the page only hears what was found. What the page has
 * to say of the sound goes to its source and travels with it as marks between the
 * blocks: so it holds from that very sample on, however late it is analysed.
 */

/** A mark in the stream of sound. */
export type SoundMark =
  /** What the player is asked for, by a number of the page's own; `ago` seconds before this place. */
  | { readonly mark: 'ask'; readonly asked: number; readonly ago: number }
  /** Two strings will be sounded together near a pitch: report their beat, and no reading meanwhile. */
  | { readonly mark: 'pair'; readonly hz: Hz | null }
  /** The next sound is a strum over all strings, or is it no longer. */
  | { readonly mark: 'strum'; readonly expected: boolean }
  /** A string is wound up: follow it, and read plucks meanwhile or not; null follows none. */
  | { readonly mark: 'wind'; readonly string: WoundString | null; readonly reads: boolean }
  /** A voice is to be followed: report what is sung, and no readings meanwhile. */
  | { readonly mark: 'voice'; readonly follow: boolean }
  /** Hear nothing for so many seconds: the application itself is sounding. */
  | { readonly mark: 'deaf'; readonly seconds: number };

/** What comes over the port of the sound. */
export type SoundMessage = Float32Array<ArrayBuffer> | SoundMark;

/** Page → worklet. */
export type CaptureRequest =
  | {
      readonly type: 'start';
      readonly sound: MessagePort;
      readonly channel: 'left' | 'right' | 'mix';
    }
  | { readonly type: 'mark'; readonly mark: SoundMark };

/** Page → analysis worker. */
export type AnalysisRequest =
  | {
      readonly type: 'open';
      /** Number of this opening; every report on this sound carries it. */
      readonly opening: number;
      readonly sampleRate: number;
      readonly sound: MessagePort;
      /** As time goes, or faster: then it is told how long what was heard lasts. */
      readonly pace: 'real' | 'fast';
    }
  /** What is known of the strings, and in which tunings they may be instead, for this sound and those that are opened later. */
  | {
      readonly type: 'know';
      readonly strings: readonly StringKnowledge[];
      readonly tunings: readonly StrumTuning[];
    }
  /** Is it still there? */
  | { readonly type: 'ask' }
  | { readonly type: 'close' };

/** Analysis worker → page. */
export type AnalysisReport =
  | ListenEvent
  | { readonly type: 'pair'; readonly beat: BeatOutcome }
  | { readonly type: 'wound'; readonly pitch: WoundPitch }
  | { readonly type: 'sung'; readonly frame: SungFrame }
  | { readonly type: 'ready' }
  /** So many seconds were heard faster than they last; with `over` the sound that came at once is over. */
  | { readonly type: 'ahead'; readonly seconds: number; readonly over: boolean }
  /** It is there. */
  | { readonly type: 'here' }
  /** Nothing is heard while the application itself is sounding. */
  | { readonly type: 'deaf'; readonly deaf: boolean }
  | { readonly type: 'failed'; readonly problem: Value };

/** A report with the opening it belongs to, so that what comes late from a closed source is known as such. */
export interface AnalysisMessage {
  readonly opening: number;
  readonly report: AnalysisReport;
}

/** What the practice worker needs to build its instrument. */
export interface PracticeStart {
  readonly instrument: Instrument;
  readonly targetsHz: readonly number[];
  readonly detuneCents: readonly number[];
  readonly seed: number;
  readonly sampleRate: number;
  /** How new strings creep, course 1 first. */
  readonly creep?: readonly (NewString | null)[];
  /** What is out of its place on its neck. */
  readonly neck?: NeckFaults;
}

/** Page → practice worker. */
export type PracticeRequest =
  | {
      readonly type: 'start';
      readonly start: PracticeStart;
      readonly sound: MessagePort;
      /** As time goes, or as fast as it can be heard. */
      readonly pace: 'real' | 'fast';
    }
  | { readonly type: 'pluck'; readonly course: number; readonly strength: number }
  /** All strings, one after the other. */
  | { readonly type: 'strum' }
  /** Both strings of a comparison at once. */
  | { readonly type: 'pair'; readonly held: Held; readonly open: number }
  | { readonly type: 'turn'; readonly course: number; readonly turns: number }
  /** A string held at a fret, or touched over the twelfth where `press` is null. */
  | {
      readonly type: 'fretted';
      readonly course: number;
      readonly fret: number;
      readonly press: Press | null;
      /** A capo is on fret 1. */
      readonly capo: boolean;
    }
  /** Lets a string hang slack, or winds it, by so many cents within so many seconds. */
  | { readonly type: 'slacken'; readonly course: number; readonly cents: number }
  | {
      readonly type: 'wind';
      readonly course: number;
      readonly cents: number;
      readonly seconds: number;
    }
  /** Pulls a new string. */
  | { readonly type: 'stretch'; readonly course: number }
  /** Lets time go by. */
  | { readonly type: 'elapse'; readonly seconds: number }
  | { readonly type: 'mute' }
  | { readonly type: 'mark'; readonly mark: SoundMark }
  /** Sounds a comparison of two strings, apart from what is played. */
  | { readonly type: 'check'; readonly check: SoundedCheck }
  /** Sounds the notes of a question to the ear. */
  | { readonly type: 'notes'; readonly notes: readonly EarNote[] }
  | { readonly type: 'stop' };

/** Practice worker → page: each block for the loudspeaker, and where the strings truly are. */
export type PracticeReport =
  | { readonly type: 'block'; readonly samples: Float32Array<ArrayBuffer> }
  | { readonly type: 'truth'; readonly deviations: readonly number[] }
  /** What was asked to be sounded, at 48 kHz. */
  | { readonly type: 'sounded'; readonly samples: Float32Array<ArrayBuffer> };

/** Page → recording worker: read this sound. */
export interface RecordingRequest {
  readonly samples: Float32Array<ArrayBuffer>;
  readonly sampleRate: number;
}

/** What a recording came to. */
export interface ReadRecording {
  readonly plucks: readonly RecordedPluck[];
  /** Least and greatest sample of equal stretches, by turns. */
  readonly envelope: Float32Array;
}
