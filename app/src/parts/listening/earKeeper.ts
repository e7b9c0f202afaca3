import { Ear, type EarHearer } from '../../sound/index.ts';
import type { Wanted } from './wanted.ts';

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
  private owner: EarHearer | null = null;
  /** Jobs that are shown, those included that are still reading what they need. */
  private jobs = 0;

  constructor(private readonly open: (hearer: EarHearer) => Ear = (hearer) => new Ear(hearer)) {}

  /** Gives the ear to a view; what is heard is told to it alone. */
  take(owner: EarHearer): Ear {
    this.owner = owner;
    this.ear ??= this.open({
      report: (report) => this.owner?.report(report),
      problem: (problem) => this.owner?.problem(problem),
      truth: (deviations) => this.owner?.truth(deviations),
      again: () => this.owner?.again(),
    });
    return this.ear;
  }

  /** The view is gone. */
  leave(owner: EarHearer): void {
    if (this.owner !== owner) return;
    this.owner = null;
    // Nobody compares two strings any more: the next view is to hear every pluck.
    this.ear?.expectPair(null);
    this.closeSoon();
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
