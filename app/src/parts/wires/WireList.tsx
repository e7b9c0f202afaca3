import './wires.css';
import type { ReactNode } from 'react';

/** One string's line in the wires’ band. */
export interface WireLine {
  readonly course: number;
  readonly name: string;
  /** Beside the name, instead of the string's number. */
  readonly small?: string;
  /** What the line is of, where it is no string. */
  readonly label?: string;
  /** What the line says, with its figures, for those who do not see it. */
  readonly says: string;
  /** It is the string in hand. */
  readonly active: boolean;
  /** It was chosen by hand. */
  readonly chosen: boolean;
  readonly picture: ReactNode;
  /** Before and after: found and left, or from and to. */
  readonly from?: string;
  readonly to?: string;
  /** How it stands, in a word or two. */
  readonly word: string;
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
  return (
    <div className="wires" data-wide={wide} data-short={short}>
      {lines.map((line) => (
        <button
          type="button"
          key={line.course}
          className="wire"
          data-active={line.active}
          aria-pressed={onChoose ? line.chosen : undefined}
          aria-label={`${line.label ?? `String ${line.course}, ${line.name}`}: ${line.says}`}
          onClick={(event) => {
            event.currentTarget.blur();
            onChoose?.(line.course);
          }}
        >
          <span className="wire-name">
            <strong>{line.name}</strong> <small>{line.small ?? line.course}</small>
          </span>
          <span className="wire-picture">{line.picture}</span>
          <span className="wire-figures">
            {line.from}
            {line.to !== undefined && (
              <>
                {line.from && ' → '}
                <strong>{line.to}</strong>
              </>
            )}
          </span>
          <span className="wire-word">{line.word}</span>
        </button>
      ))}
    </div>
  );
}
