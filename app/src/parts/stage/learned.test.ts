import { expect } from 'chai';
import { KEY_TABLE, type KeyActs } from '../frame/index.ts';
import { learnable, withLearned } from './learned.ts';

const pressed: string[] = [];
const acts = Object.fromEntries(
  Object.keys(KEY_TABLE.bench).map((name) => [name, () => pressed.push(name)]),
) as unknown as KeyActs<'bench'>;

describe('a pedal or clicker', () => {
  beforeEach(() => void pressed.splice(0));

  it('does what it was learned for, beside the keys', () => {
    const pedals = { bench: { key: 'F5', act: 'accept' } };
    const keys = withLearned({ r: () => pressed.push('r') }, 'bench', acts, { pedals });
    keys.F5?.();
    keys.r?.();
    expect(pressed).to.deep.equal(['accept', 'r']);
  });

  it('may take the place of a key', () => {
    const pedals = { bench: { key: 'r', act: 'accept' } };
    withLearned({ r: () => pressed.push('r') }, 'bench', acts, { pedals }).r?.();
    expect(pressed).to.deep.equal(['accept']);
  });

  it('does nothing in another job, for an act that is none, or one that cannot be done now', () => {
    const none = [
      { settle: { key: 'F5', act: 'target' } },
      { bench: { key: 'F5', act: 'fly' } },
      { bench: { key: 'F5', act: 'pluck' } },
    ];
    const still = { ...acts, pluck: null };
    for (const pedals of none)
      expect(withLearned({}, 'bench', still, { pedals })).to.deep.equal({});
  });

  it('is learned for nothing that needs a digit', () => {
    const can = learnable('bench').map(({ act }) => act);
    expect(can).to.include.members(['accept', 'nextPass', 'target', 'listen']);
    expect(can).to.not.include.members(['string', 'automatic']);
  });
});
