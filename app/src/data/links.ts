import { FormatError } from '@rosefinch/core/errors';
import { message } from '@rosefinch/core/message';
import { checkLinked, type Linked } from '@rosefinch/core/records';

/** What is before the rest: a later form has another one. */
const FORM = 'v1.';
/** A longer link is none of ours. */
const LONGEST = 8000;

/** The fragment of a link, without its “#”. */
export function writeLink(what: Linked): string {
  const bytes = new TextEncoder().encode(JSON.stringify(what));
  const text = btoa(Array.from(bytes, (byte) => String.fromCharCode(byte)).join(''));
  // As RFC 4648 has it for addresses, without padding.
  return FORM + text.replaceAll('+', '-').replaceAll('/', '_').replace(/=+$/, '');
}

/**
 * What a link holds, by its fragment with “#” or without.
 * @throws FormatError if it is none, is cut short, or of a newer form; RecordError naming the field that is wrong
 */
export function readLink(fragment: string): Linked {
  const text = fragment.replace(/^#/, '');
  if (text.length > LONGEST) throw new FormatError(message('problems.linkTooLong'));
  if (/^v\d+\./.test(text) && !text.startsWith(FORM))
    throw new FormatError(message('problems.linkNewer'));
  if (!text.startsWith(FORM)) throw new FormatError(message('problems.noLink'));
  return checkLinked(parsed(text.slice(FORM.length)));
}

function parsed(text: string): unknown {
  try {
    const bytes = atob(text.replaceAll('-', '+').replaceAll('_', '/'));
    const decoder = new TextDecoder('utf-8', { fatal: true });
    return JSON.parse(decoder.decode(Uint8Array.from(bytes, (c) => c.charCodeAt(0))));
  } catch {
    throw new FormatError(message('problems.linkCut'));
  }
}
