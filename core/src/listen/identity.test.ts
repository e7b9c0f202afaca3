import { expect } from 'chai';
import { findTuning, midiToHz, parseNote, shiftHz, targetsOf } from '../music/index.ts';
import { priorAt } from './identity.ts';
import { knowledgeOf, whoSounded } from './index.ts';

const strings = targetsOf(findTuning('guitar-standard')!, 440).map((target) => ({ target }));
const at = (note: string, cents = 0) => shiftHz(midiToHz(parseNote(note)), cents);

describe('which string', () => {
  it('takes the nearest target, octave and all', () => {
    expect(whoSounded({ hz: at('E2', -40) }, strings, null)).to.include({
      kind: 'known',
      course: 6,
    });
    expect(whoSounded({ hz: at('E4', 30) }, strings, null)).to.include({
      kind: 'known',
      course: 1,
    });
  });

  it('follows a string that was last heard far off', () => {
    const slack = strings.map((s) => (s.target.course === 5 ? { ...s, lastHz: at('G2') } : s));
    expect(whoSounded({ hz: at('G2', 15) }, slack, null)).to.include({ kind: 'known', course: 5 });
  });

  it('names both strings when two are within reach', () => {
    // 250 cents above E2 and 250 below A2.
    const identity = whoSounded({ hz: at('E2', 250) }, strings, null);
    expect(identity).to.deep.equal({ kind: 'doubt', courses: [6, 5] });
  });

  it('knows the octave of a string by its stiffness, four times that of the string', () => {
    const known = strings.map((s, i) => ({
      ...s,
      inharmonicity: [2e-5, 4e-5, 7e-5, 5e-5, 6e-5, 1e-4][i]!,
    }));
    const octave = { hz: at('E3', 8), inharmonicity: 4.1e-4 };
    expect(whoSounded(octave, known, null)).to.deep.equal({ kind: 'touched', of: 6, node: 2 });
    // Three times E2 is B3: the stiffness parts it from the open string 2.
    const twelfth = at('B3', 4);
    expect(whoSounded({ hz: twelfth, inharmonicity: 9.3e-4 }, known, null)).to.include({ of: 6 });
    expect(whoSounded({ hz: twelfth, inharmonicity: 4e-5 }, known, null)).to.include({ course: 2 });
  });

  it('asks for an octave where nothing is known of the strings, and takes the one that was chosen', () => {
    const octave = { hz: at('E3'), inharmonicity: 4e-4 };
    const identity = whoSounded(octave, strings, null);
    expect(identity.kind === 'doubt' && identity.courses[0]).to.equal(6);
    expect(whoSounded(octave, strings, 6)).to.include({ kind: 'known', course: 6 });
  });

  it('asks beyond 150 cents from every string, not within 120', () => {
    for (const cents of [100, 120])
      expect(whoSounded({ hz: at('A2', -cents) }, strings, null)).to.include({ course: 5 });
    for (const cents of [170, 200])
      expect(whoSounded({ hz: at('A2', -cents) }, strings, null).kind).to.equal('doubt');
  });

  it('knows no string two octaves away', () => {
    expect(whoSounded({ hz: 20 }, strings, null)).to.deep.equal({ kind: 'none' });
  });

  it('asks which of two strings in unison was meant, unless their stiffness tells', () => {
    const [target] = strings;
    const twins = [
      { target: target!.target, inharmonicity: 2e-5 },
      { target: { ...target!.target, course: 2 }, inharmonicity: 9e-5 },
    ];
    const hz = at('E4', 4);
    expect(whoSounded({ hz }, twins, null)).to.deep.equal({ kind: 'doubt', courses: [1, 2] });
    expect(whoSounded({ hz, inharmonicity: 5e-5 }, twins, null).kind).to.equal('doubt');
    expect(whoSounded({ hz, inharmonicity: 8.5e-5 }, twins, null)).to.include({
      kind: 'known',
      course: 2,
    });
    expect(whoSounded({ hz, inharmonicity: 2.2e-5 }, twins, null)).to.include({
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

/** A string chosen by hand, and the one that sounds: what is booked must never be another one than sounded. */
const TUNED = [
  'guitar-standard',
  'guitar-open-d',
  'ukulele-standard',
  'ukulele-slack-key',
  'ukulele-low-g',
  'ukulele-slack-key-low-g',
  'banjo-open-g',
  'banjo-double-c',
].map((id) => findTuning(id)!);

for (const tuning of TUNED)
  describe(`which string was meant, which one sounds: ${tuning.name}`, () => {
    const targets = targetsOf(tuning, 440);
    const unread = targets.map((target) => ({ target }));
    const read = targets.map((target) => ({ target, lastHz: shiftHz(target.hz, -12) }));
    const pairs = targets.flatMap(({ course: chosen }) =>
      targets.map((sounded) => ({ chosen, sounded })),
    );

    /** Of strings in unison the chosen one is as good. */
    const alike = (chosen: number, sounded: { course: number; midi: number }) =>
      targets[chosen - 1]!.midi === sounded.midi ? chosen : sounded.course;
    const hasTwin = ({ course, midi }: { course: number; midi: number }) =>
      targets.some((other) => other.course !== course && other.midi === midi);

    for (const [state, strings] of [
      ['unread', unread],
      ['read', read],
    ] as const)
      it(`${state}, within 35 cents: known as what sounds`, () => {
        for (const { chosen, sounded } of pairs)
          for (const cents of [-35, -12, 0, 20, 35]) {
            const who = whoSounded({ hz: shiftHz(sounded.hz, cents) }, strings, chosen);
            const says = `chosen ${chosen}, sounded ${sounded.course} ${cents}: ${JSON.stringify(who)}`;
            // Where a third string was chosen, two in unison can only be asked about.
            if (hasTwin(sounded) && targets[chosen - 1]!.midi !== sounded.midi)
              expect(who.kind, says).to.equal('doubt');
            else expect(who.kind === 'known' && who.course, says).to.equal(alike(chosen, sounded));
          }
      });

    it('unread and up to 70 cents off: known as what sounds, or asked', () => {
      for (const { chosen, sounded } of pairs)
        for (const cents of [-70, -55, 55, 70]) {
          const who = whoSounded({ hz: shiftHz(sounded.hz, cents) }, unread, chosen);
          const named =
            who.kind === 'known' ? [who.course] : who.kind === 'doubt' ? who.courses : [];
          const says = `chosen ${chosen}, sounded ${sounded.course} ${cents}: ${JSON.stringify(who)}`;
          expect(named, says).to.include(alike(chosen, sounded));
        }
    });

    it('on its way up past its neighbours a chosen string is known or asked for, never booked to another', () => {
      for (const { course, hz } of targets)
        for (let cents = -900; cents <= 0; cents += 20) {
          const strings = read.map((string) =>
            string.target.course === course
              ? { ...string, lastHz: shiftHz(hz, cents - 40) }
              : string,
          );
          const who = whoSounded({ hz: shiftHz(hz, cents) }, strings, course);
          const named =
            who.kind === 'known' ? [who.course] : who.kind === 'doubt' ? who.courses : [];
          expect(named, `${course} at ${cents}: ${JSON.stringify(who)}`).to.include(course);
        }
    });

    it('a new string keeps its pluck or is asked for, wherever below its note it stands', () => {
      for (const { course, hz } of targets)
        for (let cents = -1100; cents <= 0; cents += 20) {
          const strings = unread.map((s) =>
            s.target.course === course ? { ...s, fresh: true } : s,
          );
          const who = whoSounded({ hz: shiftHz(hz, cents) }, strings, course);
          const named =
            who.kind === 'known' ? [who.course] : who.kind === 'doubt' ? who.courses : [];
          expect(named, `${course} at ${cents}: ${JSON.stringify(who)}`).to.include(course);
        }
    });
  });

describe('which string, told by stiffness', () => {
  const [thick, thin] = [9e-5, 2e-5];
  const known = strings.map((s) => ({
    ...s,
    inharmonicity: s.target.course === 3 ? thick : thin,
  }));

  it('a chosen string at another one’s pitch is known by its own stiffness', () => {
    const raised = known.map((s) => (s.target.course === 3 ? { ...s, lastHz: at('B3', -60) } : s));
    expect(whoSounded({ hz: at('B3'), inharmonicity: thick }, raised, 3)).to.include({ course: 3 });
    expect(whoSounded({ hz: at('B3'), inharmonicity: thin }, raised, 3)).to.include({ course: 2 });
  });

  it('an old reading says less than a fresh one', () => {
    const now = Date.UTC(2026, 2, 10);
    const sound = { hz: at('F3'), at: now };
    const heard = (ago: number) =>
      strings.map((s) =>
        s.target.course === 4 ? { ...s, lastHz: at('F3', 45), lastAt: now - ago } : s,
      );
    const probability = (ago: number) => {
      const who = whoSounded(sound, heard(ago), null);
      return who.kind === 'known' ? who.probability : 0;
    };
    expect(probability(0)).to.be.above(probability(40 * 3.6e6));
  });
});
