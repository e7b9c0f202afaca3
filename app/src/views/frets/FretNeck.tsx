import { Title } from '@mantine/core';
import { shareDone } from '@rosefinch/core/intonation';
import { findTuning } from '@rosefinch/core/music';
import type { FretCheck } from '@rosefinch/core/records';
import { type Instrument, withCapo } from '@rosefinch/core/strings';
import { dayInWords, placeInWords } from '@rosefinch/core/words';
import type { Stock } from '../../data/index.ts';
import { locale } from '../../environment.ts';
import { InstrumentChoice } from '../../parts/instruments/index.ts';
import { roomInWords, Sources } from '../../parts/listening/index.ts';
import { Compromise } from './Compromise.tsx';
import { Findings } from './Findings.tsx';
import { FretMap } from './FretMap.tsx';
import { HeatMap } from './HeatMap.tsx';
import type { FretChecking } from './useFretCheck.ts';

interface Props {
  readonly checking: FretChecking;
  readonly instrument: Instrument;
  readonly stock: Stock;
}

/** The neck with its errors, and what they come to. */
export function FretNeck({ checking, instrument, stock }: Props) {
  const { listening, targets, causes, asked } = checking;
  const { check } = checking.talk;
  const tuning = findTuning(check.tuningId, stock.tunings);
  return (
    <section className="bench-strings" aria-label="Frets">
      <div className="bench-head">
        <Title order={1}>Frets of {instrument.name}</Title>
        <InstrumentChoice shelf={stock.shelf} instrument={instrument} />
        <Sources listening={listening} kind={instrument.kind} settings={stock.settings} />
      </div>
      <FretMap check={check} targets={targets} causes={causes} asked={asked} />
      <div className="strip">
        {roomInWords(listening.room)} · {Math.round(100 * shareDone(check))} % of the check
      </div>
      <HeatMap check={check} targets={targets} />
      <p className="soft">
        {dayInWords(check.startedAt, check.zone, locale())}, {tuning ? tuning.name : check.tuningId}
        , A4 {check.a4} Hz
        {check.capo && `, frets from the capo at ${check.capo}`}
        {notesOf(check)}
      </p>
      <Findings
        instrument={withCapo({ ...instrument, capo: check.capo ?? 0 })}
        check={check}
        causes={causes}
      />
      <Compromise instrument={instrument} stock={stock} check={check} causes={causes} />
    </section>
  );
}

function notesOf({ readings }: FretCheck): string {
  const notes = readings.flatMap(({ course, place, note }) =>
    note ? `string ${course}, ${placeInWords(place, 0)}: ${note}` : [],
  );
  return notes.length === 0 ? '' : `. Noted: ${notes.join('; ')}.`;
}
