import { asText } from '@rosefinch/core/errors';
import type { Sentence } from '@rosefinch/core/message';
import type { Hz } from '@rosefinch/core/units';
import type { SoundMark } from './protocol.ts';

/** A source of sound: delivers blocks of samples, and marks between them, to a port until it is closed. */
export interface Source {
  readonly sampleRate: Hz;
  /** The end of the channel that the analysis worker listens at. */
  readonly sound: MessagePort;
  /** Puts a mark into the stream, at the sample that is captured now. */
  mark(mark: SoundMark): void;
  close(): void;
}

/** Why the microphone cannot be heard, with a way on. */
export class MicrophoneProblem extends Error {
  override readonly name = 'MicrophoneProblem';
  constructor(readonly sentence: Sentence) {
    super(asText(sentence.say));
  }
}
