import { type Message, message, type Value } from '../message.ts';
import type { InstrumentKind, Tuning } from '../music/index.ts';
import type { Session } from '../sitting/index.ts';
import type { StringSpec } from '../strings/index.ts';

/** What an instrument is, in the middle of a sentence. @example kindInWords('guitar') // ‘guitar’ */
export function kindInWords(kind: InstrumentKind): Message {
  return message('common.kind', { kind });
}

/** What a tuning is called: of the catalogue in the reader's language, one of the teacher's own by its name. */
export function tuningName(tuning: Pick<Tuning, 'name'>): Value {
  return tuning.name;
}

/** The name under which records store the open chord of a tuning: its id, or the name its teacher gave it. */
export function cellOfTuning({ id, name }: Pick<Tuning, 'id' | 'name'>): string {
  return typeof name === 'string' ? name : id;
}

/** Where sound comes from. @example ‘microphone’ */
export function sourceInWords(source: Session['source']): Message {
  return message('common.source', { source });
}

/** What a string is made of. */
export function materialInWords(material: StringSpec['material']): Message {
  return message('common.material', { material });
}
