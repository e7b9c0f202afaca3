import { fretPlace } from '../fretboard/index.ts';
import type { Cents } from '../units.ts';
import type { Pressure } from './map.ts';
import {
  FINGER_MM,
  FINGER_SHARE,
  LAST_FRET,
  type Neck,
  type NeckString,
  octaveShare,
  pressedCents,
  pressedUnderCapo,
  saddleCents,
} from './neck.ts';
import { type Part, samePart } from './part.ts';
import { CENTS_PER_E } from './saddle.ts';

/*
 * How far sound instruments and ordinary hands differ from the middle, one standard deviation each. All of it
 * common practice or memory, no source.
 */
/** Places on a neck of a guitar's scale, in mm; shorter necks are built as much finer. */
const GUITAR_SCALE = 648;
const SADDLE = { all: 0.3, slant: 0.25, each: 0.35 } as const;
/** How far a maker’s saddle follows the strings, as a share of what each would want. */
const FOLLOWING = 0.35;
const NUT = { all: 0.12, each: 0.05 } as const;
const FRET = 0.06;
/** Heights, in mm. */
const SLOT = { all: 0.12, each: 0.12 } as const;
const ACTION = { all: 0.3, each: 0.15 } as const;
/** How stiff strings are against their figures, as a share. */
const STIFF = { all: 0.2, each: 0.12 } as const;
/** The hand: how hard it holds on the whole, each string and each pressure against the normal one, as a share of a usual one. */
const HAND = { all: 0.6, each: 0.35, soft: 0.25, hard: 1.2 } as const;
/** How much more the wider first frets give way under a finger: the power of their width. */
const WIDTH = 0.8;
/** How far the first fret is out of line on all strings, as a share of the finger, half as far at the second: the nut holds a string as no fret does. */
const FIRST_FRET = 0.6;
/** How much of its own heights, and of the hand that plays it, a saddle was set by: a loose bridge is put where its player hears the octaves right. */
const SET_BY_HEIGHT = 0.8;
const SET_BY_HAND = { maker: 0.5, player: 0.9 } as const;
/** What a capo on fret 1 adds to every note of a string, in cents: on all, and each. */
const CAPO = { all: 6, each: 4 } as const;
/** What no term describes, smooth along a string, in cents. */
const LEFT_OVER: Cents = 0.6;
const WAVES = [1, 2, 3] as const;
/** How far an open string wanders in ten minutes, in cents: all alike, and each. */
const WANDERS = { all: 1, each: 1.2, in: 600_000 } as const;
/** An open string may stand anywhere, in cents. */
const OPEN: Cents = 60;

/** Sizes of real faults, in cents at the fret where they are greatest. */
const FAULT = { saddle: 9, nut: 8, slot: 8, action: 8, fret: 8, string: 7, wave: 3 } as const;
/** No slot and no action is wrong by more, in mm. */
const MOST_MM = { slot: 2, action: 4 } as const;
/** Which finger is far from the usual one, as so many of it. */
const FAR_HAND = 2;

/** A part with how common its faults are, against none, and the columns of its effect. */
export interface PartRow {
  readonly part: Part;
  readonly odds: number;
  readonly columns: readonly number[];
  /** It can be too high alone: what lies lower than a good slot or a good action buzzes, and is heard as that. */
  readonly upwards: boolean;
}

const UPWARDS: readonly Part['kind'][] = ['slots', 'slot', 'action', 'hand'];

/** How common each fault is among instruments that are brought to a check; common practice, no source. */
const ODDS = {
  saddle: 0.05,
  slant: 0.025,
  nut: 0.03,
  slots: 0.04,
  slot: 0.007,
  action: 0.03,
  hand: 0.05,
  fret: 0.01,
  string: 0.015,
} as const;

/** What the unknowns do to one place: cents for one standard deviation of each. */
export interface Effects {
  readonly mean: Cents;
  readonly base: Float64Array;
  /** The numbers of those that do anything. */
  readonly which: readonly number[];
  readonly faults: Float64Array;
}

/** A string as it is stretched at a place. */
interface Bent {
  readonly fret: number;
  readonly pressure: Pressure;
  readonly capo: boolean;
  /** What the finger does, against one that holds as in playing. */
  readonly share: number;
  /** Cents by the heights alone, and by a finger as in playing. */
  readonly height: Cents;
  readonly finger: Cents;
  /** Cents that a slot, and an action, so much higher adds. */
  readonly slot: (mm: number) => Cents;
  readonly action: (mm: number) => Cents;
}

/** What stretching comes to at the octave, in cents. */
interface AtOctave {
  readonly pressed: Cents;
  readonly action: Cents;
  readonly finger: Cents;
}

/** A fretted place of one string, or the open string. */
export interface Place {
  readonly course: number;
  /** 0 is open. */
  readonly fret: number;
  readonly pressure: Pressure;
  /** Under a capo on fret 1. */
  readonly capo?: true;
}

/** Each part that may be at fault, with its columns one after the other. Under a capo nothing of the nut is in question. */
function partRows({ strings, capo }: Neck, frets: readonly number[]): PartRow[] {
  const rows: PartRow[] = [];
  let column = 0;
  const add = (part: Part, odds: number, columns = 1) => {
    const own = Array.from({ length: columns }, () => column++);
    rows.push({ part, odds, columns: own, upwards: UPWARDS.some((kind) => kind === part.kind) });
  };
  const ofNut = (odds: number) => (capo ? 0 : odds);
  add({ kind: 'saddle' }, ODDS.saddle);
  add({ kind: 'slant' }, ODDS.slant);
  add({ kind: 'nut' }, ofNut(ODDS.nut));
  add({ kind: 'slots' }, ofNut(ODDS.slots));
  add({ kind: 'action' }, ODDS.action);
  add({ kind: 'hand' }, ODDS.hand);
  for (const { course } of strings) add({ kind: 'slot', course }, ofNut(ODDS.slot));
  for (const { course } of strings) add({ kind: 'string', course }, ODDS.string, 1 + 2);
  for (const fret of frets) add({ kind: 'fret', fret }, ODDS.fret);
  return rows;
}

/** All that may be unknown of a neck. */
export class Unknowns {
  readonly parts: readonly PartRow[];
  readonly baseCount: number;
  readonly faultCount: number;
  private readonly waves: number;
  private readonly frets: readonly number[];
  private readonly kept = new Map<number, Effects>();
  /** What each fault of heights is, in mm for one standard deviation. */
  readonly slotMm: ReadonlyMap<number | 'all', number>;
  readonly actionMm: number;

  constructor(readonly neck: Neck) {
    const n = neck.strings.length;
    const most = Math.max(...neck.strings.map(({ startFret }) => startFret));
    this.frets = Array.from({ length: LAST_FRET + most }, (_, i) => i + 1);
    this.waves = WAVES.length;
    // Per string: open, drift, saddle, nut, slot, action, stiffness, finger, waves; then what all share, then the frets.
    this.baseCount = (OWN + this.waves) * n + SHARED + this.frets.length;
    this.parts = partRows(neck, this.frets);
    this.faultCount = this.parts.reduce((sum, { columns }) => sum + columns.length, 0);
    this.slotMm = new Map<number | 'all', number>([
      [
        'all',
        this.sized(
          (mm) => Math.max(...neck.strings.map((s) => this.slotCents(s, mm, 1))),
          FAULT.slot,
          MOST_MM.slot,
        ),
      ],
      ...neck.strings.map(
        (s) =>
          [
            s.course,
            this.sized((mm) => this.slotCents(s, mm, 1), FAULT.slot, MOST_MM.slot),
          ] as const,
      ),
    ]);
    this.actionMm = this.sized(
      (mm) => Math.max(...neck.strings.map((s) => this.actionCents(s, mm, LAST_FRET))),
      FAULT.action,
      MOST_MM.action,
    );
  }

  /** The row of a part. */
  rowOf(part: Part): PartRow {
    return this.parts.find((row) => samePart(row.part, part))!;
  }

  /** What the unknowns do to a place. */
  at(place: Place): Effects {
    const pressed = FINGER_SHARE[place.pressure];
    const under = place.capo ? MOST_FRETS / 2 : 0;
    const key = MOST_FRETS * place.course + under + place.fret + pressed / MOST_FRETS;
    const kept = this.kept.get(key);
    if (kept) return kept;
    const made = this.effectsOf(place);
    this.kept.set(key, made);
    return made;
  }

  /** The same of a reading, which the open string’s place and its wandering are in as well. */
  read(place: Place, at: number): Float64Array {
    const base = Float64Array.from(this.at(place).base);
    const i = this.indexOf(place.course);
    const wandered = at / WANDERS.in;
    base[i * (OWN + this.waves)] = OPEN;
    base[i * (OWN + this.waves) + 1] = WANDERS.each * wandered;
    base[(OWN + this.waves) * this.neck.strings.length] = WANDERS.all * wandered;
    return base;
  }

  private indexOf(course: number): number {
    return this.neck.strings.findIndex((s) => s.course === course);
  }

  /** The height by which a fault comes to its usual size, in mm. */
  private sized(cents: (mm: number) => Cents, size: Cents, most: number): number {
    let [low, high] = [0, most];
    for (let k = 0; k < HALVINGS; k++) {
      const middle = (low + high) / 2;
      if (cents(middle) < size) low = middle;
      else high = middle;
    }
    return high;
  }

  private pressed(s: NeckString, heights: Neck['heights'], fret: number): Cents {
    return pressedCents(s, heights, fret, FINGER_MM);
  }

  /** What a slot so much higher adds at a fret. */
  slotCents(s: NeckString, mm: number, fret: number): Cents {
    const { heights } = this.neck;
    const higher = { ...heights, slotMm: heights.slotMm + mm };
    return this.pressed(s, higher, fret) - this.pressed(s, heights, fret);
  }

  /** What an action so much higher at fret 12 adds at a fret, the slot staying. */
  actionCents(s: NeckString, mm: number, fret: number): Cents {
    const { heights } = this.neck;
    const higher = { ...heights, actionMm: heights.actionMm + mm };
    return this.pressed(s, higher, fret) - this.pressed(s, heights, fret);
  }

  private effectsOf(place: Place): Effects {
    const base = new Float64Array(this.baseCount);
    const faults = new Float64Array(this.faultCount);
    const i = this.indexOf(place.course);
    const s = this.neck.strings[i];
    if (!s || place.fret === 0) return { mean: 0, base, which: [], faults };
    const bent = this.bentAt(s, place);
    const mean =
      bent.height + bent.share * bent.finger + saddleCents(s.scaleMm, s.saddleMm, place.fret);
    this.putBase(base, i, s, bent);
    this.putFaults(faults, s, bent);
    const which = [...base.keys()].filter((k) => base[k] !== 0);
    return { mean, base, which, faults };
  }

  /** How a string is stretched at a place. Under a capo no slot is in it, and behind the capo no finger. */
  private bentAt(s: NeckString, { fret, pressure, capo }: Place): Bent {
    const share = FINGER_SHARE[pressure];
    const { heights } = this.neck;
    if (!capo)
      return {
        fret,
        pressure,
        share,
        capo: false,
        height: pressedCents(s, heights, fret, 0),
        finger: this.fingerCents(s, fret),
        slot: (mm) => this.slotCents(s, mm, fret),
        action: (mm) => this.actionCents(s, mm, fret),
      };
    const under = (mm: number, fingerMm = 0) =>
      pressedUnderCapo(s, { ...heights, actionMm: heights.actionMm + mm }, fret, fingerMm);
    return {
      fret,
      pressure,
      share,
      capo: true,
      height: under(0),
      finger: under(0, FINGER_MM) - under(0),
      slot: () => 0,
      action: (mm) => under(mm) - under(0),
    };
  }

  private fingerCents(s: NeckString, fret: number): Cents {
    return (
      pressedCents(s, this.neck.heights, fret, FINGER_MM) -
      pressedCents(s, this.neck.heights, fret, 0)
    );
  }

  private putBase(base: Float64Array, i: number, s: NeckString, bent: Bent): void {
    const { fret, pressure, finger, share, capo } = bent;
    const scale = s.scaleMm / GUITAR_SCALE;
    const x = fretPlace(1, fret);
    const perMm = saddleCents(s.scaleMm, 1, fret);
    const nut = (CENTS_PER_E / s.scaleMm) * scale;
    const [slot, action] = [bent.slot(SLOT.all), bent.action(ACTION.all)];
    const pressed = bent.height + finger;
    // The first frets are wider; a finger’s share of each goes by a power of it.
    const width = Math.log(widthAt(fret) / widthAt(MIDDLE_FRET));
    const own = i * (OWN + this.waves);
    const octave = octaveShare(fret);
    const { each, all } = this.takenUp(i);
    base.set(
      [
        0,
        0,
        SADDLE.each * scale * perMm,
        NUT.each * nut,
        (SLOT.each / SLOT.all) * slot,
        (ACTION.each / ACTION.all) * (action - each.action * octave),
        STIFF.each * (pressed - each.pressed * octave),
        HAND.each * (share * finger - each.finger * octave),
        capo ? CAPO.each : 0,
        ...WAVES.map((k) => LEFT_OVER * Math.sin(Math.PI * k * 2 * x)),
      ],
      own,
    );
    const shared = (OWN + this.waves) * this.neck.strings.length;
    base.set(
      [
        0,
        SADDLE.all * scale * perMm,
        SADDLE.slant * scale * perMm * s.across,
        NUT.all * nut,
        slot,
        action - all.action * octave,
        STIFF.all * (pressed - all.pressed * octave),
        HAND.all * (share * finger - all.finger * octave),
        pressure === 'soft' ? HAND.soft * finger : 0,
        pressure === 'hard' ? HAND.hard * finger : 0,
        WIDTH * width * share * finger,
        (FIRST_FRET * share * finger) / 2 ** (fret - 1),
        FOLLOWING * s.apartMm * perMm,
        capo ? CAPO.all : 0,
      ],
      shared,
    );
    const ofNeck = fret + s.startFret - 1;
    if (ofNeck < this.frets.length)
      base[shared + SHARED + ofNeck] = (CENTS_PER_E * FRET * scale) / (s.scaleMm * (1 - x));
  }

  /**
   * What of an instrument’s own stretching its saddle takes back at the octave, in cents: it was set where the octaves
   * of this instrument came out, by a hand that may be another one.
   */
  private takenUp(i: number): { readonly each: AtOctave; readonly all: AtOctave } {
    const { neck } = this;
    const octaves = neck.strings.map((s) => ({
      pressed: this.pressed(s, neck.heights, LAST_FRET),
      action: this.actionCents(s, ACTION.all, LAST_FRET),
      finger: this.fingerCents(s, LAST_FRET),
    }));
    const own = octaves[i]!;
    const taken = (of: keyof AtOctave, share: number) => {
      const mean = octaves.reduce((sum, one) => sum + one[of], 0) / octaves.length;
      return {
        each: share * neck.follows * own[of],
        all: share * (mean + neck.follows * (own[of] - mean)),
      };
    };
    const hand = neck.bridge === 'fixed' ? SET_BY_HAND.maker : SET_BY_HAND.player;
    const [pressed, action, finger] = [
      taken('pressed', 1),
      taken('action', SET_BY_HEIGHT),
      taken('finger', hand),
    ];
    return {
      each: { pressed: pressed.each, action: action.each, finger: finger.each },
      all: { pressed: pressed.all, action: action.all, finger: finger.all },
    };
  }

  private putFaults(faults: Float64Array, s: NeckString, bent: Bent): void {
    const { fret, finger, share } = bent;
    const put = (part: Part, ...cents: Cents[]) => {
      const { columns } = this.rowOf(part);
      for (const [k, column] of columns.entries()) faults[column] = cents[k] ?? 0;
    };
    const octave = octaveShare(fret);
    const x = fretPlace(1, fret);
    put({ kind: 'saddle' }, FAULT.saddle * octave);
    put({ kind: 'slant' }, FAULT.saddle * octave * s.across);
    put({ kind: 'nut' }, FAULT.nut);
    put({ kind: 'slots' }, bent.slot(this.slotMm.get('all') ?? 0));
    put({ kind: 'action' }, bent.action(this.actionMm));
    put({ kind: 'hand' }, FAR_HAND * share * finger);
    put({ kind: 'slot', course: s.course }, bent.slot(this.slotMm.get(s.course) ?? 0));
    put(
      { kind: 'string', course: s.course },
      FAULT.string * octave,
      FAULT.wave * Math.sin(2 * Math.PI * x),
      FAULT.wave * (1 - Math.cos(2 * Math.PI * x)),
    );
    const ofNeck = fret + s.startFret;
    if (ofNeck <= this.frets.length) put({ kind: 'fret', fret: ofNeck }, FAULT.fret);
  }
}

/** Unknowns that each string has for itself before its waves, and that all share before the frets. */
const OWN = 9;
const SHARED = 14;
const HALVINGS = 20;
/** More than any neck has. */
const MOST_FRETS = 64;
/** The fret at which a finger’s share is the usual one. */
const MIDDLE_FRET = 6;

const widthAt = (fret: number) => fretPlace(1, fret) - fretPlace(1, fret - 1);
