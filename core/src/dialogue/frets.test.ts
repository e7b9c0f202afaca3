import { expect } from 'chai';
import { neckOf } from '../intonation/index.ts';
import { message, type Text } from '../message.ts';
import { findTuning, shiftHz, targetsOf } from '../music/index.ts';
import type { FretCheck } from '../records/index.ts';
import { fretNoticeInWords } from '../sentences/index.ts';
import type { SourceKind } from '../sitting/index.ts';
import { steelGuitar } from '../strings/index.ts';
import { outcomeOf, pluckOf, readingAt } from './benchFixture.ts';
import {
  changedCheck,
  type FretInput,
  type FretTalk,
  fretAsked,
  fretTalk,
  startFretTalk,
} from './frets.ts';

const TARGETS = targetsOf(findTuning('guitar-standard')!, 440);
const NECK = neckOf(
  steelGuitar('g', 'G'),
  TARGETS.map(({ hz }) => hz),
);
const CHECK: FretCheck = {
  id: 'f',
  instrumentId: 'g',
  tuningId: 'guitar-standard',
  a4: 440,
  source: 'microphone',
  startedAt: 0,
  zone: 'UTC',
  courses: [6, 1],
  frets: [12],
  pressures: ['normal'],
  readings: [],
  doneAt: null,
};

function play(start: FretTalk, inputs: readonly FretInput[], source: SourceKind = 'microphone') {
  let talk = start;
  // No two readings are of the same moment.
  let now = 1000 * start.check.readings.length;
  for (const input of inputs) {
    now += 1000;
    const tells = (kind: SourceKind) => kind === 'microphone';
    const next = fretTalk(talk, input, { targets: TARGETS, neck: NECK, now, source, tells });
    // What is on the disk is what the changes make of it.
    const kept = next.effects.reduce(
      (check, { change }) => changedCheck(check, change),
      talk.check,
    );
    if (input.type !== 'kept') expect(next.state.check).to.deep.equal(kept);
    talk = next.state;
  }
  return talk;
}

/** Sounds what is asked for, so far off. */
function sounded(talk: FretTalk, cents: number): FretInput {
  const asked = fretAsked(talk, NECK)!;
  const at =
    asked.place.kind === 'fret' ? 100 * asked.place.fret : asked.place.kind === 'open' ? 0 : 1200;
  return { type: 'heard', heard: pluckOf(TARGETS, asked.course, at + cents), asked };
}

/** A check after its open string was read four times. */
function opened(): FretTalk {
  let talk = startFretTalk(CHECK);
  for (let i = 0; i < 4; i++) talk = play(talk, [sounded(talk, -6)]);
  return talk;
}

const words = ({ notice }: FretTalk) => notice && fretNoticeInWords(notice).say;

describe('the conversation of a fret check', () => {
  it('takes what is asked for, and asks for the next', () => {
    const talk = opened();
    expect(talk.check.readings.map(({ cents }) => Math.round(cents))).to.deep.equal([
      -6, -6, -6, -6,
    ]);
    expect(fretAsked(talk, NECK)).to.deep.equal({ course: 6, place: { kind: 'harmonic' } });
  });

  it('a pluck made before anything was asked for is nobody’s', () => {
    const heard = pluckOf(TARGETS, 6, 0);
    const talk = play(startFretTalk(CHECK), [{ type: 'heard', heard, asked: null }]);
    expect(talk.check.readings).to.deep.equal([]);
    expect(talk.notice).to.equal(null);
  });

  it('a late reading goes to the place it was made for', () => {
    const start = opened();
    const late = sounded(start, -6);
    const talk = play(start, [{ type: 'skip' }, late]);
    expect(talk.check.readings.at(-1)?.place).to.deep.equal({ kind: 'harmonic' });
  });

  const REFUSED: readonly (readonly [string, (talk: FretTalk) => FretInput, Text])[] = [
    [
      'too quiet',
      (talk) => ({
        type: 'heard',
        heard: outcomeOf({ kind: 'too quiet', levelDbfs: -70 }),
        asked: fretAsked(talk, NECK),
      }),
      message('advice.tooQuiet'),
    ],
    [
      'another string open',
      (talk) => ({ type: 'heard', heard: pluckOf(TARGETS, 5, 0), asked: fretAsked(talk, NECK) }),
      message('frets.anotherString', { heard: 5 }),
    ],
    [
      'nowhere near',
      (talk) => ({
        type: 'heard',
        heard: outcomeOf(readingAt(shiftHz(TARGETS[5]!.hz, -380))),
        asked: fretAsked(talk, NECK),
      }),
      message('frets.notOpen', { string: 6 }),
    ],
  ];
  for (const [name, input, says] of REFUSED)
    it(`open string: ${name}`, () => {
      const start = startFretTalk(CHECK);
      const talk = play(start, [input(start)]);
      expect(talk.check.readings).to.deep.equal([]);
      expect(words(talk)).to.deep.equal(says);
    });

  it('never mixes practice with the real instrument', () => {
    const start = opened();
    const talk = play(start, [sounded(start, 0)], 'practice');
    expect(words(talk)).to.deep.equal(message('frets.otherWorld', { begun: 'real' }));
    expect(talk.check.readings).to.have.length(4);
  });

  it('asks about a pitch at another fret, and takes it there or drops it', () => {
    const start = play(opened(), [{ type: 'skip' }]);
    expect(fretAsked(start, NECK)?.place).to.deep.equal({
      kind: 'fret',
      fret: 12,
      pressure: 'normal',
    });
    const elsewhere = play(start, [sounded(start, -106)]);
    expect(elsewhere.other).to.include({ heard: 11 });
    expect(elsewhere.check.readings).to.have.length(4);
    const taken = play(elsewhere, [{ type: 'take other' }]);
    expect(taken.check.readings.at(-1)?.place).to.include({ fret: 11 });
    expect(taken.other).to.equal(null);
    expect(play(elsewhere, [{ type: 'drop other' }]).check.readings).to.have.length(4);
    // A question that is answered already: the key does nothing.
    expect(play(taken, [{ type: 'take other' }])).to.deep.equal(taken);
    // Two questions at once: the next pluck at its place answers the first.
    expect(play(elsewhere, [sounded(elsewhere, -3)]).other).to.equal(null);
  });

  it('a fretted reading keeps its own error: what the finger scatters is found from all', () => {
    const start = play(opened(), [{ type: 'skip' }]);
    const talk = play(start, [sounded(start, -6)]);
    expect(talk.check.readings.at(-1)?.errorCents).to.equal(0.3);
  });

  it('led, opens each string once and goes on by what was read; a place that is left out is not asked for', () => {
    const led = { ...CHECK, led: true as const, courses: [6, 5, 4, 3, 2, 1] };
    let talk = startFretTalk(led);
    const asked: string[] = [];
    for (let i = 0; i < 6; i++) {
      asked.push(`${fretAsked(talk, NECK)?.course}`);
      talk = play(talk, [sounded(talk, 3)]);
    }
    expect(asked).to.deep.equal(['6', '5', '4', '3', '2', '1']);
    const first = fretAsked(talk, NECK)!;
    expect(first.place.kind).to.equal('fret');
    const left = play(talk, [{ type: 'skip' }]);
    expect(fretAsked(left, NECK)).to.not.deep.equal(first);
    // A pluck at the place goes on from there, and finishing ends it.
    const on = play(left, [sounded(left, 3)]);
    expect(on.check.readings).to.have.length(7);
    expect(fretAsked(play(on, [{ type: 'finish' }]), NECK)).to.equal(null);
  });

  it('strikes out and notes the last reading that counts', () => {
    const talk = play(opened(), [{ type: 'strike out' }, { type: 'note', text: 'buzz' }]);
    expect(talk.check.readings[3]).to.include({ struckOut: true });
    expect(talk.check.readings[2]).to.include({ note: 'buzz' });
    expect(fretAsked(talk, NECK)?.place).to.deep.equal({ kind: 'open' });
    const empty = startFretTalk(CHECK);
    expect(play(empty, [{ type: 'strike out' }]).check).to.equal(CHECK);
  });

  it('asks for nothing once it is finished', () => {
    const talk = play(opened(), [{ type: 'finish' }]);
    expect(fretAsked(talk, NECK)).to.equal(null);
    expect(talk.check.doneAt).to.equal(5000);
  });

  it('takes over what another tab has read, never less than is here', () => {
    const more = opened().check;
    expect(play(startFretTalk(CHECK), [{ type: 'kept', check: more }]).check).to.equal(more);
    expect(play(opened(), [{ type: 'kept', check: CHECK }]).check.readings).to.have.length(4);
  });
});
