import { startWinding } from '@rosefinch/core/dialogue';
import { list, message, signed } from '@rosefinch/core/message';
import { findTuning, targetsOf } from '@rosefinch/core/music';
import { type BenchEvent, ledger, replay, type StringReading } from '@rosefinch/core/sitting';
import { expect } from 'chai';
import type { Heard } from '../../parts/listening/index.ts';
import { endOf, gaugeOf, lineEnd, lineInWords, perchesByCourse } from './wireLines.ts';

const TARGETS = targetsOf(findTuning('guitar-standard')!, 440);
const GOAL = { order: [6, 5, 4, 3, 2, 1], tolerance: 2 };
const reading = (course: number, cents: number): StringReading => ({
  course,
  cents,
  errorCents: 0.4,
  moving: false,
  hz: TARGETS[course - 1]!.hz * 2 ** (cents / 1200),
});
const plucked = (course: number, cents: number): BenchEvent => ({
  type: 'reading',
  reading: reading(course, cents),
});
const rowOf = (course: number, ...events: BenchEvent[]) =>
  ledger(replay(GOAL, events)).find((row) => row.course === course)!;
const heard = (event: BenchEvent, track?: readonly number[], stored = true) =>
  ({
    event,
    stored,
    measurement: track && { reading: {}, track: Float32Array.from(track) },
  }) as unknown as Heard;

describe('what the conversation adds to a line', () => {
  const tuning = { kind: 'tuning' } as const;

  it('says where each string is while they are wound up', () => {
    const round = { ...startWinding([4, 3]), up: [6], left: [5] };
    const words = [6, 5, 4, 1].map(
      (course) =>
        lineEnd(rowOf(course), { led: { kind: 'winding', round }, notice: null }, false).word,
    );
    expect(words).to.deep.equal([
      message('bench.lineNear'),
      message('bench.lineLeft'),
      message('bench.lineToCome'),
      message('bench.lineToCome'),
    ]);
  });

  it('asks for a string that a strum did not tell, and leaves the others as they stand', () => {
    const notice = { kind: 'strum', heard: [6], alone: [5], like: [] } as const;
    const line = (course: number) =>
      lineEnd(rowOf(course, plucked(6, 0.5)), { led: tuning, notice }, false);
    expect(line(5).word).to.deep.equal(message('bench.linePluckAlone'));
    expect(line(6)).to.deep.equal(endOf(rowOf(6, plucked(6, 0.5)), false));
  });
});

describe('the right end of a wire', () => {
  it('says found, left and how the string stands', () => {
    expect(endOf(rowOf(6), false)).to.deep.equal({
      word: message('bench.lineStanding', { standing: 'unread' }),
    });
    expect(endOf(rowOf(6, plucked(6, -39.1)), false)).to.deep.equal({
      word: message('bench.lineStanding', { standing: 'low' }),
      from: signed(-39.1),
    });
    const tuned = rowOf(6, plucked(6, -39.1), plucked(6, 0.3), plucked(6, 0.4));
    expect(endOf(tuned, false)).to.deep.equal({
      word: message('bench.lineStanding', { standing: 'done' }),
      from: signed(-39.1),
      to: signed(0.4),
    });
    const right = rowOf(6, plucked(6, 1.2), plucked(6, 1.1));
    expect(endOf(right, false).word).to.deep.equal(
      message('bench.lineStanding', { standing: 'untouched' }),
    );
  });

  it('goes on saying what was found first when the next pass begins', () => {
    const row = rowOf(6, plucked(6, -39.1), plucked(6, 0.3), { type: 'next pass' }, plucked(6, -5));
    expect(endOf(row, false)).to.deep.include({
      from: signed(-39.1),
      word: message('bench.lineStanding', { standing: 'low' }),
    });
  });

  it('gives nothing away while one tunes by ear', () => {
    expect(endOf(rowOf(6, plucked(6, -39.1)), true)).to.deep.equal({
      word: message('bench.lineRead'),
    });
    expect(endOf(rowOf(6), true)).to.deep.equal({
      word: message('bench.lineStanding', { standing: 'unread' }),
    });
  });
});

describe('a wire in words', () => {
  it('begins with the newest pluck, against where the string is to be brought', () => {
    const row = rowOf(5, plucked(5, -10.6), plucked(5, -0.4));
    expect(lineInWords(row, { cents: -0.4, aim: 0 }, 2)).to.deep.equal(
      list([
        message('bench.lineCentsFound', {
          cents: signed(-0.4),
          place: message('common.deviation', { side: 'inTune' }),
          found: signed(-10.6),
        }),
        message('bench.lineStanding', { standing: 'inTune' }),
      ]),
    );
    expect(JSON.stringify(lineInWords(row, { cents: -0.4, aim: 8 }, 2))).to.contain(
      JSON.stringify(message('common.deviation', { side: 'low' })),
    );
    expect(lineInWords(rowOf(5), undefined, 2)).to.deep.equal(message('bench.noFigure'));
  });
});

describe('perches', () => {
  it('stand on their own string, the oldest first, each with its stroke in cents from the note', () => {
    const { hz } = TARGETS[2]!;
    const log = [
      heard(plucked(3, -20), [0.1, hz, 0.2, hz * 2 ** (-20 / 1200)]),
      heard({ type: 'accept' }),
      heard(plucked(3, 1), undefined, false),
      heard(plucked(1, 5)),
    ];
    const all = perchesByCourse(log, TARGETS);
    expect([...all.keys()].sort()).to.deep.equal([1, 3]);
    const [first, second] = all.get(3)!;
    expect(first!.cents).to.equal(-20);
    const stroke = Array.from(first!.stroke);
    expect(stroke[1]).to.be.closeTo(0, 1e-3);
    expect(stroke[3]).to.be.closeTo(-20, 1e-3);
    expect(second).to.include({ cents: 1, stored: false, aim: 0 });
    expect(second!.stroke.length).to.equal(0);
  });

  it('hang on wires that are thicker the higher their number', () => {
    for (const course of [1, 2, 3, 4, 5]) expect(gaugeOf(course + 1)).to.be.above(gaugeOf(course));
  });
});
