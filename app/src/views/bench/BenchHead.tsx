import { noteName, STANDARD_A4 } from '@rosefinch/core/music';
import { currentPass, passDone } from '@rosefinch/core/sitting';
import { InstrumentChoice } from '../../parts/instruments/index.ts';
import { Sources } from '../../parts/listening/index.ts';
import { RecordingButton } from '../../parts/recordings/index.ts';
import type { Bench } from './useBench.ts';

/** Which instrument, tuning and pass; and what is listened to. */
export function BenchHead({ bench }: { readonly bench: Bench }) {
  const { instrument, stock, tuning, sitting, listening } = bench;
  const { settings, shelf } = stock;
  const { state } = sitting;
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
        listening={listening}
        kind={instrument.kind}
        settings={settings}
        disabled={!sitting.loaded}
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
