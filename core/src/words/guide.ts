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
  readonly title: string;
  /** One idea a line. */
  readonly lines: readonly string[];
  readonly drawing: GuideDrawing;
  /** What the drawing shows. */
  readonly shows: string;
  /** Where it is tried on the practice instrument, and what to do there. */
  readonly tryAt: string;
  readonly tryIt: string;
}

const BENCH = '/?listen=practice';

/** The trade in twenty pages; facts of the trade are common practice, figures are those of this project's own docs. */
export const GUIDE: readonly GuidePage[] = [
  {
    id: 'one-string',
    title: 'One string, from pluck to rest',
    lines: [
      'Pluck one string with the thumb or a pick, in the middle of its length, not hard. Let it ring for a second.',
      'Rest a finger on the others: a string that rings along is heard too.',
      'The figure says how far the note lies from where it should be, in cents. A hundred cents are a semitone, one fret.',
      'Low is flat: tighten. High is sharp: go a little below, then come up.',
      'Turn, pluck, look. Two plucks that agree close the string.',
    ],
    drawing: { kind: 'plucks', cents: [-24, -9, -1, 0.6] },
    shows: 'Four plucks of one string: each perch nearer to its line, the last two at rest.',
    tryAt: BENCH,
    tryIt: 'Press P to pluck, the arrow keys to turn.',
  },
  {
    id: 'from-below',
    title: 'Why the last movement goes up',
    lines: [
      'A string sticks in the nut and in its windings. Let down, it keeps some slack there.',
      'That slack comes out with the first hard note, and the string falls.',
      'So never stop on the way down: go below the note, then come up to it.',
      'If it will not move and then jumps, press it gently behind the nut. A little graphite from a pencil in the slot helps.',
    ],
    drawing: { kind: 'plucks', cents: [14, -8, 0.4] },
    shows: 'Too high, then below, then up to rest.',
    tryAt: BENCH,
    tryIt: 'Tighten a string too far with the arrow keys, and do what it says.',
  },
  {
    id: 'passes',
    title: 'Why you go round again',
    lines: [
      'All strings pull on one neck. Tighten one, and the neck bends a little: the others fall.',
      'On a guitar with a fixed bridge a string that goes up 100 cents takes each of the others down by 2 to 4.',
      'On a banjo or a floating bridge it is much more.',
      'That is why the first string is no longer right when the last one is, and why you go round again.',
      'A small correction needs one more pass, an instrument that was badly out up to three.',
      'Once the neck is known, the figure leads each string to where it will land when the others are done.',
    ],
    drawing: {
      kind: 'strings',
      found: [-30, -28, -35, -22, -30, -26],
      left: [0, -1, -1.5, -2.2, -3, -3.6],
    },
    shows: 'After the first pass the strings that were done first have fallen again.',
    tryAt: BENCH,
    tryIt: 'Tune all strings once, then press R: see what moved.',
  },
  {
    id: 'octaves',
    title: 'The right letter, the wrong octave',
    lines: [
      'E2 and E4 have one name and two pitches. Every note here is written with its octave.',
      'A new string that was wound up without looking can be an octave from home.',
      'An octave too high breaks it: that is how most strings die.',
      'Count the semitones to go before you wind, and stop at each note on the way.',
    ],
    drawing: { kind: 'compare', held: 6, fret: 0, open: 1 },
    shows: 'Strings 6 and 1 of a guitar: one letter, two octaves apart.',
    tryAt: BENCH,
    tryIt: 'Press W: the strings are let down, and wound up from slack.',
  },
  {
    id: 'two-meters',
    title: 'Why two meters differ',
    lines: [
      'A string is stiff, so its overtones lie a little higher than they should: on a thick one by several cents.',
      'Its body pushes single overtones away by another cent or two.',
      'One meter listens to the lowest tone, another to the whole wave, a third to the overtones that the ear goes by.',
      'They can differ by 3 to 5 cents on a low wound string, and all be right.',
      'Rosefinch tells the fourth overtone over four: what ears go by, and what holds still while the note fades.',
      'So keep to one meter for all strings of an instrument.',
    ],
    drawing: { kind: 'plucks', cents: [-2.4, 0, 2.3] },
    shows: 'One note as its lowest tone, its overtones and its whole wave would have it.',
    tryAt: BENCH,
    tryIt: 'Read the thickest string three times: the figures agree with each other.',
  },
  {
    id: 'soft-and-steady',
    title: 'How hard you pluck',
    lines: [
      'A hard pluck begins sharp, by 10 cents and more, and glides down in a third of a second.',
      'A note goes on falling by a few cents while it rings, on a banjo more.',
      'So a reading is taken from the same stretch of every note, after the glide.',
      'Pluck always alike, as hard as the player will.',
    ],
    drawing: { kind: 'plucks', cents: [3, 1.2, 0.3] },
    shows: 'Hard, usual and soft plucks of one string.',
    tryAt: BENCH,
    tryIt: 'Pluck one string a few times and watch the stroke fall to its perch.',
  },
  {
    id: 'beats',
    title: 'Two strings against each other',
    lines: [
      'Two notes that nearly agree beat: the sound swells and fades.',
      'The slower the beat, the nearer they are. When it stands still, they agree.',
      'One beat a second at A2 is 16 cents, at A4 it is 4: high notes are more exact.',
      'A beat does not say which of the two is higher. Turn a little: if it quickens, turn back.',
    ],
    drawing: { kind: 'compare', held: 6, fret: 5, open: 5 },
    shows: 'String 6 at fret 5 against open string 5.',
    tryAt: '/ear/beats',
    tryIt: 'Count beats, and call the moment when they stand still.',
  },
  {
    id: 'chains',
    title: 'From string to string, and what adds up',
    lines: [
      'Tuned each by the one before, small errors add up from the first string to the last.',
      'A finger that pulls fretted notes sharp adds its cents at every link.',
      'Compare all strings with one that is right, rather than in a chain.',
      'Harmonics at frets 5 and 7 set pure fourths: 2 cents narrow at each link, 6 after three. Nobody’s fault, but it adds up.',
    ],
    drawing: { kind: 'strings', found: [0, 0, 0, 0, 0, 0], left: [-7.8, -5.9, -5.9, -3.9, -2, 0] },
    shows: 'A chain of pure fourths: each string a little lower than the last.',
    tryAt: '/tunings/guitar-standard',
    tryIt: 'Hear the checks of this tuning by ear, both strings of each.',
  },
  {
    id: 'another-tuning',
    title: 'To another tuning',
    lines: [
      'Let down first what goes down: the neck is relieved before anything goes up.',
      'Bring all strings near, then set each right: the ones that stay move too.',
      'Each step names a string that is right already and sounds the same somewhere on its neck.',
      'Going back, the old strings need a pass more than a new tuning did.',
    ],
    drawing: { kind: 'near', tuning: 'guitar-standard' },
    shows: 'Tunings one, two and three strings away.',
    tryAt: '/retune',
    tryIt: 'Choose a tuning, and do the plan on the practice instrument.',
  },
  {
    id: 'breaking',
    title: 'How near a string is to breaking',
    lines: [
      'A plain string breaks at nearly the same pitch whatever its gauge: a thinner one carries less, and has less to carry.',
      'On a guitar the first string has about five semitones left, a wound third three.',
      'Knots, kinks and rust take some of that away.',
      'Below two and a half semitones go slowly, and face away. Below one, do not.',
      'Children tune with an adult. A steel string that snaps goes for the eyes.',
    ],
    drawing: { kind: 'plucks', cents: [-90, -40, -12] },
    shows: 'Slowly, and with a look at each note on the way.',
    tryAt: '/tunings/guitar-standard',
    tryIt: 'See what each string of an instrument carries, and how far it is from breaking.',
  },
  {
    id: 'pegs',
    title: 'What a peg does',
    lines: [
      'A geared peg moves a string by a semitone in a fifth of a turn, a peg without gears in a few degrees.',
      'Turned the other way, it first takes up its play: nothing moves, then it does.',
      'Which way tightens depends on the side of the head, and on how the string was wound. Try it gently once.',
      'A peg without gears holds by friction: a quarter turn of its screw, no more, when it slips.',
    ],
    drawing: { kind: 'plucks', cents: [-20, -20, -6, 0.2] },
    shows: 'The first turn only took up the play.',
    tryAt: BENCH,
    tryIt: 'Press G for the peg test: a small turn of each, and what it did.',
  },
  {
    id: 'new-strings',
    title: 'What settles in a new string',
    lines: [
      'A new string stretches, its windings tighten, its knot gives. It falls for hours on steel, for days on nylon.',
      'It falls ever more slowly. That is all that is sure, and it is enough.',
      'If it fell 1 cent in an untouched minute, the next hour takes 60 at most. After ten quiet minutes, one cent an hour can be told.',
      'So leave it alone before you judge it: a turn or a pull begins a new watch.',
      'Until the lesson is sure, tune it last, right before the class.',
    ],
    drawing: { kind: 'plucks', cents: [0, -14, -6, -2.5, -1] },
    shows: 'Tuned, fallen, tuned again: each drop smaller than the one before.',
    tryAt: '/settle',
    tryIt: 'Settle new strings of the practice instrument, round by round.',
  },
  {
    id: 'pulling',
    title: 'Pulling new strings',
    lines: [
      'Take the string in its middle, between finger and thumb, and draw it gently away from the board.',
      'Gently is a finger’s width. Pulled hard it breaks, or its windings open.',
      'Then tune it up again. A few rounds do what a day would.',
      'A little creep is left after any number of pulls. When a pull brings less than waiting does, wait.',
    ],
    drawing: { kind: 'plucks', cents: [-22, 0, -9, 0, -3.5] },
    shows: 'Three pulls, each bringing less than the last.',
    tryAt: '/settle',
    tryIt: 'Press S to pull a string, P to pluck it.',
  },
  {
    id: 'frets',
    title: 'In tune open, out at the frets',
    lines: [
      'A fretted note is measured against its own open string, so the instrument need not be in tune.',
      'Pressing stretches a string: every fretted note is a little sharp, with high strings over the frets more.',
      'Sharp at fret 1 and right at 12: the slots of the nut are too high.',
      'Sharper and sharper up the neck: the saddle stands too near. Flatter: too far.',
      'One fret wrong on all strings: that fret. One string wrong in its own way: that string, and a new one is cheaper than a repair.',
      'A few cents at the middle of the neck are how instruments are made.',
    ],
    drawing: { kind: 'plucks', cents: [0, 9, 4, 1.5, 0.5] },
    shows: 'One string open, then at frets 1, 3, 7 and 12: the slot of its nut is too high.',
    tryAt: '/frets',
    tryIt: 'Begin the check: the practice instrument has something out of place.',
  },
  {
    id: 'compromise',
    title: 'What a compromise is',
    lines: [
      'Where nothing is filed, the open string can be set off so that the notes that are played come out best.',
      'Notes of frets 1 to 5 that are all 4 cents sharp: two cents low on the open string halve the worst.',
      'The open string pays for it. Whether that is better is for the ears of those who play it.',
      'It is a tuning of its own, and can be kept as one.',
    ],
    drawing: { kind: 'strings', found: [0, 4, 4, 3, 5, 4], left: [-2, 2, 2, 1, 3, 2] },
    shows: 'The same notes before and after: none is right, none is bad.',
    tryAt: '/frets',
    tryIt: 'After a check, take the compromise and play it again.',
  },
  {
    id: 'pure',
    title: 'Pure chords, and what they cost',
    lines: [
      'Two notes whose vibrations are as 5 to 4 make a third without a beat. A fret gives one 14 cents wider.',
      'In an open tuning the strings themselves can be set pure. A straight barre keeps it so.',
      'Every other chord pays: a straight fret is the same for all strings.',
      'Frets are equal because that is wrong everywhere by a little, instead of here by nothing and there by a lot.',
    ],
    drawing: { kind: 'neck', tuning: 'guitar-open-d', root: 2 },
    shows: 'Open D, its strings pure in D: what each fret is off, in cents.',
    tryAt: '/ear/pure',
    tryIt: 'Hear an equal chord and a pure one, and say which was which.',
  },
  {
    id: 'drift',
    title: 'Why it drifts between lessons',
    lines: [
      'All strings low by about the same: dry air or warm strings, not the pegs. Damp air does the opposite.',
      'One string low, again and again: its peg, or its winding.',
      'New strings low, each time by less: they settle.',
      'Every string its own way: hands, or a journey.',
      'A string that wanders up and down is worn, and is tuned in vain.',
      'Keep instruments in their cases, away from heaters and sun.',
    ],
    drawing: { kind: 'strings', found: [-6, -5, -6, -7, -5, -6], left: [0, 0, 0, 0, 0, 0] },
    shows: 'All low alike: the air.',
    tryAt: '/log',
    tryIt: 'See why each of the demo’s instruments is where it is.',
  },
  {
    id: 'before-the-class',
    title: 'Twelve before the class',
    lines: [
      'Strum each once: whoever is right is done in five seconds.',
      'Take the worst first while there is time, or the roll call’s order while there is none.',
      'One that needs a string goes out of the round, and on the list.',
      'New strings come last: what is tuned now has fallen by then.',
      'A class that plays together forgives 5 cents that all have alike, and hears 5 between two neighbours.',
    ],
    drawing: { kind: 'strings', found: [1, -2, 0, 4, -18, 0], left: [1, -2, 0, 1, 0, 0] },
    shows: 'One string of six was off: the others were left alone.',
    tryAt: '/shelf',
    tryIt: 'Begin a round on the practice instruments of the shelf.',
  },
  {
    id: 'ears',
    title: 'Learning to hear it',
    lines: [
      'Untaught ears notice 10 to 30 cents between two notes, a musician’s 2 to 5. It is learned in weeks, a minute a day.',
      'First which of two is higher. Then whether they agree. Then by how much.',
      'Sing the note before you turn: whoever can sing it knows the way.',
      'Hide the figure, tune by ear, then look. The figure is the teacher, not the ear.',
    ],
    drawing: { kind: 'plucks', cents: [-28, -17, -9, -6, -4] },
    shows: 'What one learner could just tell, week by week.',
    tryAt: '/ear',
    tryIt: 'A minute of higher or lower.',
  },
  {
    id: 'repairer',
    title: 'When to send it to a repairer',
    lines: [
      'Filing a nut or a saddle, moving frets, turning a rod in the neck: none of that can be undone. Send it.',
      'Also a crack, a lifting bridge, a peg that will not hold after its screw was turned, a neck that bows.',
      'A loose bridge of a banjo you may move yourself: measure, mark its place, then check by ear at the twelfth fret.',
      'Take the order with you: how much, which way, and the reading that shows it.',
      'Have it proved when it comes back, by the same reading.',
    ],
    drawing: { kind: 'plucks', cents: [9, 0.8] },
    shows: 'The reading that proves a repair: the octave at fret 12, before and after.',
    tryAt: '/frets',
    tryIt: 'Measure, order, and prove it.',
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
export function searchGuide(query: string): readonly GuidePage[] {
  const words = query.toLowerCase().split(/\s+/).filter(Boolean);
  return GUIDE.filter(({ title, lines }) => {
    const text = [title, ...lines].join(' ').toLowerCase();
    return words.every((word) => text.includes(word));
  });
}
