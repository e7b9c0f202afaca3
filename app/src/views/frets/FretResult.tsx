import { Button, Group, Stack } from '@mantine/core';
import { isBridgeCheck } from '@rosefinch/core/intonation';
import { findTuning } from '@rosefinch/core/music';
import type { FretCheck } from '@rosefinch/core/records';
import { type Instrument, withCapo } from '@rosefinch/core/strings';
import { dayInWords, FRET_VIEW_SAYS, placeInWords } from '@rosefinch/core/words';
import type { Stock } from '../../data/index.ts';
import { locale } from '../../environment.ts';
import { download, ViewHead } from '../../parts/frame/index.ts';
import { Compromise } from './Compromise.tsx';
import { fretsCsv, saveDrawing } from './exports.ts';
import { Findings, ordersSomething } from './Findings.tsx';
import { FretMap } from './FretMap.tsx';
import { HeatMap } from './HeatMap.tsx';
import { OctaveWires } from './OctaveWires.tsx';
import type { FretChecking } from './useFretCheck.ts';

interface Props {
  readonly checking: FretChecking;
  readonly instrument: Instrument;
  readonly stock: Stock;
  readonly onBack: () => void;
}

/** The map on paper and in files, in pixels. */
const MAP = { width: 900, row: 66, foot: 26 };

/** What a check comes to: causes, what to do, a compromise; a page of its own, for paper too. */
export function FretResult({ checking, instrument, stock, onBack }: Props) {
  const { targets, judgement, talk } = checking;
  const { explanations } = judgement;
  const { check } = talk;
  const tuning = findTuning(check.tuningId, stock.tunings);
  const height = MAP.row * check.courses.length + MAP.foot;
  return (
    <Stack className="fret-result">
      <ViewHead title={`What the frets of ${instrument.name} come to`}>
        <Button onClick={onBack}>Back to the check (W)</Button>
      </ViewHead>
      <p className="soft">
        {dayInWords(check.startedAt, check.zone, locale())}, {tuning ? tuning.name : check.tuningId}
        , A4 {check.a4} Hz
        {check.capo && `, frets from the capo at ${check.capo}`}
        {notesOf(check)}
      </p>
      <div className="fret-columns">
        <div>
          {isBridgeCheck(check) ? (
            <OctaveWires {...{ instrument, check, targets, height }} width={MAP.width} />
          ) : (
            <>
              <FretMap
                {...{ check, targets, explanations, height }}
                leftHanded={instrument.leftHanded}
                asked={null}
                width={MAP.width}
              />
              <HeatMap check={check} targets={targets} />
            </>
          )}
          <WaysOut {...{ instrument, check }} orders={ordersSomething(judgement)} />
        </div>
        <div>
          <Findings
            instrument={withCapo({ ...instrument, capo: check.capo ?? 0 })}
            check={check}
            judgement={judgement}
          />
          {!isBridgeCheck(check) && <Compromise {...{ instrument, stock, check, judgement }} />}
        </div>
      </div>
    </Stack>
  );
}

interface WaysOutProps {
  readonly instrument: Instrument;
  readonly check: FretCheck;
  /** Something is to be done by a repairer. */
  readonly orders: boolean;
}

/** The result on paper and in files. */
function WaysOut({ instrument, check, orders }: WaysOutProps) {
  const name = `${instrument.name}-frets`;
  return (
    <Group className="screen-only">
      <Button variant="default" onClick={() => window.print()}>
        {orders ? 'Print the order sheet' : 'Print this page'}
      </Button>
      <Button
        variant="default"
        onClick={() => download(`${name}.csv`, fretsCsv(instrument, check), 'text/csv')}
      >
        Save as CSV
      </Button>
      {!isBridgeCheck(check) && (
        <>
          <Button variant="default" onClick={() => saveDrawing(name, 'svg')}>
            Save the map as SVG
          </Button>
          <Button variant="default" onClick={() => saveDrawing(name, 'png')}>
            Save the map as PNG
          </Button>
        </>
      )}
    </Group>
  );
}

function notesOf({ readings }: FretCheck): string {
  const notes = readings.flatMap(({ course, place, note }) =>
    note ? `string ${course}, ${placeInWords(place, 0)}: ${note}` : [],
  );
  return notes.length === 0 ? '' : `. ${FRET_VIEW_SAYS.noted(notes)}`;
}
