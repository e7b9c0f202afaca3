import { Button, Group, Title } from '@mantine/core';
import { findTuning, targetName } from '@rosefinch/core/music';
import type { FretCheck } from '@rosefinch/core/records';
import { type Instrument, startFret, withCapo } from '@rosefinch/core/strings';
import { useState } from 'react';
import type { Stock } from '../../data/index.ts';
import { Action, dayInWords, download, signedCents, useKeys } from '../../ui/index.ts';
import { InstrumentChoice } from '../instrument/index.ts';
import { BigFigure, ListeningProblem, roomInWords, Sources } from '../listening/index.ts';
import { bridgeEndsOf } from './bridge.ts';
import { Compromise } from './Compromise.tsx';
import { fretsCsv, saveDrawing } from './exports.ts';
import { Findings } from './Findings.tsx';
import { FretMap } from './FretMap.tsx';
import { HeatMap } from './HeatMap.tsx';
import { NoteDialog } from './NoteDialog.tsx';
import type { BridgePlace } from './practice.ts';
import { errorOf, shareDone } from './sequence.ts';
import { type FretChecking, useFretCheck } from './useFretCheck.ts';
import { howInWords, placeInWords } from './words.ts';

interface Props {
  readonly instrument: Instrument;
  readonly stock: Stock;
  readonly kept: FretCheck;
  readonly bridge: BridgePlace;
  /** Moves the ends of the practice bridge by so much. */
  readonly onMoveBridge: (by: BridgePlace) => void;
  readonly onAgain: () => void;
}

/** One fret check: what is asked for, what was heard, and what it comes to. */
export function FretBench(props: Props) {
  const { instrument, stock, kept, bridge, onMoveBridge, onAgain } = props;
  const checking = useFretCheck(instrument, stock, kept, bridge);
  const { listening, check, asked, other } = checking;
  const [noting, setNoting] = useState(false);
  const ends =
    instrument.bridge === 'loose' && check.doneAt === null ? bridgeEndsOf(instrument, check) : null;
  useKeys(
    {
      p: checking.pluck,
      ' ': checking.skip,
      x: checking.strikeOut,
      y: checking.takeOther,
      n: () => setNoting(true),
      m: () => listening.hands?.mute(),
    },
    stock.settings.keysOn && !noting,
  );
  return (
    <>
      <ListeningProblem problem={listening.problem} />
      {checking.problem && (
        <div className="problem" role="alert">
          <strong>{checking.problem}</strong>
        </div>
      )}
      <div className="bench">
        <section className="bench-strings" aria-label="Frets">
          <div className="bench-head">
            <Title order={1}>Frets of {instrument.name}</Title>
            <InstrumentChoice shelf={stock.shelf} instrument={instrument} />
            <Sources listening={listening} kind={instrument.kind} settings={stock.settings} />
          </div>
          <FretMap
            check={check}
            targets={checking.targets}
            causes={checking.causes}
            asked={asked}
          />
          <div className="strip">
            {roomInWords(listening.room)} · {Math.round(100 * shareDone(check))} % of the check
          </div>
          <HeatMap check={check} targets={checking.targets} />
          <p className="soft">
            {dayOf(check)}, {findTuning(check.tuningId, stock.tunings)?.name ?? check.tuningId}, A4{' '}
            {check.a4} Hz
            {check.capo && `, frets from the capo at ${check.capo}`}
            {notesOf(check)}
          </p>
          <Findings
            instrument={withCapo({ ...instrument, capo: check.capo ?? 0 })}
            check={check}
            causes={checking.causes}
          />
          <Compromise
            instrument={instrument}
            stock={stock}
            check={check}
            causes={checking.causes}
          />
        </section>
        <section className="bench-side" aria-label="What to do">
          <Last checking={checking} instrument={instrument} />
          <Ask checking={checking} instrument={instrument} />
          {other && (
            <section className="card" aria-label="Question">
              <p className="plan-head">
                That sounded like {other.heard === 0 ? 'the open string' : `fret ${other.heard}`}
                {other.string !== null && `, or string ${other.string} open`}, not{' '}
                {placeInWords(other.asked.place, 0)}.
              </p>
              <Group>
                {other.heard >= 0 && <Button onClick={checking.takeOther}>It was (Y)</Button>}
                <Button variant="default" onClick={checking.dropOther}>
                  Pluck it again
                </Button>
              </Group>
            </section>
          )}
        </section>
        <section className="bench-more" aria-label="Actions">
          <div className="actions">
            {listening.hands && (
              <Action onAct={checking.pluck} hotkey="P" disabled={!asked}>
                Sound it
              </Action>
            )}
            <Action onAct={checking.skip} hotkey="Space" disabled={!asked}>
              Leave it out
            </Action>
            <Action onAct={checking.strikeOut} hotkey="X" disabled={check.readings.length === 0}>
              Leave the last one out
            </Action>
            <Action onAct={() => setNoting(true)} hotkey="N" disabled={check.readings.length === 0}>
              Note the last
            </Action>
            {check.doneAt === null ? (
              <Action onAct={checking.finish}>That is enough</Action>
            ) : (
              <Action onAct={onAgain}>Check again</Action>
            )}
            {listening.hands && ends?.some(({ right }) => !right) && (
              <Action
                onAct={() => {
                  const [last, first] = ends.map(({ mm, right }) => (right ? 0 : mm));
                  onMoveBridge({ firstMm: first ?? 0, lastMm: last ?? 0 });
                  checking.finish();
                  onAgain();
                }}
              >
                Move the practice bridge so
              </Action>
            )}
            <Action onAct={() => window.print()}>Print the order sheet</Action>
            <Action
              onAct={() =>
                download(`${instrument.name}-frets.csv`, fretsCsv(instrument, check), 'text/csv')
              }
            >
              Save as CSV
            </Action>
            <Action onAct={() => saveDrawing(`${instrument.name}-frets`, 'svg')}>
              Save the map as SVG
            </Action>
            <Action onAct={() => saveDrawing(`${instrument.name}-frets`, 'png')}>
              Save the map as PNG
            </Action>
          </div>
        </section>
      </div>
      <NoteDialog
        opened={noting}
        onClose={() => setNoting(false)}
        onNote={(text) => {
          checking.note(text);
          setNoting(false);
        }}
      />
    </>
  );
}

function dayOf({ startedAt, zone }: FretCheck): string {
  return dayInWords(startedAt, zone);
}

function notesOf({ readings }: FretCheck): string {
  const notes = readings.flatMap(({ course, place, note }) =>
    note ? `string ${course}, ${placeInWords(place, 0)}: ${note}` : [],
  );
  return notes.length === 0 ? '' : `. Noted: ${notes.join('; ')}.`;
}

interface PartProps {
  readonly checking: FretChecking;
  readonly instrument: Instrument;
}

/** The last reading, readable from two metres. */
function Last({ checking: { check, targets, stored }, instrument }: PartProps) {
  const last = check.readings.findLast(({ struckOut }) => !struckOut);
  const cents = last ? errorOf(check, last) : null;
  const name = last
    ? `string ${last.course} · ${placeInWords(last.place, startFret(instrument, last.course))}`
    : 'nothing read yet';
  const open = last?.place.kind === 'open';
  return (
    <BigFigure
      name={name}
      figure={cents === null ? '–' : signedCents(cents)}
      stored={stored}
      note={
        last
          ? open
            ? `cents from the mean of ${targetName(targets[last.course - 1])} open`
            : `cents against its open string, ±${last.errorCents.toFixed(1)}`
          : ' '
      }
    />
  );
}

function Ask({ checking: { asked, notice, check }, instrument }: PartProps) {
  const say = asked
    ? `String ${asked.course}, ${placeInWords(asked.place, startFret(instrument, asked.course))}: pluck it.`
    : check.doneAt === null
      ? 'Every place is read.'
      : 'This check is done.';
  return (
    <div role="status" aria-live="polite">
      <p className="advice">{notice?.say ?? say}</p>
      <p className="advice-more">
        {notice?.more ?? (asked ? howInWords(asked.place) : 'What it comes to stands below.')}
      </p>
    </div>
  );
}
