import type { ArgumentsOf, LabelId, MessageId, Value } from '@rosefinch/core/message';
import { inEnglish, LANGUAGE, readCatalogue } from './english.ts';
import { patternOf, toldIn } from './pattern.ts';

const TEXTS = readCatalogue(LANGUAGE);

type Known<Id extends MessageId> = Partial<ArgumentsOf<Id>>;

/** A text by its id: rewording one changes no test. */
export function en(id: LabelId): string;
export function en<Id extends MessageId>(id: Id, args: ArgumentsOf<Id>): string;
export function en(id: MessageId, args?: unknown): string {
  return (inEnglish as (id: MessageId, args?: unknown) => string)(id, args);
}

function sourceOf<Id extends MessageId>(id: Id, known: Known<Id>, named = false): string {
  return patternOf(TEXTS, inEnglish, id, known as Record<string, Value>, named);
}

/** A text in which so much of a message’s arguments is known, and the rest may be anything. */
export function saying<Id extends MessageId>(id: Id, known: Known<Id> = {}): RegExp {
  return new RegExp(sourceOf(id, known));
}

/** The same at the beginning of a text. */
export function begins<Id extends MessageId>(id: Id, known: Known<Id> = {}): RegExp {
  return new RegExp(`^\\s*${sourceOf(id, known)}`);
}

/** The same, and nothing else. */
export function wholly<Id extends MessageId>(id: Id, known: Known<Id> = {}): RegExp {
  return new RegExp(`^\\s*${sourceOf(id, known)}\\s*$`);
}

/** Any of several. */
export function either(...patterns: readonly RegExp[]): RegExp {
  return new RegExp(patterns.map(({ source }) => `(?:${source})`).join('|'));
}

/** The arguments of a message that a text holds, each a figure or a word; none where it does not hold it. */
export function told<Id extends MessageId>(
  id: Id,
  text: string,
  known: Known<Id> = {},
): Readonly<Record<string, string | undefined>> {
  return toldIn(text, sourceOf(id, known, true));
}
