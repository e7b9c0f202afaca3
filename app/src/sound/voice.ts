/** Says a sentence aloud, in the machine's own voice; what is still being said is cut off. */
export function speak(text: string): void {
  if (!('speechSynthesis' in globalThis)) return;
  speechSynthesis.cancel();
  speechSynthesis.speak(new SpeechSynthesisUtterance(text));
}
