/** How often a helper is asked whether it is there, and how many times it may fail to answer: 5 s. */
const ASK_MS = 2500;
const MOST_UNANSWERED = 2;

/** Does something again and again; returns an unsubscribe function. */
export type Every = (act: () => void, ms: number) => () => void;

const everyMs: Every = (act, ms) => {
  const timer = setInterval(act, ms);
  return () => clearInterval(timer);
};

/** Asks a helper whether it is still there, and tells once when it has been silent for too long. */
export class Watchdog {
  private unanswered = 0;
  private stopAsking: () => void;

  constructor(ask: () => void, silent: () => void, every: Every = everyMs) {
    this.stopAsking = every(() => {
      if (this.unanswered >= MOST_UNANSWERED) {
        this.stop();
        return silent();
      }
      this.unanswered++;
      ask();
    }, ASK_MS);
  }

  /** It was heard of. */
  answered(): void {
    this.unanswered = 0;
  }

  stop(): void {
    this.stopAsking();
  }
}
