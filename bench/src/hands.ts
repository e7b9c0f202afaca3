import { afterPluck, attributionOf, type Beliefs, type Setup, sharesOf, startBeliefs } from '@rosefinch/core/attribution';
import { whoSounded, knowledgeOf } from '@rosefinch/core/listen';
import { tuningsFor, findTuning } from '@rosefinch/core/music';
import { soundingLength, stiffnessOf } from '@rosefinch/core/strings';
import { HABITS, type HandString, heardOf, neighbourNote, type Scene, STARTS, sceneOf, turnTowards } from './foreign/hands.ts';

const REBOOK = 0.85;
const FAR = 80;

interface Tally { plucks: number; far: number; wrong: number; right: number; asked: number; endWrong: number; endRight: number; questions: number; notOffered: number; near: number; nearWrong: number; nearRight: number; chosen: number; chosenBelieved: number; neigh: number; neighBooked: number; scenes: number; ms: number }
const zero = (): Tally => ({ plucks: 0, far: 0, wrong: 0, right: 0, asked: 0, endWrong: 0, endRight: 0, questions: 0, notOffered: 0, near: 0, nearWrong: 0, nearRight: 0, chosen: 0, chosenBelieved: 0, neigh: 0, neighBooked: 0, scenes: 0, ms: 0 });

function setupOf({ strings, order, instrument }: Scene, priors: boolean): Setup {
  const id = instrument.tuningId;
  const { kind } = findTuning(id)!;
  return {
    strings: strings.map(({ target }, i) => {
      const spec = instrument.courses[i]!.strings[0]!.spec;
      const b = stiffnessOf(spec, soundingLength(instrument, target.course), target.hz);
      return { target, ...(priors && { stiffness: { mean: Math.log(b * target.hz ** 2), sigma: 0.85 } }) };
    }),
    order,
    tunings: tuningsFor(kind, strings.length).map((t) => t.courses.map(([m], i) => 100 * (m! - strings[i]!.target.midi))),
    tolerance: 2,
  };
}

/** The screen's own order: the string in hand until it was twice in tune, then the next that is not. */
class Screen {
  active: number | null = null;
  done = new Map<number, number>();
  constructor(readonly order: readonly number[]) {}
  asked(): number {
    if (this.active === null) return this.order[0]!;
    if ((this.done.get(this.active) ?? 0) < 2) return this.active;
    const from = this.order.indexOf(this.active);
    for (let k = 1; k <= this.order.length; k++) {
      const c = this.order[(from + k) % this.order.length]!;
      if ((this.done.get(c) ?? 0) < 2) return c;
    }
    return this.active;
  }
  booked(course: number, cents: number): void {
    this.active = course;
    this.done.set(course, Math.abs(cents) <= 3 ? (this.done.get(course) ?? 0) + 1 : 0);
  }
}

export function playScene(scene: Scene, tally: Tally, old: boolean): void {
  const { random, strings, habit } = scene;
  const setup = setupOf(scene, true);
  let beliefs: Beliefs = startBeliefs(setup);
  const screen = new Screen(scene.order);
  const log: { firm?: boolean; truth: number | null; far: boolean; booked: number | null; hz: number; b?: number }[] = [];
  let questions = 0;
  const booked: { course: number; hz: number; inharmonicity: number }[] = [];
  const hear = (truth: HandString | null, chosen: number | null) => {
    const note = truth ? heardOf(scene, truth) : neighbourNote(scene);
    const asked = screen.asked();
    const pluck = { ...note, chosen, asked };
    const t0 = performance.now();
    let who!: ReturnType<typeof attributionOf> | ReturnType<typeof whoSounded>;
    if (old) who = whoSounded(note, knowledgeOf(strings.map(({ target }) => target), booked), chosen, screen.active === null ? null : asked);
    const before = beliefs;
    if (!old) { beliefs = afterPluck(beliefs, pluck); who = attributionOf(beliefs, pluck); }
    const entry = { truth: truth?.target.course ?? null, far: truth !== null && Math.abs(truth.cents) > FAR, booked: null as number | null, hz: note.hz };
    log.push(entry);
    if (chosen !== null && who.kind === 'known' && who.course === chosen) (entry as { firm?: boolean }).firm = true;
    if (who.kind === 'known') entry.booked = who.course;
    else if (who.kind === 'doubt' && (old || (questions < 1 && (who as any).worthAsking))) {
      // The teacher answers by a number.
      questions++; tally.questions++;
      if (truth) { if (!who.courses.includes(truth.target.course)) tally.notOffered++; }
      if (truth) { entry.booked = truth.target.course; if (!old) beliefs = afterPluck(before, { ...pluck, named: truth.target.course }); }
    }
    tally.ms += performance.now() - t0;
    if (entry.booked !== null) {
      const s = strings.find((x) => x.target.course === entry.booked)!;
      screen.booked(entry.booked, 1200 * Math.log2(note.hz / s.target.hz));
      booked.push({ course: entry.booked, hz: note.hz, inharmonicity: (note as { inharmonicity?: number }).inharmonicity ?? 5e-5 });
    }
    if (truth) {
      const c = truth.target.course;
      tally.plucks++;
      const said = who.kind === 'known' ? who.course : null;
      if (chosen === c) { tally.chosen++; if (said === c) tally.chosenBelieved++; else if (process.env.SHOW) console.log('disbelieved', scene.start, 'chosen', c, truth.cents.toFixed(0), 'said', JSON.stringify(who), log.slice(-8).map((e) => e.truth + (e.booked === e.truth ? '' : '>' + e.booked)).join(' ')); }
      if (entry.far) { tally.far++; if (said === c) tally.right++; else if (said !== null) { tally.wrong++; } else tally.asked++; }
      else { tally.near++; if (said === c) tally.nearRight++; else if (said !== null) tally.nearWrong++; }
    } else { tally.neigh++; if (who.kind === 'known') tally.neighBooked++; }
    if (!old) for (let ago = 1; ago < Math.min(30, log.length); ago++) {
      const past = log[log.length - 1 - ago]!;
      const best = sharesOf(beliefs, ago)[0];
      if (!past.firm && best && best.part.node === 1 && best.part.course > 0 && best.probability >= REBOOK && best.part.course !== past.booked) {
        past.booked = best.part.course;
      }
    }
  };
  const order = habit === 'random' ? shuffled(scene.order, random) : [...scene.order];
  if (habit === 'returns') order.splice(Math.floor(order.length / 2), 0, order[0]!);
  const tuneOne = (s: HandString, digits: boolean) => {
    let right = 0;
    for (let n = 0; n < 9 && right < 2; n++) {
      if (scene.neighbours && random() < 0.06) hear(null, digits ? s.target.course : null);
      hear(s, digits ? s.target.course : null);
      if (Math.abs(s.cents) <= 3) right++;
      else if (random() < 0.88) { turnTowards(scene, s); right = 0; }
      // Turned on while it rings, unheard.
      if (Math.abs(s.cents) > 3 && random() < 0.2) turnTowards(scene, s);
    }
  };
  for (const course of order) {
    const s = strings.find((x) => x.target.course === course)!;
    if (habit === 'asked' && log.length > 0 && random() < 0.85) {
      // Does what the screen asks for, unless it asks for what is done.
      const a = strings.find((x) => x.target.course === screen.asked())!;
      if (Math.abs(a.cents) > 3) { tuneOne(a, false); continue; }
    }
    tuneOne(s, habit === 'digit');
  }
  for (const e of log) if (e.truth !== null && e.far) { if (e.booked === e.truth) tally.endRight++; else if (e.booked !== null) tally.endWrong++; }
  tally.scenes++;
}

function shuffled(courses: readonly number[], random: () => number): number[] {
  const all = [...courses];
  for (let i = all.length - 1; i > 0; i--) { const j = Math.floor((i + 1) * random()); [all[i], all[j]] = [all[j]!, all[i]!]; }
  return all;
}

export function handFigures(first: number, scenes: number): void {
  const pct = (a: number, b: number) => b ? ((100 * a) / b).toFixed(1).padStart(5) : '    –';
  for (const old of [true, false]) {
    console.log(old ? 'each pluck alone' : 'all together');
    const rows: [string, Tally][] = [['all', zero()], ...HABITS.map((h): [string, Tally] => [h, zero()]), ...STARTS.map((h): [string, Tally] => [h, zero()])];
    for (let seed = first; seed < first + scenes; seed++) {
      const s = sceneOf(seed);
      const t = zero(); playScene(s, t, old);
      for (const [name, sum] of rows) if (name === 'all' || name === s.habit || name === s.start) for (const k of Object.keys(sum) as (keyof Tally)[]) sum[k] += t[k];
    }
    for (const [name, t] of rows)
      console.log(`${name.padEnd(13)} far ${String(t.far).padStart(5)} wrong ${pct(t.wrong, t.far)} right ${pct(t.right, t.far)} end wrong ${pct(t.endWrong, t.far)} right ${pct(t.endRight, t.far)} | near ${t.near} wrong ${pct(t.nearWrong, t.near)} right ${pct(t.nearRight, t.near)} | chosen ${pct(t.chosenBelieved, t.chosen)} | q/scene ${(t.questions / t.scenes).toFixed(2)} not offered ${t.notOffered} | neighbours ${t.neighBooked}/${t.neigh} | ${(t.ms / t.plucks).toFixed(2)} ms`);
  }
}
if (process.argv[1]?.endsWith('hands.ts')) handFigures(Number(process.argv[2] ?? 1), Number(process.argv[3] ?? 300));
