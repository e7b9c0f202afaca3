import { Action, KEY_TABLE } from '../../parts/frame/index.ts';
import { type Hands, PracticePanel, roomInWords, Truth } from '../../parts/listening/index.ts';
import { BenchHead } from './BenchHead.tsx';
import type { Bench } from './useBench.ts';
import { Wires } from './Wires.tsx';

const KEYS = KEY_TABLE.bench;

interface Props {
  readonly bench: Bench;
  /** The hands on the practice instrument, while it is played. */
  readonly hands: Hands | null;
  readonly showTruth: boolean;
  readonly onTruth: () => void;
}

/** The instrument in hand: its head, its wires, the room, and the practice hands. */
export function BenchStrings({ bench, hands, showTruth, onTruth }: Props) {
  const { instrument, stock, sitting, listening, talk, send, course, way } = bench;
  const { state } = sitting;
  const choose = (wanted: number) =>
    send({ type: 'choose', course: state.chosen === wanted ? null : wanted });
  return (
    <section className="bench-strings" aria-label="Strings">
      <BenchHead bench={bench} />
      <Wires
        instrument={instrument}
        targets={bench.targets}
        state={state}
        first={way ? course : null}
        log={sitting.log}
        live={listening.live}
        upsideDown={stock.settings.wires !== 'as you look down'}
        hidden={talk.led.kind === 'by ear'}
        onChoose={choose}
      />
      <div className="strip">
        {roomInWords(listening.room)}
        <Practising bench={bench} />
        {showTruth && listening.truth && (
          <>
            {' · '}
            <Truth deviations={listening.truth} />
          </>
        )}
      </div>
      {hands && (
        <PracticePanel hands={hands} course={course}>
          <Action onAct={onTruth} pressed={showTruth} hotkey={KEYS.truth.shown}>
            Where they truly are
          </Action>
        </PracticePanel>
      )}
    </section>
  );
}

/** Whether what is heard tells of the instrument. */
function Practising({ bench: { instrument, listening, source } }: { readonly bench: Bench }) {
  if (listening.source !== 'practice') return null;
  return source.practice
    ? ` · practice: it tells nothing of the real ${instrument.name}`
    : ` · the practice ${instrument.kind} stands for ${instrument.name}`;
}
