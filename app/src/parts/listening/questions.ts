/** So many changes of what is asked are remembered. */
const MOST_ASKED = 200;

/** What the player was asked for, by the numbers under which the ear knows it. */
export class Questions<Asked> {
  private readonly known: Asked[] = [];
  /** The number of the oldest one that is remembered. */
  private oldest: number;
  private rung: { readonly asked: Asked } | null = null;

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
    const at = number - this.oldest;
    // So much was asked since that it is forgotten: the newest stands for it.
    const [asked] = this.known.slice(at in this.known ? at : -1);
    this.rung = number < this.first || asked === undefined ? null : { asked };
  }

  /** What was asked when the note began that rings now, be it nothing; null where it began elsewhere. */
  ringing(): { readonly asked: Asked } | null {
    return this.rung;
  }
}
