import type { EndUnder } from '@rosefinch/core/intonation';
import type { Instrument } from '@rosefinch/core/strings';
import { Action, download, KEY_TABLE } from '../../parts/frame/index.ts';
import { fretsCsv, saveDrawing } from './exports.ts';
import type { BridgePlace } from './practice.ts';
import type { FretChecking } from './useFretCheck.ts';

const KEYS = KEY_TABLE.frets;

interface Props {
  readonly checking: FretChecking;
  readonly instrument: Instrument;
  /** Ends of a loose practice bridge of which one stands wrong. */
  readonly wrongBridge: readonly EndUnder[] | null;
  readonly onMoveBridge: (by: BridgePlace) => void;
  readonly onNote: () => void;
  readonly onAgain: () => void;
}

/** What can be done in a check, and with what it came to. */
export function FretActions(props: Props) {
  const { checking, wrongBridge, onMoveBridge, onNote, onAgain } = props;
  const { listening, asked, talk, send } = checking;
  const { readings, doneAt } = talk.check;
  const finish = () => send({ type: 'finish' });
  const moveBridge = () => {
    const [last = 0, first = 0] = (wrongBridge ?? []).map(({ mm, right }) => (right ? 0 : mm));
    onMoveBridge({ firstMm: first, lastMm: last });
    finish();
    onAgain();
  };
  return (
    <section className="bench-more" aria-label="Actions">
      <div className="actions">
        {listening.hands && (
          <Action onAct={checking.pluck} hotkey={KEYS.pluck.shown} disabled={!asked}>
            Sound it
          </Action>
        )}
        <Action onAct={() => send({ type: 'skip' })} hotkey={KEYS.skip.shown} disabled={!asked}>
          Leave it out
        </Action>
        <Action
          onAct={() => send({ type: 'strike out' })}
          hotkey={KEYS.strikeOut.shown}
          disabled={readings.length === 0}
        >
          Leave the last one out
        </Action>
        <Action onAct={onNote} hotkey={KEYS.note.shown} disabled={readings.length === 0}>
          Note the last
        </Action>
        {doneAt === null ? (
          <Action onAct={finish}>That is enough</Action>
        ) : (
          <Action onAct={onAgain}>Check again</Action>
        )}
        {wrongBridge && <Action onAct={moveBridge}>Move the practice bridge so</Action>}
        <Exports {...props} />
      </div>
    </section>
  );
}

function Exports({ checking: { talk }, instrument }: Props) {
  const name = `${instrument.name}-frets`;
  return (
    <>
      <Action onAct={() => window.print()}>Print the order sheet</Action>
      <Action onAct={() => download(`${name}.csv`, fretsCsv(instrument, talk.check), 'text/csv')}>
        Save as CSV
      </Action>
      <Action onAct={() => saveDrawing(name, 'svg')}>Save the map as SVG</Action>
      <Action onAct={() => saveDrawing(name, 'png')}>Save the map as PNG</Action>
    </>
  );
}
