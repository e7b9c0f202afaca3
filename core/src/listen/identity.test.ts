import { expect } from 'chai';
import { findTuning, midiToHz, parseNote, shiftHz, targetsOf } from '../music/index.ts';
import { priorAt } from './identity.ts';
import { identify, knowledgeOf } from './index.ts';

const strings = targetsOf(findTuning('guitar-standard')!, 440).map((target) => ({ target }));
const at = (note: string, cents = 0) => shiftHz(midiToHz(parseNote(note)), cents);

describe('which string', () => {
  it('takes the nearest target, octave and all', () => {
    expect(identify({ hz: at('E2', -40) }, strings)).to.deep.equal({ kind: 'known', course: 6 });
    expect(identify({ hz: at('E4', 30) }, strings)).to.deep.equal({ kind: 'known', course: 1 });
  });

  it('follows a string that was last heard far off', () => {
    const slack = strings.map((s) => (s.target.course === 5 ? { ...s, lastHz: at('G2') } : s));
    expect(identify({ hz: at('G2', 15) }, slack)).to.deep.equal({ kind: 'known', course: 5 });
  });

  it('names both strings when two are within reach', () => {
    // 250 cents above E2 and 250 below A2.
    const identity = identify({ hz: at('E2', 250) }, strings);
    expect(identity).to.deep.equal({ kind: 'doubt', courses: [6, 5] });
  });

  it('knows no string two octaves away', () => {
    expect(identify({ hz: 20 }, strings)).to.deep.equal({ kind: 'none' });
  });

  it('asks which of two strings in unison was meant, unless their stiffness tells', () => {
    const [target] = strings;
    const twins = [
      { target: target!.target, inharmonicity: 2e-5 },
      { target: { ...target!.target, course: 2 }, inharmonicity: 9e-5 },
    ];
    const hz = at('E4', 4);
    expect(identify({ hz }, twins)).to.deep.equal({ kind: 'doubt', courses: [1, 2] });
    expect(identify({ hz, inharmonicity: 5e-5 }, twins).kind).to.equal('doubt');
    expect(identify({ hz, inharmonicity: 8.5e-5 }, twins)).to.deep.equal({
      kind: 'known',
      course: 2,
    });
    expect(identify({ hz, inharmonicity: 2.2e-5 }, twins)).to.deep.equal({
      kind: 'known',
      course: 1,
    });
  });

  it('knows a string by its earlier readings', () => {
    const targets = strings.map(({ target }) => target);
    const readings = [3e-5, 9e-5, 4e-5].map((inharmonicity, i) => ({
      course: 6,
      hz: at('E2', i),
      inharmonicity,
    }));
    const known = knowledgeOf(targets, readings).at(-1)!;
    expect(known.lastHz).to.equal(at('E2', 2));
    expect(known.inharmonicity).to.equal(4e-5);
    expect(priorAt(at('E2', 30), [known]).mean).to.equal(4e-5);
    expect(priorAt(at('A2'), [known]).mean).to.equal(6e-5);
  });
});
