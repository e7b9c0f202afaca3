import { Ear, type EarHearer, type MicrophoneProblem } from '../../sound/index.ts';
import type { Wanted } from './wanted.ts';

/** A view that has the ear. If a source cannot be opened, the view that has the ear by then hears of it. */
export interface EarOwner extends EarHearer {
  readonly refused: (problem: MicrophoneProblem) => void;
}

/**
 * The page's one ear. It goes from job to job and from instrument to instrument with its
 * microphone open, and is closed when the last job is left.
 */
export class EarKeeper {
  /** What is listened to. */
  source: Wanted | null = null;
  /** The number of the newest question; what was asked before it came from another view. */
  asked = 0;
  private ear: Ear | null = null;
  private owner: EarOwner | null = null;
  /** The newest source is being opened: the browser may ask for leave meanwhile. */
  private pending: Promise<void> | null = null;
  /** Jobs that are shown, those included that are still reading what they need. */
  private jobs = 0;

  constructor(private readonly open: (hearer: EarHearer) => Ear = (hearer) => new Ear(hearer)) {}

  /** Gives the ear to a view, which alone receives what is heard. */
  take(owner: EarOwner): Ear {
    if (this.owner !== owner) this.expectNothing();
    this.owner = owner;
    this.ear ??= this.open({
      report: (report) => this.owner?.report(report),
      problem: (problem) => this.owner?.problem(problem),
      truth: (deviations) => this.owner?.truth(deviations),
      again: () => this.owner?.again(),
    });
    return this.ear;
  }

  /** A source is being opened, instead of any other; null when none is wanted any more. */
  opens(opening: Promise<void> | null): void {
    this.pending = opening;
    opening?.catch((problem: MicrophoneProblem) => {
      // Something else may have been chosen while the browser asked for leave.
      if (this.pending !== opening) return;
      this.source = null;
      this.owner?.refused(problem);
    });
  }

  /** The view is gone. */
  leave(owner: EarOwner): void {
    if (this.owner !== owner) return;
    this.owner = null;
    this.expectNothing();
    this.closeSoon();
  }

  /** Nobody compares two strings, winds one up, sings or strums any more: the next view hears every pluck. */
  private expectNothing(): void {
    this.ear?.expectPair(null);
    this.ear?.followWinding(null, false);
    this.ear?.followVoice(false);
    this.ear?.expectStrum(false);
  }

  /** A job is shown that may listen; answers the way to say that it is gone. */
  hold(): () => void {
    this.jobs++;
    return () => {
      this.jobs--;
      this.closeSoon();
    };
  }

  /** The next job comes up in the same breath in which the last one goes. */
  private closeSoon(): void {
    setTimeout(() => {
      if (this.owner === null && this.jobs === 0) this.close();
    });
  }

  private close(): void {
    this.ear?.close();
    this.ear = null;
    this.source = null;
  }
}

export const earKeeper = new EarKeeper();
