import {
  changedCheck,
  type FretTalk,
  fretAsked,
  fretTalk,
  startFretTalk,
} from '@rosefinch/core/dialogue';
import { outcomeOf, readingAt } from '@rosefinch/core/dialogue/benchFixture';
import { judgementOf, MOST_PLUCKS, type Neck, neckOf, partKey } from '@rosefinch/core/intonation';
import { seededRandom } from '@rosefinch/core/maths';
import { shiftHz } from '@rosefinch/core/music';
import type { FretCheck } from '@rosefinch/core/records';
import { expect } from 'chai';
import { type FaultKind, type ForeignNeck, foreignNeck } from './foreign/necks.ts';

const EACH_MS = 8000;

const checkOf = ({ instrument }: ForeignNeck): FretCheck => ({
  id: 'check',
  instrumentId: instrument.id,
  tuningId: instrument.tuningId,
  a4: 440,
  source: 'microphone',
  startedAt: 0,
  zone: 'UTC',
  courses: instrument.courses.map(({ number }) => number),
  frets: Array.from({ length: 12 }, (_, i) => i + 1),
  pressures: ['normal'],
  readings: [],
  doneAt: null,
  led: true,
});

interface Session {
  readonly seen: Neck;
  readonly talk: FretTalk;
  readonly plucks: number;
}

/** Plays a whole check as the page does: what is asked for is plucked, until nothing more is asked for. */
function played(neck: ForeignNeck, mistakes: readonly number[] = []): Session {
  const seen = neckOf(neck.instrument, neck.targets);
  const targets = neck.targets.map((hz, i) => ({ course: i + 1, midi: 60, hz }));
  let talk = startFretTalk(checkOf(neck));
  for (let plucks = 0; ; plucks++) {
    const asked = fretAsked(talk, seen);
    if (!asked || plucks > 2 * MOST_PLUCKS) return { seen, talk, plucks };
    const { course, place } = asked;
    const fret = place.kind === 'fret' ? place.fret : 0;
    const pressure = place.kind === 'fret' ? place.pressure : 'normal';
    const capo = place.kind === 'fret' && place.capo === true;
    const { cents, errorCents } = neck.read({ course, fret, pressure, capo });
    // A finger one fret too high, where the player makes a mistake.
    const wrong = mistakes.includes(plucks) && fret > 0 ? 100 : 0;
    const octave = place.kind === 'harmonic' ? 1200 : 0;
    const hz = shiftHz(neck.targets[course - 1]!, octave + cents + wrong);
    const world = {
      neck: seen,
      targets,
      now: plucks * EACH_MS,
      source: 'microphone' as const,
      tells: () => true,
    };
    const send = (input: Parameters<typeof fretTalk>[1]) => {
      const next = fretTalk(talk, input, world);
      const kept = next.effects.reduce(
        (check, { change }) => changedCheck(check, change),
        talk.check,
      );
      expect(next.state.check).to.deep.equal(kept);
      talk = next.state;
    };
    send({ type: 'heard', heard: outcomeOf(readingAt(hz, errorCents)), asked });
    if (wrong !== 0) {
      expect(talk.other, `pluck ${plucks}`).to.not.equal(null);
      send({ type: 'drop other' });
    }
  }
}

const neckWith = (seed: number, fault: FaultKind | null) =>
  foreignNeck(seededRandom(seed), 'worn', 'ukulele', fault && { kind: fault, effect: 9 });
const verdictOf = ({ seen, talk }: Session) => judgementOf(seen, talk.check).verdict;

describe('a whole fret check, played through its conversation', () => {
  let sound: Session;
  before(() => {
    sound = played(neckWith(1, null));
  });

  it('ends by itself on a sound ukulele, within forty plucks, and orders nothing', () => {
    expect(sound.plucks).to.be.below(41);
    expect(verdictOf(sound).kind).to.be.oneOf(['certified', 'nothing to order']);
  });

  it('names a bad fret and a saddle out of its place', () => {
    for (const kind of ['fret', 'saddle'] as const) {
      const neck = neckWith(4, kind);
      const verdict = verdictOf(played(neck));
      expect(verdict.kind, kind).to.equal('at fault');
      const [first] = verdict.kind === 'at fault' ? verdict.faults : [];
      expect(partKey(first!.part)).to.equal(
        kind === 'fret' ? `fret ${neck.fault!.which}` : 'saddle',
      );
    }
  });

  it('notices a finger on the wrong fret, and comes to the same end', () => {
    const wrong = played(neckWith(1, null), [9, 14, 17]);
    expect(wrong.plucks).to.be.above(sound.plucks);
    expect(verdictOf(wrong).kind).to.equal(verdictOf(sound).kind);
  });
});
