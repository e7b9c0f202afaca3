import { currentPass, passDone } from '@rosefinch/core/coach';
import { findTuning, noteName, STANDARD_A4 } from '@rosefinch/core/music';
import type { Instrument } from '@rosefinch/core/strings';
import type { Stock } from '../../data/index.ts';
import { InstrumentChoice } from '../instrument/index.ts';
import { Sources } from '../listening/index.ts';
import { RecordingButton } from '../recordings/index.ts';
import type { Bench } from './useBench.ts';

interface Props {
  readonly instrument: Instrument;
  readonly stock: Stock;
  readonly bench: Bench;
}

/** Which instrument, tuning and pass; and what is listened to. */
export function BenchHead({ instrument, stock, bench }: Props) {
  const { settings, shelf, tunings } = stock;
  const tuning = findTuning(instrument.tuningId, tunings);
  const { state } = bench.session;
  const notes = bench.targets.map((t) => noteName(t.midi, tuning?.accidental)).reverse();
  return (
    <div className="bench-head">
      <h1>{instrument.name}</h1>
      <span>
        {tuning?.name}
        {bench.capo > 0 && `, capo ${bench.capo}`}: {notes.join(' ')}
        {bench.a4 !== STANDARD_A4 && ` · A4 ${bench.a4} Hz`} · pass {currentPass(state).number}
        {passDone(state) ? ', done' : ''}
      </span>
      {shelf.length > 1 && <InstrumentChoice shelf={shelf} instrument={instrument} />}
      <Sources
        listening={bench}
        kind={instrument.kind}
        settings={settings}
        disabled={!bench.session.loaded}
      />
      <RecordingButton
        instrument={instrument}
        targets={bench.targets}
        a4={bench.a4}
        tolerance={settings.tolerance}
      />
    </div>
  );
}
