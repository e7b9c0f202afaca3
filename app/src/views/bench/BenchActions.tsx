import { pegRound } from '@rosefinch/core/dialogue';
import { targetName } from '@rosefinch/core/music';
import { Action, KEY_TABLE } from '../../parts/frame/index.ts';
import { Ledger } from './Ledger.tsx';
import type { Bench } from './useBench.ts';

const KEYS = KEY_TABLE.bench;

interface Props {
  readonly bench: Bench;
  readonly onKeys: () => void;
}

/** What can be done, and what was found and left. */
export function BenchActions({ bench, onKeys }: Props) {
  const { sitting, targets, talk, send, course, check } = bench;
  const { led } = talk;
  const round = pegRound(led);
  const hidden = led.kind === 'by ear';
  return (
    <section className="bench-more" aria-label="Actions and ledger">
      <div className="actions">
        <Action onAct={() => send({ type: 'accept' })} hotkey={KEYS.accept.shown}>
          {round && round.toCome.length > 0 ? 'Skip this peg' : 'Accept, next'}
        </Action>
        <Action onAct={() => send({ type: 'sound target' })} hotkey={KEYS.target.shown}>
          Hear {targetName(targets[course - 1])}
        </Action>
        <Action onAct={() => send({ type: 'by ear' })} pressed={hidden} hotkey={KEYS.byEar.shown}>
          {hidden ? 'Show figures' : 'Hide figures'}
        </Action>
        <Action onAct={() => send({ type: 'next pass' })} hotkey={KEYS.nextPass.shown}>
          Next pass
        </Action>
        {check && (
          <Action
            onAct={() => send({ type: 'compare' })}
            pressed={led.kind === 'pair' && led.beat === null}
            hotkey={KEYS.compare.shown}
          >
            Compare two
          </Action>
        )}
        <Action
          onAct={() => send({ type: 'reference' })}
          pressed={led.kind === 'reference' && led.hz === null}
          hotkey={KEYS.reference.shown}
        >
          Reference
        </Action>
        <Action
          onAct={() => send({ type: 'peg test' })}
          pressed={round !== null}
          hotkey={KEYS.pegs.shown}
        >
          Peg test
        </Action>
        <Action onAct={onKeys} hotkey={KEYS.keys.shown}>
          Keys
        </Action>
        <Action onAct={() => send({ type: 'start afresh' })}>Start afresh</Action>
      </div>
      <Ledger state={sitting.state} targets={targets} hidden={hidden} />
    </section>
  );
}
