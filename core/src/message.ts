import type { Catalogue } from './catalogue.ts';
import type { Accidental, Cents, EpochMs, Midi, Millimetres, Newtons } from './units.ts';

/** Names a text of the catalogue: its module, a point, and its key there. */
export type MessageId = keyof Catalogue<never>;

/** Names a text that needs no arguments, such as a label. */
export type LabelId = {
  [Id in MessageId]: keyof Catalogue<never>[Id] extends never ? Id : never;
}[MessageId];

/**
 * What is to be said, as facts: which text of the catalogue and its arguments. Turned into the
 * words of a language only where somebody reads or hears it; nothing may be decided by those words.
 */
export interface Message {
  readonly id: MessageId;
  readonly args?: Readonly<Record<string, Value>>;
}

/** One message, or several complete sentences said one after the other. */
export type Text = Message | readonly Message[];

/** A headline and the line below it. */
export interface Sentence {
  readonly say: Text;
  /** Null where the headline says it all. */
  readonly more: Text | null;
}

/** A note, written with the reader's names. */
export interface NoteValue {
  readonly kind: 'note';
  readonly midi: Midi;
  /** The name that a black key has in this tuning. */
  readonly spelling: Accidental;
  /** Without its octave, or with both names of a black key. */
  readonly form: 'name and octave' | 'name' | 'both names';
}

/** How items of a list are joined. */
export type Joined = 'and' | 'or' | 'commas' | 'semicolons' | 'points' | 'to' | 'then';

/** How much of a moment is written out. */
export type MomentForm =
  /** The date: 26 Oct 2026. */
  | 'day'
  /** The date and the time. */
  | 'moment'
  /** As one speaks of a day: today, Thu 3 Dec. */
  | 'spoken day'
  /** As one speaks of a moment: tomorrow 07:00. */
  | 'spoken moment'
  /** The same, its day only where that is not today. */
  | 'time';

/** What an argument can be; a number or string stands as it is, everything else as the reader writes it. */
export type Value =
  | string
  | number
  | Text
  | NoteValue
  | { readonly kind: 'signed'; readonly cents: Cents }
  | {
      readonly kind: 'length';
      readonly mm: Millimetres;
      readonly digits: number;
      readonly unit: boolean;
    }
  | { readonly kind: 'force'; readonly newtons: Newtons; readonly unit: boolean }
  | { readonly kind: 'list'; readonly items: readonly Value[]; readonly joined: Joined }
  | {
      readonly kind: 'moment';
      readonly at: EpochMs;
      readonly zone: string;
      readonly now: EpochMs;
      readonly form: MomentForm;
    };

/** What is to be given with a message. */
export type ArgumentsOf<Id extends MessageId> = Catalogue<Value>[Id];

type Arguments<Id extends MessageId> = keyof Catalogue<never>[Id] extends never
  ? []
  : [args: ArgumentsOf<Id>];

/** A text as a list of its sentences. */
export function sentencesOf(text: Text | null): readonly Message[] {
  if (text === null) return [];
  return 'id' in text ? [text] : text;
}

/** What is to be said. @example message('bench.pluckString', { string: 3 }) */
export function message<Id extends MessageId>(id: Id, ...[args]: Arguments<Id>): Message {
  return args === undefined ? { id } : { id, args: args as Readonly<Record<string, Value>> };
}

/** A note as an argument. */
export function noteValue(
  midi: Midi,
  spelling: Accidental = 'sharp',
  form: NoteValue['form'] = 'name and octave',
): NoteValue {
  return { kind: 'note', midi, spelling, form };
}

/** Cents with their sign as an argument: +2.5, −31.0, ±0.0. */
export function signed(cents: Cents): Value {
  return { kind: 'signed', cents };
}

/** A length in the reader's unit as an argument, with so many decimals in millimetres. */
export function lengthValue(mm: Millimetres, digits: number, unit = true): Value {
  return { kind: 'length', mm, digits, unit };
}

/** A force in the reader's unit as an argument. */
export function forceValue(newtons: Newtons, unit = true): Value {
  return { kind: 'force', newtons, unit };
}

/** Several values as one argument. @example list([2, 5], 'and') */
export function list(items: readonly Value[], joined: Joined = 'commas'): Value {
  return { kind: 'list', items, joined };
}

/** What time it is, and where. */
export interface Clock {
  readonly now: EpochMs;
  readonly zone: string;
}

/** A moment as an argument, as the wall clock of its zone tells it. */
export function moment(at: EpochMs, { now, zone }: Clock, form: MomentForm): Value {
  return { kind: 'moment', at, zone, now, form };
}
