import type { BrowserContext, Page } from '@playwright/test';

/**
 * The browser's stand-in for a microphone loses samples when the machine is busy. What reached
 * the application is compared with the file that was played, so that such a loss is counted as
 * the browser's, and everything that arrived whole as ours.
 */

interface Tapped {
  readonly captured: { rate: number; blocks: Float32Array[] };
}

/** Keeps a copy of every sample on its way from the microphone to the analysis. */
export async function tapMicrophone(context: BrowserContext): Promise<void> {
  await context.addInitScript(() => {
    // At the rate of the files, so that both can be compared sample by sample.
    const Native = AudioContext;
    globalThis.AudioContext = class extends Native {
      constructor(options?: AudioContextOptions) {
        super({ sampleRate: 48_000, ...options });
      }
    };
    const captured = { rate: 0, blocks: [] as Float32Array[] };
    Object.assign(globalThis, { captured });
    const post = Worker.prototype.postMessage;
    Worker.prototype.postMessage = function (
      this: Worker,
      message: unknown,
      transfer?: Transferable[] | StructuredSerializeOptions,
    ) {
      const options = Array.isArray(transfer) ? { transfer } : transfer;
      const opening = message as { type: string; sampleRate: number; sound: MessagePort };
      if (opening.type !== 'open') return post.call(this, message, options);
      const { port1, port2 } = new MessageChannel();
      captured.rate = opening.sampleRate;
      captured.blocks.length = 0;
      opening.sound.onmessage = ({ data }) => {
        if (data instanceof Float32Array) captured.blocks.push(data.slice());
        port1.postMessage(data, data instanceof Float32Array ? [data.buffer] : []);
      };
      return post.call(this, { ...opening, sound: port2 }, { transfer: [port2] });
    };
  });
}

/** What was captured so far, with its rate. */
export async function capturedBy(page: Page): Promise<{ sound: Float32Array; rate: number }> {
  const { rate, text } = await page.evaluate(() => {
    const { captured } = globalThis as unknown as Tapped;
    const all = new Float32Array(captured.blocks.reduce((sum, block) => sum + block.length, 0));
    let at = 0;
    for (const block of captured.blocks) {
      all.set(block, at);
      at += block.length;
    }
    const bytes = new Uint8Array(all.buffer);
    let text = '';
    for (let i = 0; i < bytes.length; i += 32_768)
      text += String.fromCharCode(...bytes.subarray(i, i + 32_768));
    return { rate: captured.rate, text: btoa(text) };
  });
  const bytes = Buffer.from(text, 'base64');
  const sound = new Float32Array(bytes.buffer, bytes.byteOffset, bytes.byteLength / 4);
  return { sound, rate };
}

/** A note is compared in pieces of this length, in seconds. */
const PIECE_S = 0.05;
/** Pieces of a whole note lie at one distance from the file, within so many samples. */
const SAME_PLACE = 2;
/** How far a note is looked for from where the one before it lay, in seconds: what was lost moves all that follows. */
const REACH_S = 1.2;

/**
 * Which notes of a file arrived whole: every piece of them at one and the same distance.
 * @param played the file's samples, at the rate of the capture
 * @param notes where the notes begin and how long they must be whole, in seconds
 */
export function arrivedWhole(
  played: Float32Array,
  { sound, rate }: { sound: Float32Array; rate: number },
  notes: readonly { readonly at: number; readonly seconds: number }[],
): boolean[] {
  let expected = 0;
  return notes.map(({ at, seconds }) => {
    const piece = Math.round(PIECE_S * rate);
    const from = Math.round(at * rate);
    const first = placeOf(played, sound, { from, length: piece, expected, reach: REACH_S * rate });
    if (first === null) return false;
    expected = first;
    for (let k = 1; k * PIECE_S < seconds; k++) {
      const next = placeOf(played, sound, {
        from: from + k * piece,
        length: piece,
        expected,
        reach: SAME_PLACE,
      });
      if (next === null) return false;
    }
    return true;
  });
}

interface Search {
  readonly from: number;
  readonly length: number;
  readonly expected: number;
  readonly reach: number;
}

/** By how many samples a piece of the file lies later in what was captured; null where it is not found. */
function placeOf(played: Float32Array, sound: Float32Array, search: Search): number | null {
  const { from, length, expected, reach } = search;
  const coarse = reach > SAME_PLACE ? 4 : 1;
  let best = { shift: 0, likeness: 0 };
  const look = (low: number, high: number, step: number) => {
    for (let shift = low; shift <= high; shift += step) {
      const likeness = likenessAt(played, sound, from, length, shift, step);
      if (likeness > best.likeness) best = { shift, likeness };
    }
  };
  look(Math.round(expected - reach), Math.round(expected + reach), coarse);
  if (coarse > 1) look(best.shift - coarse, best.shift + coarse, 1);
  return best.likeness > 0.98 ? best.shift : null;
}

/** Normalised correlation of a piece at a shift. */
function likenessAt(
  a: Float32Array,
  b: Float32Array,
  from: number,
  length: number,
  shift: number,
  step: number,
): number {
  let [ab, aa, bb] = [0, 0, 0];
  for (let i = 0; i < length; i += step) {
    const x = a[from + i] ?? 0;
    const y = b[from + i + shift] ?? 0;
    ab += x * y;
    aa += x * x;
    bb += y * y;
  }
  return aa > 0 && bb > 0 ? ab / Math.sqrt(aa * bb) : 0;
}
