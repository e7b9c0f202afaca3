import { standInVoice } from '../environment.ts';

/** What says sentences aloud: the machine's own voice, or a stand-in for it. */
export interface Voice {
  /** Says it, and tells when it is said; false where there is no voice of this machine's own. */
  say(text: string, over: () => unknown): boolean;
}

/** A voice that lives on this machine: what is said never leaves it. */
const machineVoice: Voice = {
  say(text, over) {
    if (!('speechSynthesis' in globalThis)) return false;
    const local = speechSynthesis.getVoices().find(({ localService }) => localService);
    if (!local) return false;
    speechSynthesis.cancel();
    const said = new SpeechSynthesisUtterance(text);
    said.voice = local;
    said.onend = over;
    said.onerror = over;
    speechSynthesis.speak(said);
    return true;
  },
};

/** The voice of this machine, or the one that a test has given. */
export const voice: Voice = standInVoice ?? machineVoice;
