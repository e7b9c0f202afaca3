import { expect } from 'chai';
import { median, normal, seededRandom } from '../maths/index.ts';
import { centsBetween, shiftHz } from '../music/index.ts';
import { type ListenEvent, Listener } from './listener.ts';
import { Spectrum } from './spectrum.ts';
import { partialHz } from './stiffString.ts';
import {
  isStrum,
  likeliest,
  mayBeStrum,
  readStrum,
  STRUM_WINDOW,
  type StrumString,
  type StrumTuning,
  tuningsLike,
} from './strum.ts';
import { StrumFit } from './strumFit.ts';
import { searchStrum } from './strumSearch.ts';

const RATE = 12_000;

interface Sounded {
  readonly hz: number;
  readonly b: number;
  readonly at?: number;
}

/** Stiff strings as plain sums of damped sines, exactly on their law, over a little noise. */
function sounding(strings: readonly Sounded[], seconds: number, rate = RATE): Float64Array {
  const random = seededRandom(7);
  const out = Float64Array.from(
    { length: Math.round(seconds * rate) },
    () => 2e-5 * normal(random),
  );
  for (const { hz, b, at = 0 } of strings) {
    const f0 = hz / Math.sqrt(1 + 16 * b);
    for (let n = 1; n <= 20; n++) {
      const partial = partialHz(f0, b, n);
      if (partial > 0.45 * rate) break;
      const phase = 2 * Math.PI * random();
      for (let i = Math.round(at * rate); i < out.length; i++) {
        const t = i / rate - at;
        out[i]! +=
          (0.1 / n) * Math.exp(-t * (1 + 0.2 * n)) * Math.sin(2 * Math.PI * partial * t + phase);
      }
    }
  }
  return out;
}

const GUITAR = [329.63, 246.94, 196, 146.83, 110, 82.41];
const OFF = [12, -31, 4, 22, -45, 8];
const B = [2e-5, 4e-5, 8e-5, 7e-5, 9e-5, 1.2e-4];
const guitar = (at: (i: number) => number = () => 0) =>
  GUITAR.map((hz, i) => ({ hz: shiftHz(hz, OFF[i]!), b: B[i]!, at: at(i) }));
const KNOWN = GUITAR.map((hz, i) => ({ target: { course: i + 1, midi: 0, hz } }));

describe('the search for all strings of a strum', () => {
  const spectrumOf = (samples: Float64Array) => {
    const spectrum = new Spectrum(samples.length, RATE, 320);
    spectrum.analyse(samples, 0, samples.length);
    return spectrum;
  };
  const sought = GUITAR.map((hz, i) => ({ hz, inharmonicity: B[i]! }));

  it('finds the place of each, and a margin where no other place explains as much', () => {
    const { cents, margin } = searchStrum(sought, spectrumOf(sounding(guitar(), 0.68)));
    cents.forEach((found, i) => expect(found, `string ${i + 1}`).to.be.closeTo(OFF[i]!, 4));
    for (const one of margin) expect(one).to.be.above(30);
  });

  it('gives a string that does not sound less margin than the octave whose partials it would take', () => {
    const two = [sought[3]!, { hz: 2 * 146.83, inharmonicity: 3e-5 }];
    const alone = spectrumOf(sounding([guitar()[3]!], 0.68));
    const { cents, margin } = searchStrum(two, alone);
    expect(cents[0]).to.be.closeTo(OFF[3]!, 4);
    expect(margin[0]).to.be.above(2 * margin[1]!);
  });
});

describe('the fit of all strings of a strum', () => {
  it('comes to tenths of a cent on exact strings whose partials meet, octaves and fourths', () => {
    // D A D G A D: two octaves and a fourth between strings whose partials meet.
    const strings = [73.42, 110, 146.83, 196, 220, 293.66].map((hz, i) => ({
      hz: shiftHz(hz, [3, -5, 8, -2, 6, -7][i]!),
      b: B[5 - i]!,
    }));
    const guesses = strings.map(({ hz, b }, i) => ({
      hz: shiftHz(hz, i % 2 === 0 ? 3 : -3),
      inharmonicity: 1.1 * b,
      sigmaB: 2e-5,
    }));
    const fitted = new StrumFit(sounding(strings, 0.68), RATE, guesses).fit();
    fitted.forEach(({ hz, errorCents, own }, i) => {
      expect(Math.abs(centsBetween(strings[i]!.hz, hz)), `string ${i}`).to.be.below(0.8);
      expect(errorCents).to.be.within(0.1, 1.5);
      expect(own).to.be.at.least(2);
    });
    const free = fitted.map(({ hz }, i) => Math.abs(centsBetween(strings[i]!.hz, hz)));
    expect(median(free)).to.be.below(0.4);
  });
});

describe('a strum that is read', () => {
  const at = (i: number) => 0.03 * (5 - i);

  it('is answered string by string, from its own window on', () => {
    const strings = readStrum(sounding(guitar(at), 1.05), 0, RATE, KNOWN)!;
    expect(strings.map(({ course }) => course)).to.deep.equal([1, 2, 3, 4, 5, 6]);
    strings.forEach(({ cents, sure, errorCents }, i) => {
      expect(cents, `string ${i + 1}`).to.be.closeTo(OFF[i]!, 0.6);
      expect(errorCents).to.be.below(1.5);
      expect(sure, `string ${i + 1}`).to.equal(true);
    });
  });

  it('is not one when it ends before its strings have been heard', () => {
    const long = STRUM_WINDOW.from + STRUM_WINDOW.first;
    expect(readStrum(sounding(guitar(at), long - 0.01), 0, RATE, KNOWN)).to.equal(null);
    expect(readStrum(sounding(guitar(at), long + 0.01), 0, RATE, KNOWN)).not.to.equal(null);
  });

  it('never answers a string that was not struck', () => {
    for (const silent of [0, 2, 4]) {
      const others = guitar(at).filter((_, i) => i !== silent);
      const strings = readStrum(sounding(others, 1.05), 0, RATE, KNOWN)!;
      expect(strings[silent]!.sure, `string ${silent + 1}`).to.equal(false);
    }
  });

  it('is looked for in what fades like strings, in no clear reading and no swelling sound', () => {
    const none = { kind: 'not sure', reason: 'no pitch' } as const;
    const strummed = sounding(guitar(at), 0.82);
    expect(mayBeStrum(none, strummed, 0, RATE)).to.equal(true);
    expect(mayBeStrum({ kind: 'too quiet', levelDbfs: -70 }, strummed, 0, RATE)).to.equal(false);
    const clear = { kind: 'reading', clarity: 0.9 } as never;
    expect(mayBeStrum(clear, strummed, 0, RATE)).to.equal(false);
    const swelling = strummed.map(
      (x, i) => x * (1 + Math.sin((i / RATE) * 9)) * Math.exp(2 * (i / RATE)),
    );
    expect(mayBeStrum(none, swelling, 0, RATE)).to.equal(false);
  });

  it('takes three strings of four or five, and one where a strum was asked for', () => {
    const heard = (sure: number, of: number) =>
      Array.from({ length: of }, (_, i) => ({ sure: i < sure }) as StrumString);
    expect(isStrum(heard(3, 4), false)).to.equal(true);
    expect(isStrum(heard(2, 3), false)).to.equal(false);
    expect(isStrum(heard(3, 6), false)).to.equal(false);
    expect(isStrum(heard(4, 6), false)).to.equal(true);
    expect(isStrum(heard(1, 6), true)).to.equal(true);
    expect(isStrum(heard(0, 6), true)).to.equal(false);
  });
});

describe('the tuning of a strum', () => {
  const hzOf = (midi: readonly number[]) => midi.map((note) => 440 * 2 ** ((note - 69) / 12));
  const STANDARD = { id: 'Standard', name: 'Standard', hz: hzOf([64, 59, 55, 50, 45, 40]) };
  const OPEN_G = { id: 'Open G', name: 'Open G', hz: hzOf([62, 59, 55, 50, 43, 38]) };
  const SAME_AGAIN = { id: 'Taro patch', name: 'Taro patch', hz: [...OPEN_G.hz].reverse() };
  const DROPPED = { id: 'Drop D', name: 'Drop D', hz: hzOf([64, 59, 55, 50, 45, 38]) };

  it('is told from others, 25 cents low on the whole; sets of the same pitches count once', () => {
    const open = OPEN_G.hz.map((hz, i) => ({ hz: shiftHz(hz, OFF[i]! / 3 - 25), b: B[i]! }));
    const samples = sounding(open, 1.05);
    const like = tuningsLike(samples, 0, RATE, [STANDARD, OPEN_G, DROPPED, SAME_AGAIN])!;
    expect(like.map(({ name }) => name)).to.deep.equal(['Open G', 'Drop D', 'Standard']);
    expect(like[0]!.cents).to.be.closeTo(-25, 12);
    expect(likeliest(like).map(({ name }) => name)).to.deep.equal(['Open G']);
    const close = like.map((one, i) => ({ ...one, value: 100 - 6 * i }));
    expect(likeliest(close).length).to.equal(2);
    expect(likeliest([])).to.deep.equal([]);
    // What it is set to is believed until another one explains far more.
    expect(likeliest(like, OPEN_G.hz)).to.deep.equal([]);
    expect(likeliest(like, STANDARD.hz).map(({ name }) => name)).to.deep.equal(['Open G']);
    expect(likeliest(close, DROPPED.hz)).to.deep.equal([]);
    expect(tuningsLike(samples.subarray(0, 4000), 0, RATE, [STANDARD])).to.equal(null);
  });
});

describe('a strum in the stream', () => {
  const stream = (strummed: readonly Sounded[]) => {
    const quiet = sounding([], 0.5);
    return Float32Array.from([...quiet, ...sounding(strummed, 1.6), ...quiet]);
  };
  const heard = (samples: Float32Array, asked = false, tunings: readonly StrumTuning[] = []) => {
    const events: ListenEvent[] = [];
    const listener = new Listener(RATE, (event) => events.push(event));
    listener.know(KNOWN, tunings);
    if (asked) listener.expectStrum(true);
    for (let i = 0; i < samples.length; i += 480) listener.hear(samples.subarray(i, i + 480));
    listener.finish();
    return events.flatMap((e) => (e.type === 'strum' || e.type === 'outcome' ? [e] : []));
  };

  const OWN = { id: 'Standard', name: 'Standard', hz: GUITAR };

  it('is told by itself, instead of a pluck that was none', () => {
    const events = heard(stream(guitar((i) => 0.025 * (5 - i))), false, [OWN]);
    expect(events.map(({ type }) => type)).to.deep.equal(['strum']);
    const [strum] = events;
    if (strum?.type !== 'strum') throw new Error('no strum');
    expect(strum.strings.filter(({ sure }) => sure).length).to.be.at.least(5);
    expect(strum.start).to.be.closeTo(0.5, 0.02);
    // Where no tuning was told of, strings are wanted one by one.
    const plain = heard(stream(guitar((i) => 0.025 * (5 - i))));
    expect(plain.map(({ type }) => type)).to.deep.equal(['outcome']);
  });

  it('that was asked for is one gesture, also where its strings are noticed one by one', () => {
    const apart = guitar((i) => (i === 5 ? 0 : 0.12 + 0.02 * (4 - i)));
    const events = heard(stream(apart), true, [OWN]);
    expect(events.map(({ type }) => type)).to.deep.equal(['strum']);
  });

  it('tells which other tuning it is in, and what it is in where nothing is known', () => {
    const hzOf = (midi: readonly number[]) => midi.map((note) => 440 * 2 ** ((note - 69) / 12));
    const down = {
      id: 'Two tones down',
      name: 'Two tones down',
      hz: hzOf([60, 55, 51, 46, 41, 36]),
    };
    const own = { id: 'Standard', name: 'Standard', hz: GUITAR };
    const other = stream(down.hz.map((hz, i) => ({ hz, b: B[i]!, at: 0.025 * (5 - i) })));
    const likeOf = (events: readonly ListenEvent[]) =>
      events.flatMap((e) => (e.type === 'strum' ? e.like.map(({ name }) => name) : []));
    expect(likeOf(heard(other, true, [own, down]))).to.deep.equal(['Two tones down']);
    const events: ListenEvent[] = [];
    const listener = new Listener(RATE, (event) => events.push(event));
    listener.know([], [own, down]);
    listener.expectStrum(true);
    listener.hear(other);
    listener.finish();
    expect(likeOf(events)).to.deep.equal(['Two tones down']);
  });

  it('leaves one string alone a pluck, unless a strum was asked for', () => {
    const one = stream([guitar()[4]!]);
    expect(heard(one, false, [OWN]).map(({ type }) => type)).to.deep.equal(['outcome']);
    const [asked] = heard(one, true);
    if (asked?.type !== 'strum') throw new Error('no strum');
    expect(asked.strings.filter(({ sure }) => sure).map(({ course }) => course)).to.deep.equal([5]);
  });
});
