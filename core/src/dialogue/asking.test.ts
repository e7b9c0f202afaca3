import { expect } from 'chai';
import { seededRandom } from '../maths/index.ts';
import { centsBetween } from '../music/index.ts';
import {
  type AskingInput,
  type AskingTalk,
  type AskingWorld,
  askingTalk,
  type ExerciseEffect,
  startAsking,
} from './index.ts';

const CHORD = { name: 'G', hz: [392, 294, 247, 196], pure: [-2, 2, -14, 0] };

/** Somebody at the exercise: what is asked, answered and kept. */
class Asked {
  talk: AskingTalk;
  readonly effects: ExerciseEffect[] = [];
  clock = 0;
  private readonly random = seededRandom(3);

  constructor(
    private readonly exercise: AskingWorld['exercise'],
    private readonly questions: number | null = null,
    staircase = false,
  ) {
    this.talk = startAsking(staircase);
  }

  send(input: AskingInput): void {
    const world: AskingWorld = {
      exercise: this.exercise,
      before: [],
      chord: CHORD,
      questions: this.questions,
      now: 1_000_000 + this.clock,
      clock: this.clock,
      random: this.random,
    };
    const { state, effects } = askingTalk(this.talk, input, world);
    this.talk = state;
    this.effects.push(...effects);
  }

  /** Asks and hears it out. */
  ask(): void {
    this.send({ type: 'ask' });
    this.send({ type: 'sounds' });
    this.clock += 5000;
  }

  get kept() {
    return this.effects.flatMap((effect) => (effect.type === 'keep' ? [effect.trial] : []));
  }
}

describe('questions to the ear', () => {
  it('two notes lie as far apart as was asked, and the answer is kept with the time it took', () => {
    const one = new Asked('direction');
    one.ask();
    const { question } = one.talk;
    const [first, second] = question?.notes ?? [];
    expect(centsBetween(first?.hz ?? 1, second?.hz ?? 1)).to.be.closeTo(question?.asked ?? 0, 1e-9);
    one.send({ type: 'answer', answer: 'lower' });
    expect(one.kept).to.have.length(1);
    expect(one.kept[0]).to.deep.include({ answer: 'lower', asked: question?.asked });
    expect(one.kept[0]?.tookMs).to.equal(5000 - 1000 * (question?.heardAfter ?? 0));
    expect(one.talk.phase).to.equal('told');
  });

  it('an answer before the second note has begun does not count', () => {
    const one = new Asked('direction');
    one.send({ type: 'ask' });
    one.send({ type: 'answer', answer: 'higher' });
    expect(one.talk.tooQuick, 'before it sounds at all').to.equal(true);
    one.send({ type: 'sounds' });
    one.clock += 500;
    one.send({ type: 'answer', answer: 'higher' });
    expect(one.talk.tooQuick).to.equal(true);
    expect(one.kept).to.be.empty;
    one.clock += 1000;
    one.send({ type: 'answer', answer: 'higher' });
    expect(one.kept).to.have.length(1);
  });

  it('registers and timbres take turns', () => {
    const one = new Asked('direction');
    for (let i = 0; i < 12; i++) {
      one.ask();
      one.send({ type: 'answer', answer: 'same' });
    }
    const cells = one.kept.map(({ cell }) => cell);
    expect(new Set(cells.slice(0, 6)).size).to.equal(6);
    expect(new Set(cells.slice(6)).size).to.equal(6);
  });

  it('hearing it again changes nothing of the question', () => {
    const one = new Asked('direction');
    one.ask();
    const { question } = one.talk;
    one.send({ type: 'again' });
    expect(one.talk.question).to.equal(question);
    expect(one.effects.filter(({ type }) => type === 'sound')).to.have.length(2);
  });

  it('a minute is five questions, then it stops', () => {
    const one = new Asked('direction', 5);
    for (let i = 0; i < 5; i++) {
      one.ask();
      one.send({ type: 'answer', answer: 'lower' });
    }
    one.send({ type: 'ask' });
    expect(one.talk.phase).to.equal('over');
    expect(one.effects.at(-1)?.type).to.equal('over');
    one.send({ type: 'ask' });
    expect(one.talk.phase).to.equal('over');
  });

  it('the string that is out takes both: which, and which way', () => {
    const one = new Asked('string');
    one.ask();
    const { which, asked } = one.talk.question ?? { which: 0, asked: 0 };
    const way = asked < 0 ? 'lower' : 'higher';
    one.send({ type: 'answer', answer: way });
    expect(one.kept, 'no string was named').to.be.empty;
    one.send({ type: 'pick', which: which ?? 0 });
    one.send({ type: 'answer', answer: way });
    expect(one.kept[0]?.answer).to.equal('right');
    one.ask();
    one.send({ type: 'pick', which: ((one.talk.question?.which ?? 0) % 4) + 1 });
    one.send({ type: 'answer', answer: 'lower' });
    expect(one.kept[1]?.answer).to.equal('wrong');
  });

  it('of two chords one is pure, the other as far from it as was asked', () => {
    const one = new Asked('pure');
    one.ask();
    const { notes, which, asked } = one.talk.question ?? { notes: [], which: 0, asked: 0 };
    const chords = [notes.slice(0, 4), notes.slice(4)].map((chord) => chord.map(({ hz }) => hz));
    const pure = chords[(which ?? 1) - 1] ?? [];
    // A third of 5:4 and a fifth of 3:2 above the root: just intonation.
    expect((pure[1] ?? 0) / (pure[0] ?? 1)).to.be.closeTo(247 / 196 / 2 ** (14 / 1200), 1e-3);
    const other = chords[2 - (which ?? 1)] ?? [];
    expect(Math.abs(centsBetween(pure[1] ?? 1, other[1] ?? 1))).to.be.closeTo(asked, 1e-6);
    expect(asked).to.be.within(0, 14);
    one.send({ type: 'pick', which: which ?? 1 });
    expect(one.kept[0]?.answer).to.equal('right');
  });

  it('a class is counted by hands, and no key answers for it', () => {
    const one = new Asked('class');
    one.ask();
    one.send({ type: 'answer', answer: 'lower' });
    expect(one.kept).to.be.empty;
    one.send({ type: 'hands', hands: { lower: 3, same: 1, higher: 9 } });
    expect(one.kept[0]?.hands).to.deep.equal({ lower: 3, same: 1, higher: 9 });
    expect(one.kept[0]?.answer).to.equal(undefined);
  });

  it('by the staircase the difference shrinks after two right answers and grows after a wrong one', () => {
    const one = new Asked('direction', null, true);
    const right = () => {
      one.ask();
      one.send({
        type: 'answer',
        answer: (one.talk.question?.asked ?? 0) < 0 ? 'lower' : 'higher',
      });
      return Math.abs(one.talk.question?.asked ?? 0);
    };
    expect([right(), right(), right()]).to.deep.equal([50, 50, 25]);
    one.ask();
    one.send({ type: 'answer', answer: 'same' });
    expect(right()).to.equal(50);
  });
});
