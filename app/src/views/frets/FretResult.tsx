import { Button, Group, Stack } from '@mantine/core';
import { isBridgeCheck } from '@rosefinch/core/intonation';
import { list, message } from '@rosefinch/core/message';
import { findTuning } from '@rosefinch/core/music';
import type { FretCheck } from '@rosefinch/core/records';
import { placeInWords, tuningName } from '@rosefinch/core/sentences';
import { type Instrument, withCapo } from '@rosefinch/core/strings';
import type { Words } from '@rosefinch/words';
import type { Stock } from '../../data/index.ts';
import { download, ViewHead } from '../../parts/frame/index.ts';
import { useWords } from '../../parts/words/index.ts';
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
  const t = useWords();
  const { targets, judgement, talk } = checking;
  const { explanations } = judgement;
  const { check } = talk;
  const tuning = findTuning(check.tuningId, stock.tunings);
  const noted = notesOf(check, t);
  const height = MAP.row * check.courses.length + MAP.foot;
  return (
    <Stack className="fret-result">
      <ViewHead title={t('frets.whatTheFretsOfName', { name: instrument.name })}>
        <Button onClick={onBack}>{t('frets.backToTheCheckW')}</Button>
      </ViewHead>
      <p className="soft">
        {t.value(
          list([
            t.moment(check.startedAt, { now: check.startedAt, zone: check.zone }, 'day'),
            tuning ? tuningName(tuning) : check.tuningId,
            message('common.a4', { a4: check.a4 }),
            ...(check.capo ? [message('frets.fromTheCapo', { fret: check.capo })] : []),
          ]),
        )}
      </p>
      {noted && <p className="soft">{noted}</p>}
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
  const t = useWords();
  const name = `${instrument.name}-frets`;
  return (
    <Group className="screen-only">
      <Button variant="default" onClick={() => window.print()}>
        {orders ? t('frets.printTheOrderSheet') : t('frets.printThisPage')}
      </Button>
      <Button
        variant="default"
        onClick={() => download(`${name}.csv`, fretsCsv(instrument, check), 'text/csv')}
      >
        {t('frets.saveAsCSV')}
      </Button>
      {!isBridgeCheck(check) && (
        <>
          <Button variant="default" onClick={() => saveDrawing(name, 'svg')}>
            {t('frets.saveTheMapAsSVG')}
          </Button>
          <Button variant="default" onClick={() => saveDrawing(name, 'png')}>
            {t('frets.saveTheMapAsPNG')}
          </Button>
        </>
      )}
    </Group>
  );
}

function notesOf({ readings }: FretCheck, t: Words): string {
  const notes = readings.flatMap(({ course, place, note }) =>
    note
      ? message('frets.noteAt', {
          string: course,
          place: placeInWords(place, 0),
          note,
        })
      : [],
  );
  return notes.length === 0 ? '' : t('frets.noted', { notes: list(notes, 'semicolons') });
}
