import type { EarTrial } from '@rosefinch/core/ear';
import { message, type Value } from '@rosefinch/core/message';
import { cellInShort, cellInWords } from '@rosefinch/core/sentences';
import type { Cents } from '@rosefinch/core/units';
import { FoundBar, type WireLine, wireHeight } from '../../parts/wires/index.ts';
import { useWords } from '../../parts/words/index.ts';
import { Picture } from './Picture.tsx';

const WIDE = 640;
const HIGH = 34;
const PLACES = 24;

/** The newest trials of one kind along a wire: solid what was right or near, open what was not. */
function TrialWire({ trials }: { readonly trials: readonly EarTrial[] }) {
  const t = useWords();
  const shown = trials.slice(-PLACES);
  const scale = 0.44 * HIGH;
  return (
    <Picture says={t('ear.lengthAnswers', { length: trials.length })} width={WIDE} height={HIGH}>
      <line className="ear-wire" x1={0} x2={WIDE} y1={HIGH / 2} y2={HIGH / 2} />
      {shown.map((trial, i) => {
        const cents = trial.off ?? trial.asked;
        return (
          <rect
            // biome-ignore lint/suspicious/noArrayIndexKey: places do not move
            key={i}
            className={isRight(trial) ? 'mark' : 'open-bar'}
            x={(i + 0.2) * (WIDE / PLACES)}
            y={HIGH / 2 - scale * wireHeight(cents) - 2.5}
            width={0.6 * (WIDE / PLACES)}
            height={5}
          />
        );
      })}
    </Picture>
  );
}

/** A deed that is nearer than this is drawn as one that came to rest. */
const NEAR = 3;

/** Whether an answer was right, or a deed came near. */
function isRight({ asked, answer, off, hands }: EarTrial): boolean {
  if (off !== undefined) return Math.abs(off) <= NEAR;
  const way = asked < 0 ? 'lower' : 'higher';
  if (hands) {
    const all = Object.values(hands).reduce((sum, one) => sum + one, 0);
    return 2 * (hands[way] ?? 0) > all;
  }
  return answer === 'right' || answer === way;
}

/** A line for each kind that is asked about. */
export function cellLines(
  cells: readonly string[],
  trials: readonly EarTrial[],
  hand: string | null,
  figure: (cell: string) => Value,
): WireLine[] {
  return cells.map((cell, i) => {
    const own = trials.filter((one) => one.cell === cell);
    const right = own.filter(isRight).length;
    return {
      course: i + 1,
      name: cellInShort(cell)[0],
      small: cellInShort(cell)[1],
      label: cellInWords(cell),
      says: message('ear.cellSays', { answers: own.length, right, figure: figure(cell) }),
      active: cell === hand,
      chosen: false,
      picture: <TrialWire trials={own} />,
      to: figure(cell),
      word: own.length > 0 ? message('ear.rightOf', { right, all: own.length }) : '',
    };
  });
}

interface OutProps {
  readonly out: Cents | null;
  readonly left: Cents | null;
  readonly tolerance: Cents;
}

/** A string as it was put out, on the left of its wire, and as it was left, on the right. */
export function OutAndLeft({ out, left, tolerance }: OutProps) {
  const t = useWords();
  const bar = { y: HIGH / 2, tolerance, width: 70, reach: 0.42 * HIGH };
  return (
    <Picture
      says={
        left === null
          ? t('ear.nothingShownYet')
          : t('ear.putOutSignedCentsLeftLeft', {
              signedCents: t.signed(out ?? 0),
              left: t.signed(left),
            })
      }
      width={WIDE}
      height={HIGH}
    >
      <line className="ear-wire" x1={0} x2={WIDE} y1={HIGH / 2} y2={HIGH / 2} />
      <FoundBar cents={out} x={90} {...bar} />
      <FoundBar cents={left} x={430} {...bar} />
    </Picture>
  );
}
