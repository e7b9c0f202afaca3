/** So many changes of what is asked are remembered. */
const MOST_ASKED = 200;

/** What the player was asked for, by the numbers under which the ear knows it. */
export class Questions<Asked> {
  private readonly known: Asked[] = [];
  /** The number of the oldest one that is remembered. */
  private oldest: number;
  private rung: Asked | null = null;

  /** @param first the number of the first question here; smaller ones are another view’s */
  constructor(private readonly first: number) {
    this.oldest = first;
  }

  /** The number of a new question. */
  put(asked: Asked): number {
    this.known.push(asked);
    if (this.known.length > MOST_ASKED) {
      this.known.shift();
      this.oldest++;
    }
    return this.oldest + this.known.length - 1;
  }

  /** A note began, as an answer to this number. */
  rings(number: number): void {
    if (number < this.first) this.rung = null;
    else this.rung = this.known[number - this.oldest] ?? this.known.at(-1) ?? null;
  }

  /** What was asked when the note began that rings now; null where that was not asked here. */
  ringing(): Asked | null {
    return this.rung;
  }
}
