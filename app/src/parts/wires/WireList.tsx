import { message, type Value } from '@rosefinch/core/message';
import { useWords } from '../words/index.ts';
import './wires.css';
import type { ReactNode } from 'react';

/** One string's line in the wires’ band. */
export interface WireLine {
  readonly course: number;
  readonly name: Value;
  /** Beside the name, instead of the string's number. */
  readonly small?: Value;
  /** What the line is of, where it is no string. */
  readonly label?: Value;
  /** What the line says, with its figures, for those who do not see it. */
  readonly says: Value;
  /** It is the string in hand. */
  readonly active: boolean;
  /** It was chosen by hand. */
  readonly chosen: boolean;
  readonly picture: ReactNode;
  /** Before and after: found and left, or from and to. */
  readonly from?: Value;
  readonly to?: Value;
  /** How it stands, in a word or two. */
  readonly word: Value;
}

interface Props {
  readonly lines: readonly WireLine[];
  /** Its words are many: they have more room than figures. */
  readonly wide?: boolean;
  /** What a string comes to is short: it stands at the right end, and the picture has the width. */
  readonly short?: boolean;
  readonly onChoose?: (course: number) => void;
}

/** A slim line for each string, at fixed places; pressing one chooses its string. */
export function WireList({ lines, wide = false, short = false, onChoose }: Props) {
  const t = useWords();
  return (
    <div className="wires" data-wide={wide} data-short={short}>
      {lines.map((line) => (
        <button
          type="button"
          key={line.course}
          className="wire"
          data-active={line.active}
          aria-pressed={onChoose ? line.chosen : undefined}
          aria-label={t('common.lineSays', {
            line:
              line.label ??
              message('common.stringAndNoteTitle', { string: line.course, note: line.name }),
            says: line.says,
          })}
          onClick={(event) => {
            event.currentTarget.blur();
            onChoose?.(line.course);
          }}
        >
          <span className="wire-name">
            <strong>{t.value(line.name)}</strong>{' '}
            <small>{t.value(line.small ?? line.course)}</small>
          </span>
          <span className="wire-picture">{line.picture}</span>
          <span className="wire-figures">
            {line.from !== undefined && t.value(line.from)}
            {line.to !== undefined && (
              <>
                {line.from !== undefined && ' → '}
                <strong>{t.value(line.to)}</strong>
              </>
            )}
          </span>
          <span className="wire-word">{t.value(line.word)}</span>
        </button>
      ))}
    </div>
  );
}
