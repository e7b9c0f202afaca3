import type { BenchInput } from '@rosefinch/core/dialogue';
import { startBench } from '@rosefinch/core/sitting';
import { expect } from 'chai';
import { keysOf } from '../../parts/frame/index.ts';
import { benchActs } from './benchActs.ts';
import type { Bench } from './useBench.ts';

function pressed(withHands: boolean) {
  const sent: BenchInput[] = [];
  const moved: string[] = [];
  const bench = {
    instrument: { kind: 'ukulele', courses: [1, 2, 3, 4].map((number) => ({ number })) },
    send: (input: BenchInput) => sent.push(input),
    sitting: { state: startBench({ order: [4, 3, 2, 1], tolerance: 2 }) },
  } as unknown as Bench;
  const move = (name: string) => () => moved.push(name);
  const hands = {
    pluck: move('pluck'),
    up: move('up'),
    down: move('down'),
    upMore: move('up more'),
    downMore: move('down more'),
    mute: move('mute'),
  };
  const acts = benchActs(bench, withHands ? hands : null, move('truth'));
  const job = { listen: null, distance: null, more: null };
  return { keys: keysOf('bench', { ...acts, ...job }), sent, moved };
}

describe('keys of the bench', () => {
  it('go into the conversation', () => {
    const { keys, sent } = pressed(false);
    for (const key of [' ', 'r', 'h', 'd', 'c', 'f', 'g', '0', 'Escape', '3']) keys[key]?.();
    expect(sent).to.deep.equal([
      { type: 'accept' },
      { type: 'next pass' },
      { type: 'by ear' },
      { type: 'sound target' },
      { type: 'compare' },
      { type: 'reference' },
      { type: 'peg test' },
      { type: 'choose', course: null },
      { type: 'choose', course: null },
      { type: 'choose', course: 3 },
    ]);
  });

  it('choose no string that the instrument does not have', () => {
    const { keys, sent } = pressed(false);
    keys['6']?.();
    expect(sent).to.deep.equal([]);
  });

  it('move the hands only while there is something to play', () => {
    expect(pressed(false).keys).to.not.have.any.keys('p', 'u', 't', 'ArrowUp');
    const { keys, moved } = pressed(true);
    for (const key of ['p', 'ArrowUp', 'Shift+ArrowDown', 'u', 't']) keys[key]?.();
    expect(moved).to.deep.equal(['pluck', 'up', 'down more', 'mute', 'truth']);
  });
});
