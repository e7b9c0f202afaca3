import type { NoteNames, NoteStyle } from '../music/index.ts';
import type { PlanOrder } from '../retune/index.ts';
import type { HeadstockView } from '../strings/index.ts';
import type { Cents, Hz } from '../units.ts';

/** What the teacher has set; one record. */
export interface Settings {
  readonly a4: Hz;
  readonly tolerance: Cents;
  readonly order: 'thickestFirst' | 'thinnestFirst';
  readonly wires: 'asYouLookDown' | 'turnedRound';
  readonly keysOn: boolean;
  readonly practiceSound: boolean;
  /** Loudness of the reference tone, 0 to 1. */
  readonly referenceVolume: number;
  readonly spokenArrival: boolean;
  /** A phone gives a short pulse when a string is in tune. */
  readonly pulse: boolean;
  readonly microphoneId: string | null;
  readonly channel: 'left' | 'right' | 'mix';
  readonly instrumentId: string | null;
  readonly planOrder: PlanOrder;
  /** Strings are brought to where they will land on their note when the others are tuned. */
  readonly aiming: boolean;
  readonly moves: 'manySmall' | 'oneBold';
  /** From where the pegs are drawn. */
  readonly pegsSeen: HeadstockView;
  /** Learners get a second line that says how. */
  readonly wording: 'full' | 'short';
  /** What follows an answer of an ear exercise. */
  readonly earFeedback: 'words' | 'stroke' | 'none';
  /** Whose ear is practised; null without a name. */
  readonly learnerId: string | null;
  readonly referenceTone: 'plucked' | 'sustained';
  /** Unit in which tensions are shown. */
  readonly force: 'N' | 'kgf' | 'lbf';
  /** How notes are named, and which of two names a black key has. */
  readonly notes: NoteNames;
  readonly signs: NoteStyle['signs'];
  readonly decimal: '.' | ',';
  readonly length: 'mm' | 'inch';
  /** A language in whose manner dates are written; empty as the browser has it. */
  readonly dates: '' | 'en-GB' | 'en-US' | 'de-DE' | 'sv-SE';
  /** What the teacher remembers a tuning by, by its id; printed on its card. */
  readonly phrases: Readonly<Record<string, string>>;
  /** What a pedal or clicker does, by the job: the key that it sends and the act that it stands for. */
  readonly pedals: Readonly<Record<string, { readonly key: string; readonly act: string }>>;
}

export const DEFAULT_SETTINGS: Settings = {
  a4: 440,
  tolerance: 2,
  order: 'thickestFirst',
  wires: 'asYouLookDown',
  keysOn: true,
  practiceSound: true,
  referenceVolume: 0.15,
  spokenArrival: false,
  pulse: false,
  microphoneId: null,
  channel: 'mix',
  instrumentId: null,
  planOrder: 'planned',
  aiming: true,
  moves: 'manySmall',
  pegsSeen: 'playing',
  wording: 'full',
  earFeedback: 'stroke',
  learnerId: null,
  referenceTone: 'plucked',
  force: 'N',
  notes: 'english',
  signs: 'tuning',
  decimal: '.',
  length: 'mm',
  dates: '',
  phrases: {},
  pedals: {},
};

/** What was set by hand; the rest is as usual. */
export type StoredSettings = Partial<Settings>;

/** The one record of its table. */
export interface SettingsRecord {
  readonly id: 'settings';
  readonly value: StoredSettings;
}
