import type { EarRun, EarTrial, Learner } from '../ear/index.ts';
import type { FretReading, Ordered } from '../intonation/index.ts';
import type { PluckOutcome, Presence, Reading } from '../listen/index.ts';
import type { LabelId } from '../message.ts';
import type { OwnTuning, Tuning } from '../music/index.ts';
import type { Round, RoundEntry } from '../rounds/index.ts';
import type {
  LogEntry,
  Measurement,
  PluckFacts,
  Session,
  StampedEvent,
  StringSummary,
  Summary,
} from '../sitting/index.ts';
import { MOST_NUMBER, STEPS } from '../sitting/index.ts';
import type { Course, Instrument, Peg, StringSpec } from '../strings/index.ts';
import type { SettingsRecord, StoredSettings } from './settings.ts';
import {
  type AnyShape,
  also,
  among,
  byField,
  choice,
  dictionary,
  flag,
  floats,
  list,
  moment,
  name,
  nullable,
  optional,
  positive,
  real,
  record,
  rows,
  type Shape,
  text,
  whole,
  yes,
} from './shape.ts';
import type {
  AirOfDay,
  FretCheck,
  Kept,
  Mark,
  RecordedPluck,
  Recording,
  Restringing,
} from './types.ts';

/** An instrument has so many strings at most, in courses of one to three. */
const MOST_STRINGS = 12;
const MOST_MEMBERS = 3;
/** Beyond any string and any microphone. */
const HIGHEST_HZ = 100_000;
/** No pitch lies further from any note than ten octaves. */
const FARTHEST_CENTS = 12_000;
/** A hundred years. */
const LONGEST_S = 3.2e9;

const id = name;
const course = () => whole(1, MOST_STRINGS);
const member = () => optional(whole(1, MOST_MEMBERS));
const cents = () => real(-FARTHEST_CENTS, FARTHEST_CENTS);
const error = () => real(0, FARTHEST_CENTS);
const hz = () => positive(HIGHEST_HZ);
const a4 = () => real(400, 480);
const capo = () => whole(1, 12);
const seed = () => whole(0, 2 ** 32 - 1);
const source = () =>
  among<Session['source']>({ practice: true, microphone: true, recording: true });
const kind = () =>
  among<Instrument['kind']>({ guitar: true, ukulele: true, banjo: true, bass: true });
const material = () =>
  among<StringSpec['material']>({ steel: true, nylon: true, fluorocarbon: true, gut: true });
const changedAt = () => optional(moment());

const peg = record<Peg>({
  kind: among<Peg['kind']>({ geared: true, planetary: true, direct: true }),
  postMm: positive(100),
  ratio: positive(1000),
  tighten: among<Peg['tighten']>({
    awayFromYou: true,
    towardsYou: true,
    clockwise: true,
    counterClockwise: true,
  }),
  known: among<Peg['known']>({ assumed: true, tested: true }),
  measured: optional(
    record<NonNullable<Peg['measured']>>({
      factor: positive(1000),
      error: positive(1000),
      turns: whole(0, 1e6),
      play: optional(
        record<NonNullable<NonNullable<Peg['measured']>['play']>>({
          turns: real(0, 1000),
          error: positive(1000),
          together: optional(real(-1, 1)),
        }),
      ),
      least: optional(
        record<NonNullable<NonNullable<Peg['measured']>['least']>>({
          turns: positive(1000),
          error: positive(1000),
          steps: whole(1, 1e6),
        }),
      ),
    }),
  ),
});

const spec = record<StringSpec>({
  material: material(),
  wound: flag(),
  diameterMm: positive(20),
  // Beyond this no wire is made, and its strength not known.
  coreMm: real(0.1, 6.5),
  unitWeight: positive(1),
});

const courses = list(
  record<Course>({
    number: course(),
    strings: list(record<Course['strings'][number]>({ spec, peg }), { min: 1, max: MOST_MEMBERS }),
  }),
  { min: 1, max: MOST_STRINGS },
);

const instrument = record<Kept<Instrument>>({
  id: id(),
  name: name(),
  kind: kind(),
  scaleMm: real(100, 2000),
  frets: whole(0, 40),
  courses: also(
    also(courses, 'problems.mostStrings', `must have ${MOST_STRINGS} strings at most`, (all) => {
      return all.reduce((sum, { strings }) => sum + strings.length, 0) <= MOST_STRINGS;
    }),
    'problems.numberedFromOne',
    'must be numbered from 1 on',
    (all) => all.every(({ number }, i) => number === i + 1),
  ),
  layout: among<Instrument['layout']>({
    '3+3': true,
    '4+3': true,
    '4+4': true,
    '6+6': true,
    '3+2': true,
    '2+2': true,
    '2+2+side': true,
    inLine: true,
    inLineReversed: true,
  }),
  bridge: among<Instrument['bridge']>({ fixed: true, loose: true, floating: true }),
  tuningId: id(),
  note: text(),
  groups: optional(list(name(), { max: 20 })),
  homeTuningId: optional(id()),
  archived: optional(yes()),
  leftHanded: optional(yes()),
  shortFrom: optional(whole(1, 12)),
  capo: optional(capo()),
  changedAt: changedAt(),
});

type TemperShape = NonNullable<Tuning['temper']>;

const tuning = record<Kept<OwnTuning>>({
  id: id(),
  name: name(),
  kind: kind(),
  courses: list(list(whole(12, 108), { min: 1, max: MOST_MEMBERS }), { min: 1, max: MOST_STRINGS }),
  accidental: among<Tuning['accidental']>({ sharp: true, flat: true }),
  aliases: optional(list(name(), { max: 50 })),
  temper: optional(
    byField<TemperShape, 'kind'>('kind', {
      equal: record({ kind: choice<'equal'>('equal') }),
      pure: record({ kind: choice<'pure'>('pure'), root: whole(0, 11), share: real(0, 1) }),
      own: record({
        kind: choice<'own'>('own'),
        offsets: list(real(-100, 100), { max: MOST_STRINGS }),
      }),
    }),
  ),
  changedAt: changedAt(),
});

const session = record<Kept<Session>>({
  id: id(),
  instrumentId: id(),
  tuningId: id(),
  a4: a4(),
  tolerance: positive(100),
  source: source(),
  startedAt: moment(),
  zone: name(),
  endedAt: nullable(moment()),
  capo: optional(capo()),
  work: optional(choice<'settling'>('settling')),
  adopted: optional(flag()),
  practiceSeed: optional(seed()),
  changedAt: changedAt(),
});

const way = () =>
  among<NonNullable<Restringing['way']>>({
    roundByRound: true,
    fivePulls: true,
    high: true,
  });
const restringing = record<Kept<Restringing>>({
  id: id(),
  instrumentId: id(),
  fittedAt: moment(),
  zone: name(),
  strings: list(
    record<Restringing['strings'][number]>({
      course: course(),
      member: member(),
      material: material(),
    }),
    { min: 1, max: MOST_STRINGS },
  ),
  lessonMinutes: positive(600),
  looks: list(moment(), { max: 1000 }),
  doneAt: nullable(moment()),
  practiceAheadMs: optional(whole(0, 1e13)),
  lessonAt: optional(nullable(moment())),
  lessonCents: optional(positive(50)),
  way: optional(way()),
  looksFrom: optional(moment()),
  changedAt: changedAt(),
});

const fret = () => whole(1, 36);
type Press = FretCheck['pressures'][number];
const pressure = () => among<Press>({ soft: true, normal: true, hard: true });

const fretReading = record<FretReading>({
  course: course(),
  member: member(),
  place: byField<FretReading['place'], 'kind'>('kind', {
    open: record({ kind: choice<'open'>('open') }),
    harmonic: record({ kind: choice<'harmonic'>('harmonic') }),
    fret: record<Extract<FretReading['place'], { kind: 'fret' }>>({
      kind: choice<'fret'>('fret'),
      fret: fret(),
      pressure: pressure(),
      capo: optional(yes()),
    }),
  }),
  cents: cents(),
  errorCents: positive(FARTHEST_CENTS),
  at: moment(),
  struckOut: optional(yes()),
  note: optional(text()),
});

const ordered = record<Ordered>({
  part: byField<Ordered['part'], 'kind'>('kind', {
    saddle: record({ kind: choice<'saddle'>('saddle') }),
    slant: record({ kind: choice<'slant'>('slant') }),
    nut: record({ kind: choice<'nut'>('nut') }),
    slots: record({ kind: choice<'slots'>('slots') }),
    action: record({ kind: choice<'action'>('action') }),
    hand: record({ kind: choice<'hand'>('hand') }),
    slot: record({ kind: choice<'slot'>('slot'), course: course() }),
    string: record({ kind: choice<'string'>('string'), course: course() }),
    fret: record({ kind: choice<'fret'>('fret'), fret: fret() }),
  }),
  cents: cents(),
  at: record({ course: course(), fret: fret() }),
});

const fretCheck = record<Kept<FretCheck>>({
  id: id(),
  instrumentId: id(),
  tuningId: id(),
  a4: a4(),
  source: source(),
  startedAt: moment(),
  zone: name(),
  courses: list(course(), { min: 1, max: MOST_STRINGS }),
  led: optional(yes()),
  limit: optional(real(4, 8)),
  proves: optional(ordered),
  frets: list(fret(), { min: 1, max: 100 }),
  pressures: list(pressure(), { min: 1, max: 10 }),
  readings: list(fretReading, { max: 10_000 }),
  doneAt: nullable(moment()),
  capo: optional(capo()),
  practiceSeed: optional(seed()),
  changedAt: changedAt(),
});

const presence = record<Presence>({
  peak: real(-400, 100),
  attack: real(-400, 400),
  rise: real(-400, 400),
  ripple: real(0, 400),
});

const reading = record<Reading>({
  kind: choice<'reading'>('reading'),
  hz: hz(),
  clarity: real(0, 1),
  errorCents: error(),
  spreadCents: error(),
  f0Hz: hz(),
  firstPartialHz: hz(),
  periodHz: hz(),
  inharmonicity: real(0, 1),
  freeInharmonicity: optional(real(0, 1)),
  moving: flag(),
  turned: optional(yes()),
  short: optional(flag()),
  windowFrom: real(0, LONGEST_S),
  windowLength: positive(LONGEST_S),
  levelDbfs: real(-400, 100),
  partials: rows<Reading['partials'][number]>(
    {
      number: { low: 1, high: 1000, whole: true },
      hz: { low: Number.MIN_VALUE, high: HIGHEST_HZ },
      errorCents: { low: 0, high: FARTHEST_CENTS },
      amplitude: { low: 0, high: 1e9 },
    },
    1000,
  ),
  presence: optional(presence),
});

type Unsure = Extract<PluckOutcome, { kind: 'not sure' }>['reason'];

const outcome = byField<PluckOutcome, 'kind'>('kind', {
  reading,
  'too quiet': record({ kind: choice<'too quiet'>('too quiet'), levelDbfs: real(-400, 100) }),
  'not sure': record({
    kind: choice<'not sure'>('not sure'),
    reason: among<Unsure>({
      'too short': true,
      'no pitch': true,
      unsteady: true,
      weak: true,
      'no pluck': true,
    }),
  }),
  'hum only': record({ kind: choice<'hum only'>('hum only'), mainsHz: choice<50 | 60>(50, 60) }),
  'more than one string': record({
    kind: choice<'more than one string'>('more than one string'),
    hz: list(hz(), { max: 100 }),
  }),
  interrupted: record({ kind: choice<'interrupted'>('interrupted') }),
  turned: record({ kind: choice<'turned'>('turned') }),
});

type Event<Type extends StampedEvent['type']> = Extract<StampedEvent, { type: Type }>;

const pluckFacts = record<PluckFacts>({
  inharmonicity: optional(real(0, 1)),
  levelDbfs: optional(real(-400, 100)),
  chosen: optional(course()),
  asked: optional(course()),
  sameNote: optional(yes()),
  alone: optional(yes()),
  presence: optional(presence),
  others: optional(yes()),
  told: optional(record<PluckFacts['told'] & {}>({ course: course(), cents: cents() })),
});

const event = byField<StampedEvent, 'type'>('type', {
  reading: record<Event<'reading'>>({
    type: choice<'reading'>('reading'),
    at: moment(),
    reading: record<Event<'reading'>['reading']>({
      course: course(),
      member: member(),
      cents: cents(),
      errorCents: error(),
      moving: flag(),
      turned: optional(yes()),
      short: optional(flag()),
      strummed: optional(flag()),
      hz: hz(),
      asked: optional(among<'pull' | 'leave'>({ pull: true, leave: true })),
      aim: optional(cents()),
    }),
    pluck: optional(pluckFacts),
  }),
  unattributed: record<Event<'unattributed'>>({
    type: choice<'unattributed'>('unattributed'),
    at: moment(),
    pitch: record<Event<'unattributed'>['pitch']>({
      hz: hz(),
      errorCents: error(),
      moving: flag(),
      turned: optional(yes()),
      short: optional(flag()),
    }),
    pluck: pluckFacts,
  }),
  attributed: record<Event<'attributed'>>({
    type: choice<'attributed'>('attributed'),
    at: moment(),
    hz: hz(),
    course: course(),
    cents: cents(),
    aim: optional(cents()),
    by: among<'evidence' | 'teacher'>({ evidence: true, teacher: true }),
  }),
  choose: record<Event<'choose'>>({
    type: choice<'choose'>('choose'),
    at: moment(),
    course: nullable(course()),
    member: member(),
  }),
  accept: record<Event<'accept'>>({
    type: choice<'accept'>('accept'),
    at: moment(),
    next: optional(course()),
  }),
  'peg test': record<Event<'peg test'>>({
    type: choice<'peg test'>('peg test'),
    at: moment(),
    course: course(),
    member: member(),
    turns: real(-1000, 1000),
    beforeHz: hz(),
    afterHz: hz(),
  }),
  said: record<Event<'said'>>({
    type: choice<'said'>('said'),
    at: moment(),
    course: course(),
    member: member(),
    of: moment(),
    step: choice(...STEPS),
    elapsed: optional(real(0, 1000 * LONGEST_S)),
  }),
  'room note': record<Event<'room note'>>({
    type: choice<'room note'>('room note'),
    at: moment(),
    note: record<Event<'room note'>['note']>({
      celsius: optional(real(-30, 60)),
      humidity: optional(real(0, 100)),
      broughtIn: optional(yes()),
      text: optional(text()),
    }),
  }),
  'next pass': record<Event<'next pass'>>({
    type: choice<'next pass'>('next pass'),
    at: moment(),
  }),
});

const logEntry = record<LogEntry>({
  id: id(),
  sessionId: id(),
  machine: name(),
  number: whole(0, MOST_NUMBER),
  event,
});

const measurement = record<Measurement>({
  id: id(),
  sessionId: id(),
  reading,
  track: floats(),
});

const recording = record<Recording>({
  id: id(),
  name: name(),
  readAt: moment(),
  sampleRate: positive(1e7),
  duration: positive(LONGEST_S),
  envelope: floats(),
  plucks: list(
    record<RecordedPluck>({
      start: real(0, LONGEST_S),
      length: real(0, LONGEST_S),
      outcome,
      track: floats(),
      clipped: flag(),
    }),
  ),
  warnings: list(text(), { max: 1000 }),
  sessionId: nullable(id()),
});

const MOST_IN_A_ROUND = 200;

const roundEntry = record<RoundEntry>({
  instrumentId: id(),
  number: whole(1, MOST_IN_A_ROUND),
  standing: among<RoundEntry['standing']>({
    waiting: true,
    right: true,
    done: true,
    off: true,
    skipped: true,
    needsString: true,
    toRepairer: true,
  }),
  minutes: optional(real(0, 1e4)),
  sessionId: optional(id()),
  from: optional(moment()),
  to: optional(moment()),
});

const round = record<Kept<Round>>({
  id: id(),
  name: name(),
  way: among<Round['way']>({ anyOrder: true, rollCall: true }),
  madeAt: moment(),
  zone: name(),
  by: nullable(moment()),
  entries: list(roundEntry, { min: 1, max: MOST_IN_A_ROUND }),
  inHand: nullable(id()),
  endedAt: nullable(moment()),
  changedAt: changedAt(),
});

const mark = record<Kept<Mark>>({
  id: id(),
  instrumentId: id(),
  kind: among<Mark['kind']>({ loan: true, repair: true, note: true }),
  at: moment(),
  until: nullable(moment()),
  zone: name(),
  text: text(),
  changedAt: changedAt(),
});

const airOfDay = record<Kept<AirOfDay>>({
  id: name(),
  celsius: optional(real(-30, 60)),
  humidity: optional(real(0, 100)),
  changedAt: changedAt(),
});

type SettingOf<K extends keyof StoredSettings> = NonNullable<StoredSettings[K]>;

const settings = record<Kept<SettingsRecord>>({
  id: choice<'settings'>('settings'),
  value: record<StoredSettings>({
    a4: optional(a4()),
    tolerance: optional(real(0.5, 20)),
    order: optional(among<SettingOf<'order'>>({ thickestFirst: true, thinnestFirst: true })),
    wires: optional(among<SettingOf<'wires'>>({ asYouLookDown: true, turnedRound: true })),
    keysOn: optional(flag()),
    practiceSound: optional(flag()),
    referenceVolume: optional(real(0, 1)),
    spokenArrival: optional(flag()),
    pulse: optional(flag()),
    microphoneId: optional(nullable(text())),
    channel: optional(among<SettingOf<'channel'>>({ left: true, right: true, mix: true })),
    instrumentId: optional(nullable(id())),
    planOrder: optional(
      among<SettingOf<'planOrder'>>({
        planned: true,
        thickestFirst: true,
        thinnestFirst: true,
      }),
    ),
    aiming: optional(flag()),
    moves: optional(among<SettingOf<'moves'>>({ manySmall: true, oneBold: true })),
    pegsSeen: optional(among<SettingOf<'pegsSeen'>>({ playing: true, facing: true, table: true })),
    wording: optional(among<SettingOf<'wording'>>({ full: true, short: true })),
    earFeedback: optional(
      among<SettingOf<'earFeedback'>>({ words: true, stroke: true, none: true }),
    ),
    learnerId: optional(nullable(id())),
    referenceTone: optional(among<SettingOf<'referenceTone'>>({ plucked: true, sustained: true })),
    force: optional(among<SettingOf<'force'>>({ N: true, kgf: true, lbf: true })),
    notes: optional(among<SettingOf<'notes'>>({ english: true, german: true, syllables: true })),
    signs: optional(among<SettingOf<'signs'>>({ tuning: true, sharp: true, flat: true })),
    decimal: optional(among<SettingOf<'decimal'>>({ '.': true, ',': true })),
    length: optional(among<SettingOf<'length'>>({ mm: true, inch: true })),
    dates: optional(
      among<SettingOf<'dates'>>({
        '': true,
        'en-GB': true,
        'en-US': true,
        'de-DE': true,
        'sv-SE': true,
      }),
    ),
    phrases: optional(dictionary(text())),
    pedals: optional(dictionary(record({ key: text(), act: text() }))),
  }),
  changedAt: changedAt(),
});

const learner = record<Kept<Learner>>({ id: id(), name: name(), changedAt: changedAt() });

/** The longest exercise has so many questions, and a path so many steps. */
const MOST_QUESTIONS = 1000;
const MOST_STEPS = 4000;

const earTrial = record<EarTrial>({
  at: moment(),
  cell: name(),
  asked: cents(),
  answer: optional(name()),
  among: optional(whole(2, 100)),
  off: optional(cents()),
  tookMs: optional(real(0, 1000 * LONGEST_S)),
  path: optional(list(real(-1e9, 1e9), { max: MOST_STEPS })),
  hands: optional(dictionary(whole(0, 1000))),
});

const earRun = record<Kept<EarRun>>({
  id: id(),
  learnerId: nullable(id()),
  exercise: among<EarRun['exercise']>({
    direction: true,
    match: true,
    beats: true,
    string: true,
    pure: true,
    sing: true,
    whole: true,
    touch: true,
    class: true,
  }),
  staircase: optional(yes()),
  minute: optional(yes()),
  startedAt: moment(),
  zone: name(),
  doneAt: nullable(moment()),
  instrumentId: optional(id()),
  aid: optional(
    among<NonNullable<EarRun['aid']>>({
      display: true,
      allTones: true,
      oneTone: true,
      memory: true,
    }),
  ),
  trials: list(earTrial, { max: MOST_QUESTIONS }),
  changedAt: changedAt(),
});

const leftFrom = {
  found: nullable(cents()),
  foundError: nullable(error()),
  left: nullable(cents()),
  leftError: nullable(error()),
  leftHz: nullable(hz()),
  inTune: optional(nullable(flag())),
  leftAim: optional(cents()),
  leftAt: nullable(moment()),
};

/** Made from the log, and kept beside it. */
export const summary = record<Summary>({
  id: id(),
  instrumentId: id(),
  startedAt: moment(),
  form: whole(0, 1e6),
  tolerance: optional(positive(100)),
  strings: list(
    record<StringSummary>({
      course: course(),
      member: whole(1, MOST_MEMBERS),
      ...leftFrom,
      plucks: whole(0, 1e9),
    }),
    { max: MOST_STRINGS },
  ),
  passes: whole(1, 1e9),
  passBegun: flag(),
  plucks: whole(0, 1e9),
  events: whole(0, 1e9),
  upTo: whole(0, Number.MAX_SAFE_INTEGER),
});

/** Every table that a backup holds, in the order in which they refer to each other. */
export const TABLES = {
  settings: { shape: settings, one: 'problems.oneSettings', refers: {} },
  instruments: { shape: instrument, one: 'problems.oneInstrument', refers: {} },
  tunings: { shape: tuning, one: 'problems.oneTuning', refers: {} },
  restringings: {
    shape: restringing,
    one: 'problems.oneRestringing',
    refers: { instrumentId: 'instruments' },
  },
  fretChecks: {
    shape: fretCheck,
    one: 'problems.oneFretCheck',
    refers: { instrumentId: 'instruments' },
  },
  sessions: { shape: session, one: 'problems.oneSitting', refers: { instrumentId: 'instruments' } },
  events: { shape: logEntry, one: 'problems.oneEvent', refers: { sessionId: 'sessions' } },
  measurements: { shape: measurement, one: 'problems.oneMeasurement', refers: { id: 'events' } },
  recordings: { shape: recording, one: 'problems.oneRecording', refers: {} },
  // An instrument of a round may be gone: the round still tells of the others.
  rounds: { shape: round, one: 'problems.oneRound', refers: {} },
  marks: { shape: mark, one: 'problems.oneMark', refers: { instrumentId: 'instruments' } },
  climate: { shape: airOfDay, one: 'problems.oneClimate', refers: {} },
  learners: { shape: learner, one: 'problems.oneLearner', refers: {} },
  // A learner may be gone: what was heard is kept without a name.
  earRuns: { shape: earRun, one: 'problems.oneEarRun', refers: {} },
} as const satisfies Readonly<Record<string, Table>>;

interface Table {
  readonly shape: AnyShape;
  /** What one of them is called. */
  readonly one: LabelId;
  /** Fields that name a record of another table, which must be there. */
  readonly refers: Readonly<Record<string, string>>;
}

export type TableName = keyof typeof TABLES;
type TypeOf<S> = S extends Shape<infer T> ? T : never;
/** The record of each table. */
export type Tables = { readonly [K in TableName]: TypeOf<(typeof TABLES)[K]['shape']> };
export const TABLE_NAMES = Object.keys(TABLES) as TableName[];
