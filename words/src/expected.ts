import type { ArgumentsOf, LabelId, MessageId, Value } from '@rosefinch/core/message';
import { readCatalogue } from './english.ts';
import { patternOf, toldIn } from './pattern.ts';
import { USUAL_READER } from './reader.ts';
import { translator } from './translator.ts';

/** The language that tests use: English, unless `npm run reworded` asks for another one. */
export const LANGUAGE = process.env.ROSEFINCH_LANGUAGE ?? 'en';
const TEXTS = readCatalogue(LANGUAGE);

/** Turns messages into the language that tests use. */
export const inTestLanguage = translator(TEXTS, { ...USUAL_READER, language: LANGUAGE });

type Known<Id extends MessageId> = Partial<ArgumentsOf<Id>>;

/** A text by its id, so that rewording it changes no test. */
export function en(id: LabelId): string;
export function en<Id extends MessageId>(id: Id, args: ArgumentsOf<Id>): string;
export function en(id: MessageId, args?: unknown): string {
  return (inTestLanguage as (id: MessageId, args?: unknown) => string)(id, args);
}

function sourceOf<Id extends MessageId>(id: Id, known: Known<Id>, named = false): string {
  return patternOf(TEXTS, inTestLanguage, id, known as Record<string, Value>, named);
}

/** Matches a text that contains the message, whatever the arguments that are not given. */
export function saying<Id extends MessageId>(id: Id, known: Known<Id> = {}): RegExp {
  return new RegExp(sourceOf(id, known));
}

/** Matches a text that begins with the message. */
export function begins<Id extends MessageId>(id: Id, known: Known<Id> = {}): RegExp {
  return new RegExp(`^\\s*${sourceOf(id, known)}`);
}

/** Matches a text that is the message and nothing else. */
export function wholly<Id extends MessageId>(id: Id, known: Known<Id> = {}): RegExp {
  return new RegExp(`^\\s*${sourceOf(id, known)}\\s*$`);
}

/** Matches what any of the patterns matches. */
export function either(...patterns: readonly RegExp[]): RegExp {
  return new RegExp(patterns.map(({ source }) => `(?:${source})`).join('|'));
}

/** Reads the arguments of a message out of a text: figures or single words. Empty if the text does not contain it. */
export function told<Id extends MessageId>(
  id: Id,
  text: string,
  known: Known<Id> = {},
): Readonly<Record<string, string | undefined>> {
  return toldIn(text, sourceOf(id, known, true));
}
