import { type Message, message } from '../message.ts';

/** What a page of the guide draws; the app has a drawing of its own for each. */
export type GuideDrawing =
  | { readonly kind: 'plucks'; readonly cents: readonly number[] }
  | {
      readonly kind: 'strings';
      readonly found: readonly number[];
      readonly left: readonly number[];
    }
  | {
      readonly kind: 'compare';
      readonly held: number;
      readonly fret: number;
      readonly open: number;
    }
  | { readonly kind: 'near'; readonly tuning: string }
  | { readonly kind: 'neck'; readonly tuning: string; readonly root: number };

/** One short page of the guide: the trade, not the buttons. */
export interface GuidePage {
  readonly id: string;
  readonly title: Message;
  /** One idea a line. */
  readonly lines: readonly Message[];
  readonly drawing: GuideDrawing;
  /** What the drawing shows. */
  readonly shows: Message;
  /** Where it is tried on the practice instrument, and what to do there. */
  readonly tryAt: string;
  readonly tryIt: Message;
}

const BENCH = '/?listen=practice';

/** The trade in twenty pages; facts of the trade are common practice, figures are those of this project's own docs. */
export const GUIDE: readonly GuidePage[] = [
  {
    id: 'one-string',
    title: message('guide.oneString.title'),
    lines: [
      message('guide.oneString.1'),
      message('guide.oneString.2'),
      message('guide.oneString.3'),
      message('guide.oneString.4'),
      message('guide.oneString.5'),
    ],
    drawing: { kind: 'plucks', cents: [-24, -9, -1, 0.6] },
    shows: message('guide.oneString.shows'),
    tryAt: BENCH,
    tryIt: message('guide.oneString.tryIt'),
  },
  {
    id: 'from-below',
    title: message('guide.fromBelow.title'),
    lines: [
      message('guide.fromBelow.1'),
      message('guide.fromBelow.2'),
      message('guide.fromBelow.3'),
      message('guide.fromBelow.4'),
    ],
    drawing: { kind: 'plucks', cents: [14, -8, 0.4] },
    shows: message('guide.fromBelow.shows'),
    tryAt: BENCH,
    tryIt: message('guide.fromBelow.tryIt'),
  },
  {
    id: 'passes',
    title: message('guide.passes.title'),
    lines: [
      message('guide.passes.1'),
      message('guide.passes.2'),
      message('guide.passes.3'),
      message('guide.passes.4'),
      message('guide.passes.5'),
      message('guide.passes.6'),
    ],
    drawing: {
      kind: 'strings',
      found: [-30, -28, -35, -22, -30, -26],
      left: [0, -1, -1.5, -2.2, -3, -3.6],
    },
    shows: message('guide.passes.shows'),
    tryAt: BENCH,
    tryIt: message('guide.passes.tryIt'),
  },
  {
    id: 'octaves',
    title: message('guide.octaves.title'),
    lines: [
      message('guide.octaves.1'),
      message('guide.octaves.2'),
      message('guide.octaves.3'),
      message('guide.octaves.4'),
    ],
    drawing: { kind: 'compare', held: 6, fret: 0, open: 1 },
    shows: message('guide.octaves.shows'),
    tryAt: BENCH,
    tryIt: message('guide.octaves.tryIt'),
  },
  {
    id: 'two-meters',
    title: message('guide.twoMeters.title'),
    lines: [
      message('guide.twoMeters.1'),
      message('guide.twoMeters.2'),
      message('guide.twoMeters.3'),
      message('guide.twoMeters.4'),
      message('guide.twoMeters.5'),
      message('guide.twoMeters.6'),
    ],
    drawing: { kind: 'plucks', cents: [-2.4, 0, 2.3] },
    shows: message('guide.twoMeters.shows'),
    tryAt: BENCH,
    tryIt: message('guide.twoMeters.tryIt'),
  },
  {
    id: 'soft-and-steady',
    title: message('guide.softAndSteady.title'),
    lines: [
      message('guide.softAndSteady.1'),
      message('guide.softAndSteady.2'),
      message('guide.softAndSteady.3'),
      message('guide.softAndSteady.4'),
    ],
    drawing: { kind: 'plucks', cents: [3, 1.2, 0.3] },
    shows: message('guide.softAndSteady.shows'),
    tryAt: BENCH,
    tryIt: message('guide.softAndSteady.tryIt'),
  },
  {
    id: 'beats',
    title: message('guide.beats.title'),
    lines: [
      message('guide.beats.1'),
      message('guide.beats.2'),
      message('guide.beats.3'),
      message('guide.beats.4'),
    ],
    drawing: { kind: 'compare', held: 6, fret: 5, open: 5 },
    shows: message('guide.beats.shows'),
    tryAt: '/ear/beats',
    tryIt: message('guide.beats.tryIt'),
  },
  {
    id: 'chains',
    title: message('guide.chains.title'),
    lines: [
      message('guide.chains.1'),
      message('guide.chains.2'),
      message('guide.chains.3'),
      message('guide.chains.4'),
    ],
    drawing: { kind: 'strings', found: [0, 0, 0, 0, 0, 0], left: [-7.8, -5.9, -5.9, -3.9, -2, 0] },
    shows: message('guide.chains.shows'),
    tryAt: '/tunings/guitar-standard',
    tryIt: message('guide.chains.tryIt'),
  },
  {
    id: 'another-tuning',
    title: message('guide.anotherTuning.title'),
    lines: [
      message('guide.anotherTuning.1'),
      message('guide.anotherTuning.2'),
      message('guide.anotherTuning.3'),
      message('guide.anotherTuning.4'),
    ],
    drawing: { kind: 'near', tuning: 'guitar-standard' },
    shows: message('guide.anotherTuning.shows'),
    tryAt: '/retune',
    tryIt: message('guide.anotherTuning.tryIt'),
  },
  {
    id: 'breaking',
    title: message('guide.breaking.title'),
    lines: [
      message('guide.breaking.1'),
      message('guide.breaking.2'),
      message('guide.breaking.3'),
      message('guide.breaking.4'),
      message('guide.breaking.5'),
    ],
    drawing: { kind: 'plucks', cents: [-90, -40, -12] },
    shows: message('guide.breaking.shows'),
    tryAt: '/tunings/guitar-standard',
    tryIt: message('guide.breaking.tryIt'),
  },
  {
    id: 'pegs',
    title: message('guide.pegs.title'),
    lines: [
      message('guide.pegs.1'),
      message('guide.pegs.2'),
      message('guide.pegs.3'),
      message('guide.pegs.4'),
    ],
    drawing: { kind: 'plucks', cents: [-20, -20, -6, 0.2] },
    shows: message('guide.pegs.shows'),
    tryAt: BENCH,
    tryIt: message('guide.pegs.tryIt'),
  },
  {
    id: 'new-strings',
    title: message('guide.newStrings.title'),
    lines: [
      message('guide.newStrings.1'),
      message('guide.newStrings.2'),
      message('guide.newStrings.3'),
      message('guide.newStrings.4'),
      message('guide.newStrings.5'),
    ],
    drawing: { kind: 'plucks', cents: [0, -14, -6, -2.5, -1] },
    shows: message('guide.newStrings.shows'),
    tryAt: '/settle',
    tryIt: message('guide.newStrings.tryIt'),
  },
  {
    id: 'pulling',
    title: message('guide.pulling.title'),
    lines: [
      message('guide.pulling.1'),
      message('guide.pulling.2'),
      message('guide.pulling.3'),
      message('guide.pulling.4'),
    ],
    drawing: { kind: 'plucks', cents: [-22, 0, -9, 0, -3.5] },
    shows: message('guide.pulling.shows'),
    tryAt: '/settle',
    tryIt: message('guide.pulling.tryIt'),
  },
  {
    id: 'frets',
    title: message('guide.frets.title'),
    lines: [
      message('guide.frets.1'),
      message('guide.frets.2'),
      message('guide.frets.3'),
      message('guide.frets.4'),
      message('guide.frets.5'),
      message('guide.frets.6'),
    ],
    drawing: { kind: 'plucks', cents: [0, 9, 4, 1.5, 0.5] },
    shows: message('guide.frets.shows'),
    tryAt: '/frets',
    tryIt: message('guide.frets.tryIt'),
  },
  {
    id: 'compromise',
    title: message('guide.compromise.title'),
    lines: [
      message('guide.compromise.1'),
      message('guide.compromise.2'),
      message('guide.compromise.3'),
      message('guide.compromise.4'),
    ],
    drawing: { kind: 'strings', found: [0, 4, 4, 3, 5, 4], left: [-2, 2, 2, 1, 3, 2] },
    shows: message('guide.compromise.shows'),
    tryAt: '/frets',
    tryIt: message('guide.compromise.tryIt'),
  },
  {
    id: 'pure',
    title: message('guide.pure.title'),
    lines: [
      message('guide.pure.1'),
      message('guide.pure.2'),
      message('guide.pure.3'),
      message('guide.pure.4'),
    ],
    drawing: { kind: 'neck', tuning: 'guitar-open-d', root: 2 },
    shows: message('guide.pure.shows'),
    tryAt: '/ear/pure',
    tryIt: message('guide.pure.tryIt'),
  },
  {
    id: 'drift',
    title: message('guide.drift.title'),
    lines: [
      message('guide.drift.1'),
      message('guide.drift.2'),
      message('guide.drift.3'),
      message('guide.drift.4'),
      message('guide.drift.5'),
      message('guide.drift.6'),
    ],
    drawing: { kind: 'strings', found: [-6, -5, -6, -7, -5, -6], left: [0, 0, 0, 0, 0, 0] },
    shows: message('guide.drift.shows'),
    tryAt: '/log',
    tryIt: message('guide.drift.tryIt'),
  },
  {
    id: 'before-the-class',
    title: message('guide.beforeTheClass.title'),
    lines: [
      message('guide.beforeTheClass.1'),
      message('guide.beforeTheClass.2'),
      message('guide.beforeTheClass.3'),
      message('guide.beforeTheClass.4'),
      message('guide.beforeTheClass.5'),
    ],
    drawing: { kind: 'strings', found: [1, -2, 0, 4, -18, 0], left: [1, -2, 0, 1, 0, 0] },
    shows: message('guide.beforeTheClass.shows'),
    tryAt: '/shelf',
    tryIt: message('guide.beforeTheClass.tryIt'),
  },
  {
    id: 'ears',
    title: message('guide.ears.title'),
    lines: [
      message('guide.ears.1'),
      message('guide.ears.2'),
      message('guide.ears.3'),
      message('guide.ears.4'),
    ],
    drawing: { kind: 'plucks', cents: [-28, -17, -9, -6, -4] },
    shows: message('guide.ears.shows'),
    tryAt: '/ear',
    tryIt: message('guide.ears.tryIt'),
  },
  {
    id: 'repairer',
    title: message('guide.repairer.title'),
    lines: [
      message('guide.repairer.1'),
      message('guide.repairer.2'),
      message('guide.repairer.3'),
      message('guide.repairer.4'),
      message('guide.repairer.5'),
    ],
    drawing: { kind: 'plucks', cents: [9, 0.8] },
    shows: message('guide.repairer.shows'),
    tryAt: '/frets',
    tryIt: message('guide.repairer.tryIt'),
  },
];

/** The page that says most about a view, by the beginning of its address. */
const OF_VIEW: readonly (readonly [path: string, id: string])[] = [
  ['/retune', 'another-tuning'],
  ['/settle', 'new-strings'],
  ['/frets', 'frets'],
  ['/log', 'drift'],
  ['/shelf', 'before-the-class'],
  ['/rounds', 'before-the-class'],
  ['/labels', 'before-the-class'],
  ['/year', 'drift'],
  ['/tunings', 'pure'],
  ['/paper', 'another-tuning'],
  ['/open', 'another-tuning'],
  ['/ear', 'ears'],
  ['/settings', 'two-meters'],
  ['/data', 'one-string'],
  ['/recordings', 'two-meters'],
  ['/', 'one-string'],
];

/** @example guidePageOf('/settle') // => 'new-strings' */
export function guidePageOf(path: string): string {
  return OF_VIEW.find(([start]) => path.startsWith(start))?.[1] ?? 'one-string';
}

/** The pages of which every word of a query is found in title or text. */
export function searchGuide(query: string, read: (text: Message) => string): readonly GuidePage[] {
  const words = query.toLowerCase().split(/\s+/).filter(Boolean);
  return GUIDE.filter(({ title, lines }) => {
    const text = [title, ...lines].map(read).join(' ').toLowerCase();
    return words.every((word) => text.includes(word));
  });
}
