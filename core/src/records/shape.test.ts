import { expect } from 'chai';
import { saltmarshLibrary } from '../demo/index.ts';
import { RecordError } from '../errors.ts';
import type { Session } from '../sitting/index.ts';
import { checkRecord } from './backup.ts';
import { byField, checked, choice, list, optional, record, text, whole } from './shape.ts';

interface Tag {
  readonly name: string;
  readonly size?: number;
  readonly hue: 'red' | 'blue';
}
type Either = { readonly kind: 'a'; readonly n: number } | { readonly kind: 'b' };

describe('one definition of a record', () => {
  it('does not compile where a field, a choice or a kind is forgotten or wrong', () => {
    const hue = choice<Tag['hue']>('red', 'blue');
    record<Tag>({ name: text(), size: optional(whole(0, 9)), hue });
    // @ts-expect-error a field of the type has no line
    record<Tag>({ name: text(), size: optional(whole(0, 9)) });
    // @ts-expect-error a line has no field in the type
    record<Tag>({ name: text(), size: optional(whole(0, 9)), hue, more: text() });
    // @ts-expect-error a field that may be missing is asked for
    record<Tag>({ name: text(), size: whole(0, 9), hue });
    // @ts-expect-error a field that must be there may be missing
    record<Tag>({ name: optional(text()), size: optional(whole(0, 9)), hue });
    // @ts-expect-error another kind of value
    record<Tag>({ name: whole(0, 9), size: optional(whole(0, 9)), hue });
    // @ts-expect-error one of the choices is forgotten
    record<Tag>({ name: text(), size: optional(whole(0, 9)), hue: choice<'red'>('red') });
    // @ts-expect-error one of the kinds is forgotten
    byField<Either, 'kind'>('kind', { b: record({ kind: choice<'b'>('b') }) });
  });

  const tag = record<Tag>({
    name: text(5),
    size: optional(whole(0, 9)),
    hue: choice('red', 'blue'),
  });
  const good = { name: 'wren', size: 9, hue: 'red' };
  // A case just inside each limit, and one just outside.
  const cases: readonly (readonly [string, object, RegExp | null])[] = [
    ['all of it', good, null],
    ['without what may be missing', { name: '', hue: 'blue' }, null],
    ['a text as long as it may be', { ...good, name: 'wrens' }, null],
    ['one sign longer', { ...good, name: 'wrens!' }, /name.*mostLetters.*5.*wrens!/],
    ['the least number', { ...good, size: 0 }, null],
    ['one less', { ...good, size: -1 }, /size.*atLeast.*0.*-1/],
    ['one more than the most', { ...good, size: 10 }, /size.*atMost.*9.*10/],
    ['half a number', { ...good, size: 1.5 }, /size.*integer/],
    ['a number without end', { ...good, size: Number.POSITIVE_INFINITY }, /size/],
    ['a number as text', { ...good, size: '3' }, /size.*number.*3/],
    ['nothing for a field that may be missing', { ...good, size: null }, /size/],
    ['another choice', { ...good, hue: 'green' }, /hue.*oneOf.*red.*blue.*green/],
    ['a field too many', { ...good, more: 1 }, /unknownField.*more/],
    [
      'a name that every object has',
      JSON.parse('{"name":"a","hue":"red","__proto__":1}'),
      /__proto__/,
    ],
    ['a field missing', { name: 'a' }, /hue/],
    ['a list', [good], /object/],
  ];
  for (const [name, value, refused] of cases)
    it(`${name} is ${refused ? 'refused at its place' : 'let through'}`, () => {
      if (refused) expect(() => checked(tag, value)).to.throw(RecordError, refused);
      else expect(checked(tag, value)).to.equal(value);
    });

  it('tells the place in a list, below the record’s own', () => {
    const tags = list(tag, { max: 2 });
    expect(() => checked(tags, [good, { ...good, size: 'x' }], 'tags')).to.throw(
      RecordError,
      /tags.*\[1\]\.size/,
    );
    expect(() => checked(tags, [good, good, good])).to.throw(RecordError, /mostItems.*2/);
  });

  it('ends in an answer, however deep a value is nested', () => {
    let deep: unknown = 1;
    for (let i = 0; i < 50_000; i++) deep = [deep];
    expect(() => checked(tag, { ...good, size: deep })).to.throw(
      RecordError,
      /problems\.nested|size/,
    );
  });
});

describe('limits of what is stored', () => {
  const [heron] = saltmarshLibrary();
  const session: Session = {
    id: 's',
    instrumentId: 'heron',
    tuningId: 'guitar-standard',
    a4: 440,
    tolerance: 2,
    source: 'microphone',
    startedAt: 0,
    zone: 'Mars/Olympus',
    endedAt: null,
  };

  it('times are between 1970 and 2200; a zone that nobody knows is kept as text', () => {
    expect(checkRecord('sessions', session)).to.equal(session);
    expect(() =>
      checkRecord('sessions', { ...session, startedAt: session.startedAt - 1 }),
    ).to.throw(/startedAt/);
    expect(() => checkRecord('sessions', { ...session, endedAt: Date.UTC(2200, 0) + 1 })).to.throw(
      /endedAt/,
    );
  });

  it('names have 1 to 200 characters', () => {
    const named = (name: string) => () => checkRecord('instruments', { ...heron!, name });
    expect(named('x'.repeat(200))).not.to.throw();
    expect(named('x'.repeat(201))).to.throw(/name.*200/);
    expect(named('')).to.throw(/name/);
  });

  it('an instrument has 1 to 12 strings, in courses of one to three, numbered from 1', () => {
    const string = heron!.courses[0]!.strings[0]!;
    const strung = (members: readonly number[]) => () =>
      checkRecord('instruments', {
        ...heron!,
        courses: members.map((n, i) => ({
          number: i + 1,
          strings: Array.from({ length: n }, () => string),
        })),
      });
    expect(strung([2, 2, 2, 2, 2, 2])).not.to.throw();
    expect(strung([1, 2, 1, 2])).not.to.throw();
    expect(strung([3, 3, 3, 3])).not.to.throw();
    expect(strung([2, 2, 2, 2, 2, 3])).to.throw(/problems\.mostStrings/);
    expect(strung([4])).to.throw(/strings/);
    expect(strung([])).to.throw(/courses/);
    const { courses } = heron!;
    const askew = [...courses.slice(0, 5), { ...courses[5]!, number: 7 }];
    expect(() => checkRecord('instruments', { ...heron!, courses: askew })).to.throw(/numbered/);
  });
});
