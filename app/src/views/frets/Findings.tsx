import { NumberInput } from '@mantine/core';
import {
  bridgeEndsOf,
  commonShapes,
  compromiseFor,
  errorsOf,
  expectedError,
  type FretVerdict,
  isBridgeCheck,
  type Judgement,
  proofOf,
  saddlesOf,
  USUAL_LIMIT,
} from '@rosefinch/core/intonation';
import { message, type Sentence, type Text } from '@rosefinch/core/message';
import type { FretCheck } from '@rosefinch/core/records';
import {
  bridgeInWords,
  faultyPartInWords,
  fretVerdictInWords,
  proofInWords,
  saddleInWords,
  saddlesInWords,
  touchInWords,
} from '@rosefinch/core/sentences';
import type { Instrument } from '@rosefinch/core/strings';
import { useState } from 'react';
import { useWords } from '../../parts/words/index.ts';

interface Props {
  readonly instrument: Instrument;
  readonly check: FretCheck;
  readonly judgement: Judgement;
}

/** What is at the end of the strings. */
export function endOf({ bridge }: Pick<Instrument, 'bridge'>): 'saddle' | 'bridge' {
  return bridge === 'fixed' ? 'saddle' : 'bridge';
}

/** True where something is to be done by a repairer. */
export function ordersSomething({ verdict }: Judgement): boolean {
  return verdict.kind === 'at fault' && verdict.faults.some(({ part }) => part.kind !== 'string');
}

/** A check in one sentence: the part that is at fault, that none is, or whether an order was carried out. */
export function verdictSaid(
  { verdict, unknowns }: Judgement,
  instrument: Instrument,
  check: FretCheck,
): Sentence {
  const { proves } = check;
  if (proves)
    return proofInWords(proofOf(unknowns, check.readings, proves), proves, endOf(instrument));
  const [only, ...more] = verdict.kind === 'at fault' ? verdict.faults : [];
  if (only && more.length === 0) return faultyPartInWords(only, endOf(instrument));
  return neckSaid(verdict, instrument, check);
}

function neckSaid(verdict: FretVerdict, instrument: Instrument, check: FretCheck): Sentence {
  const all = check.courses.length === instrument.courses.length;
  return fretVerdictInWords(verdict, {
    limit: check.limit ?? USUAL_LIMIT,
    end: endOf(instrument),
    only: all ? null : check.courses,
  });
}

/** What a check comes to, and what to do in the order in which it is to be tried. */
export function Findings(props: Props) {
  const t = useWords();
  const { instrument, check } = props;
  if (check.proves) return <Proved {...props} />;
  if (!isBridgeCheck(check)) return <Verdict {...props} />;
  const loose = instrument.bridge !== 'fixed';
  return (
    <section className="medium" aria-label={t('frets.causes')}>
      <strong>{loose ? t('frets.whereTheBridgeStands') : t('frets.whereTheSaddlesStand')}</strong>
      {loose ? <Bridge {...{ instrument, check }} /> : <Saddles {...{ instrument, check }} />}
    </section>
  );
}

function Proved({ instrument, check, judgement }: Props) {
  const t = useWords();
  const { say, more } = verdictSaid(judgement, instrument, check);
  return (
    <section className="medium" aria-label={t('frets.causes')}>
      <strong>{t('frets.whatCameOfTheOrder')}</strong>
      <p>
        <strong>{t(say)}</strong> <span className="soft">{t(more)}</span>
      </p>
    </section>
  );
}

/** What the octaves come to, in one sentence; null before all were read. */
export function octavesSaid(instrument: Instrument, check: FretCheck): Sentence | null {
  const loose = instrument.bridge !== 'fixed';
  const ends = loose ? bridgeEndsOf(instrument, check) : saddlesOf(instrument, check);
  if (!ends) return null;
  const moves = ends.some(({ right }) => !right);
  return {
    say: loose ? bridgeInWords(ends) : saddlesInWords(ends),
    more: moves ? message('frets.loosenFirst') : null,
  };
}

/** A saddle a string: how far each, and how many turns where the pitch of its screw is given. */
function Saddles({ instrument, check }: Pick<Props, 'instrument' | 'check'>) {
  const t = useWords();
  const [pitch, setPitch] = useState<number | string>('');
  const saddles = saddlesOf(instrument, check);
  if (!saddles) return <p>{t('frets.octavesOfStrings')}</p>;
  const pitchMm = typeof pitch === 'number' && pitch > 0 ? pitch : null;
  return (
    <>
      <p role="note">
        <strong>{t(saddlesInWords(saddles))}</strong>
      </p>
      <NumberInput
        label={t('frets.pitchOfTheScrewsMm')}
        description={t('frets.pitchOfThread')}
        maw={280}
        min={0.1}
        max={3}
        decimalScale={2}
        value={pitch}
        onChange={setPitch}
      />
      <ul className="way">
        {saddles.map((saddle) => (
          <li key={saddle.course}>{t(saddleInWords(saddle, pitchMm))}</li>
        ))}
      </ul>
    </>
  );
}

function Verdict({ instrument, check, judgement }: Props) {
  const t = useWords();
  const { verdict } = judgement;
  const { say, more } = neckSaid(verdict, instrument, check);
  const faults = verdict.kind === 'at fault' ? verdict.faults : [];
  return (
    <section className="medium" aria-label={t('frets.causes')}>
      <strong>{t('frets.whatItComesTo')}</strong>
      <p>
        <strong>{t(say)}</strong> {more && <span className="soft">{t(more)}</span>}
      </p>
      {faults.length > 0 && (
        <ul className="way">
          {faults.map((fault) => {
            const said = faultyPartInWords(fault, endOf(instrument));
            return (
              <li key={t(said.say)}>
                <strong>{t(said.say)}</strong> <span className="soft">{t(said.more)}</span>
              </li>
            );
          })}
        </ul>
      )}
      <Steps {...{ instrument, check, judgement }} />
    </section>
  );
}

/** From the cheapest: the finger, the open strings, a string, a repairer. */
function Steps({ instrument, check, judgement }: Props) {
  const t = useWords();
  const touch = touchOf(check, judgement);
  const { verdict } = judgement;
  const faults = verdict.kind === 'at fault' ? verdict.faults : [];
  const strings = faults.filter(({ part }) => part.kind === 'string');
  const parts = faults.filter(({ part }) => part.kind !== 'string');
  const helps = doesCompromiseHelp(check, judgement);
  if (verdict.kind === 'begun' || verdict.kind === 'certified') return null;
  if (!touch && !helps && faults.length === 0) return null;
  return (
    <>
      <strong>{t('frets.whatToDoInThis')}</strong>
      <ol className="way">
        {touch && <li>{t('frets.touchTouch', { touch })}</li>}
        {helps && <li>{t('frets.compromiseBelow')}</li>}
        {strings.map(({ part }) => (
          <li key={part.kind === 'string' ? part.course : ''}>
            {part.kind === 'string' && t('frets.newString', { string: part.course })}
          </li>
        ))}
        {parts.length > 0 && (
          <li>
            {instrument.bridge !== 'fixed' && parts.every(({ part }) => part.kind === 'saddle')
              ? t('frets.moveBridge')
              : t('frets.repairer')}
          </li>
        )}
      </ol>
    </>
  );
}

/** Whether offsets of the open strings would help the usual chords of the tuning: nothing else is advised. */
function doesCompromiseHelp({ tuningId, courses }: FretCheck, judgement: Judgement): boolean {
  const shapes = commonShapes(tuningId);
  const found = errorsOf(judgement, courses.length);
  if (!found || shapes.length === 0) return false;
  return compromiseFor(shapes, found.errors, 'least squares', found.likely).offered;
}

/** What a lighter and a harder finger do at fret 12, where they were read; in the mean of the strings. */
function touchOf({ courses, readings }: FretCheck, { explanations }: Judgement): Text | null {
  if (!explanations) return null;
  const read = new Set(
    readings.flatMap(({ place, struckOut }) =>
      place.kind === 'fret' && !struckOut ? [place.pressure] : [],
    ),
  );
  const mean = (pressure: 'soft' | 'normal' | 'hard') =>
    courses.reduce(
      (sum, course) => sum + expectedError(explanations, { course, fret: 12, pressure }),
      0,
    ) / courses.length;
  return touchInWords({
    soft: read.has('soft') ? mean('soft') - mean('normal') : null,
    hard: read.has('hard') ? mean('hard') - mean('normal') : null,
  });
}

/** A loose bridge the teacher moves alone: how far, each end for itself. */
function Bridge({ instrument, check }: Pick<Props, 'instrument' | 'check'>) {
  const t = useWords();
  const ends = bridgeEndsOf(instrument, check);
  if (!ends) return <p>{t('frets.octavesOfEnds')}</p>;
  if (ends.every(({ right }) => right)) return <p role="note">{t(bridgeInWords(ends))}</p>;
  return (
    <p role="note">
      <strong>{t(bridgeInWords(ends))}</strong> {t('frets.loosenFirst')}
    </p>
  );
}
