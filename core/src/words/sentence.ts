/** What is said at a moment: one sentence, and one more line of why or how. */
export interface Sentence {
  readonly say: string;
  readonly more: string;
}

/** @example capital('string 3') // => 'String 3' */
export function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}
