import { Decimator, Estimator } from '@rosefinch/core/listen';
import Aubio from 'aubiojs';
import { PitchDetector } from 'pitchy';
import { type Frame, RATE } from './corpus.ts';

/** One way to measure a frame: answers Hz, or null when it abstains. */
export interface Peer {
  readonly name: string;
  readonly measures: 'reported' | 'period';
  measure(frame: Frame): number | null;
}

const buffer = new Float64Array(4096);

/** The frame thinned as the listener does it, its lead-in used up by the filter; the array is reused. */
export function decimated(frame: Frame, from = 0): Float64Array {
  let count = 0;
  new Decimator(RATE).process(frame.samples.subarray(from), (sample) => {
    buffer[count++] = sample;
  });
  return buffer;
}

/** Rosefinch beside two general libraries, for frames of `length` samples. */
export async function peersFor(length: number): Promise<Peer[]> {
  const estimator = new Estimator(RATE / 4, length / 4);
  const pitchy = PitchDetector.forFloat32Array(length);
  const aubio = await Aubio();
  const yin = new aubio.Pitch('yinfft', length, length, RATE);
  const cut = (f: Frame) => f.samples.slice(f.offset, f.offset + length);
  return [
    {
      name: 'Rosefinch',
      measures: 'reported',
      measure: (f) => {
        const e = estimator.estimate(decimated(f), f.offset / 4, length / 4);
        return e && e.clarity > 0.15 ? e.reportedHz : null;
      },
    },
    {
      // Normalised square difference: McLeod and Wyvill, ICMC 2005.
      name: 'pitchy',
      measures: 'period',
      measure: (f) => pitchy.findPitch(cut(f), RATE)[0] || null,
    },
    {
      // YIN: de Cheveigné and Kawahara, JASA 111 (2002) 1917, in its FFT form.
      name: 'aubio yinfft',
      measures: 'period',
      measure: (f) => yin.do(cut(f)) || null,
    },
  ];
}
