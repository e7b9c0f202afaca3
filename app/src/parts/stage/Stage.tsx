import type { Sentence, Value } from '@rosefinch/core/message';
import { useWords } from '../words/index.ts';
import './stage.css';
import type { ReactNode } from 'react';

export interface StageProps {
  /** What is in hand, where it is no string. */
  readonly label?: Value;
  /** The note that the string in hand is to have. */
  readonly name: Value;
  /** Which string that is, and what more is to be known of it: a line each. */
  readonly under: readonly Value[];
  /** The pegs of the instrument, where one of them may have to be turned. */
  readonly pegs?: ReactNode;
  /** Its open wire, or what else is drawn of it. */
  readonly wire: ReactNode;
  /** The one figure, by itself: it runs while a note rings. */
  readonly figure: ReactNode;
  /** What to do now. */
  readonly sentence: Sentence;
  /** Without the line of why or how. */
  readonly short?: boolean;
  /** What is in the way; it takes the sentence’s place. */
  readonly problem?: Sentence | null | undefined;
  /** Answers to a question, or the finger’s place on the neck. */
  readonly aside?: ReactNode;
}

/** A sentence longer than this is set smaller, so that it keeps within its lines. */
const LONG = 96;
/** … and one longer than this, which takes two lines, where why takes two as well. */
const WRAPS = 38;
/** The string in hand: all that the eye needs from afar. Nothing in it moves when something in it changes. */
export function Stage(props: StageProps) {
  const t = useWords();
  const { wire, figure, aside, label, pegs } = props;
  const name = t.value(props.name);
  const under = props.under.map(t.value);
  return (
    <section
      className="stage"
      aria-label={label === undefined ? t('common.stringInHand') : t.value(label)}
    >
      <div
        className="stage-grid"
        data-aside={aside ? true : undefined}
        data-pegs={pegs ? true : undefined}
      >
        <div className="stage-name">
          <strong key={name}>{name}</strong>
          <span key={under.join()}>
            {under.map((line) => (
              <span key={line}>{line}</span>
            ))}
          </span>
        </div>
        {pegs && <div className="stage-pegs">{pegs}</div>}
        <div className="stage-wire">{wire}</div>
        {figure}
        <Says {...props} />
        <div className="stage-aside">{aside}</div>
      </div>
    </section>
  );
}

function Says({ sentence, short = false, problem }: StageProps) {
  if (problem) return <Lines alert {...problem} />;
  return <Lines say={sentence.say} more={short ? null : sentence.more} />;
}

function Lines({ alert = false, ...sentence }: Sentence & { readonly alert?: boolean }) {
  const t = useWords();
  const [say, more] = [t(sentence.say), t(sentence.more)];
  return (
    <div
      className="stage-says"
      data-long={say.length > LONG || (say.length > WRAPS && more.length > LONG)}
      {...(alert ? { role: 'alert' } : { role: 'status', 'aria-live': 'polite' as const })}
    >
      {/* Other words are another line: none of it moves where an older one stood. */}
      <div key={`${say} ${more}`}>
        <strong>{say}</strong> <span>{more}</span>
      </div>
    </div>
  );
}
