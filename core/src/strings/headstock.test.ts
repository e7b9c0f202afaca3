import { expect } from 'chai';
import {
  drawnTurn,
  type Headstock,
  type HeadstockView,
  headstockOf,
  type Instrument,
  MODELS,
  steelGuitar,
  usualPeg,
} from './index.ts';
import { pegPlace } from './pegs.ts';

const VIEWS: readonly HeadstockView[] = ['playing', 'facing', 'table'];

/** The same instrument strung and built for the other hand. */
function leftHanded(instrument: Instrument): Instrument {
  const { courses, layout } = instrument;
  return {
    ...instrument,
    leftHanded: true,
    courses: courses.map((course) => ({
      ...course,
      strings: course.strings.map(({ spec, peg }) => ({
        spec,
        peg: usualPeg(peg.kind, pegPlace(layout, course.number, courses.length), true),
      })),
    })),
  };
}

const ALL = MODELS.flatMap((model) => {
  const built = model.build('x', 'X');
  return [built, leftHanded(built)];
});

const pegOf = ({ pegs }: Headstock, course: number) => pegs.find((peg) => peg.course === course)!;

describe('the drawing of a headstock', () => {
  it('lies within its frame, and no button covers another', () => {
    for (const instrument of ALL)
      for (const view of VIEWS) {
        const { width, height, pegs, outline } = headstockOf(instrument, view);
        for (const { x, y } of [
          ...outline,
          ...pegs.flatMap(({ post, button }) => [post, button]),
        ]) {
          expect(x, instrument.name).to.be.within(0, width);
          expect(y, instrument.name).to.be.within(0, height);
        }
        for (const [i, one] of pegs.entries())
          for (const other of pegs.slice(i + 1))
            expect(
              Math.hypot(one.button.x - other.button.x, one.button.y - other.button.y),
            ).to.be.greaterThan(22);
      }
  });

  // Held for playing, the thickest string is nearest the player’s eyes: common practice, no source.
  it('is seen by its player: the tip on the left, the string with the highest number on top', () => {
    for (const instrument of ALL) {
      const head = headstockOf(instrument);
      expect(head.neckRight).to.equal(instrument.leftHanded !== true);
      const ends = head.pegs.map(({ path }) => path.at(-1)!.y);
      for (const [i, y] of ends.entries()) if (i > 0) expect(y).to.be.lessThan(ends[i - 1]!);
    }
  });

  it('no strings cross between post and nut', () => {
    for (const instrument of ALL) {
      const over = headstockOf(instrument).pegs.filter(({ path }) => path.length === 3);
      for (const [i, one] of over.entries())
        for (const other of over.slice(i + 1)) {
          // Where both run, the one that is lower at the nut is lower everywhere.
          const xs = [one.post.x, other.post.x];
          const nut = one.path[1]!;
          const x = Math.abs(xs[0]! - nut.x) < Math.abs(xs[1]! - nut.x) ? xs[0]! : xs[1]!;
          const at = ({ path: [post, end] }: typeof one) =>
            post!.y + ((x - post!.x) / (end!.x - post!.x)) * (end!.y - post!.y);
          expect(at(one), `${instrument.kind} ${one.course} ${other.course}`).to.be.greaterThan(
            at(other),
          );
        }
    }
  });

  /**
   * A string winds on at the inner side of its post (common practice, no source), and tightening
   * draws it towards the tip. Where the hand turns the post itself, the arrow must do that.
   */
  it('an arrow round a peg that points backwards draws its string towards the tip', () => {
    let seen = 0;
    for (const instrument of ALL)
      for (const view of ['playing'] as const) {
        const head = headstockOf(instrument, view);
        for (const { number, strings } of instrument.courses) {
          const { post, path, pointsBack } = pegOf(head, number);
          if (!pointsBack || path.length < 3) continue;
          seen++;
          const turn = drawnTurn(head, strings[0]!.peg.tighten);
          const inner = Math.sign(head.height / 2 - post.y);
          // y runs downwards: turning clockwise takes the lower edge of a post to the left.
          const moves = (turn === 'clockwise' ? -1 : 1) * inner;
          expect(moves, `${instrument.kind} ${number}`).to.equal(head.neckRight ? -1 : 1);
        }
      }
    expect(seen).to.be.greaterThan(40);
  });

  it('the edge nearer the nut comes towards the player, and goes the other way for who faces them', () => {
    const guitar = steelGuitar('g', 'G');
    const turns = (instrument: Instrument, view: HeadstockView) =>
      drawnTurn(headstockOf(instrument, view), 'towardsYou');
    expect(turns(guitar, 'playing')).to.equal('left');
    expect(turns(leftHanded(guitar), 'playing')).to.equal('right');
    // The other side of the same turn, in a mirror.
    expect(turns(guitar, 'facing')).to.equal('left');
    expect(turns(guitar, 'table')).to.equal('right');
    expect(drawnTurn(headstockOf(guitar), 'awayFromYou')).to.equal('right');
  });

  it('who faces the player sees clockwise as counter-clockwise', () => {
    const ukulele = MODELS.find(({ id }) => id === 'ukulele-tenor')!.build('u', 'U');
    expect(drawnTurn(headstockOf(ukulele), 'clockwise')).to.equal('clockwise');
    for (const view of ['facing', 'table'] as const)
      expect(drawnTurn(headstockOf(ukulele, view), 'clockwise')).to.equal('counterClockwise');
  });

  it('a banjo’s fifth string runs from its own peg on the neck, past the nut', () => {
    const banjo = MODELS.find(({ id }) => id === 'banjo-five')!.build('b', 'B');
    const head = headstockOf(banjo);
    const { post, path } = pegOf(head, 5);
    expect(post.x).to.be.greaterThan(head.nut[0].x);
    expect(path).to.have.length(2);
  });
});
