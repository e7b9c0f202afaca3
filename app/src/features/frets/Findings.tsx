import {
  bridgeMove,
  type Finding,
  findingsOf,
  type StringCauses,
} from '@rosefinch/core/intonation';
import type { FretCheck } from '@rosefinch/core/records';
import type { Instrument } from '@rosefinch/core/strings';
import { signedCents } from '../../ui/index.ts';
import { findingInWords } from './words.ts';

interface Props {
  readonly instrument: Instrument;
  readonly check: FretCheck;
  readonly causes: ReadonlyMap<number, StringCauses>;
}

/** The causes with their evidence, and what to do in the order in which it is to be tried. */
export function Findings({ instrument, check, causes }: Props) {
  const findings = findingsOf(instrument, causes);
  const waiting = [...causes].flatMap(([course, c]) =>
    c.kind === 'more readings' ? [{ course, say: c.say }] : [],
  );
  const strange = [...causes].flatMap(([course, c]) =>
    c.kind === 'fitted' && c.strange ? [course] : [],
  );
  const told = causes.size - waiting.length;
  return (
    <section className="medium" aria-label="Causes">
      <strong>What it comes to</strong>
      {told === 0 ? (
        <p>Not enough to tell yet: {waiting[0]?.say}</p>
      ) : findings.length === 0 ? (
        <p>No cause shows on the strings that were read: nothing is off by what can be heard.</p>
      ) : (
        <ul className="way">
          {findings.map((finding) => {
            const { say, why } = findingInWords(finding);
            return (
              <li key={`${finding.cause} ${finding.fret} ${finding.courses.join()}`}>
                <strong>{say}</strong> <span className="soft">{why}</span>
              </li>
            );
          })}
        </ul>
      )}
      {strange.length > 0 && (
        <p>
          String {strange.join(', ')}: cannot tell. The readings scatter more than these causes
          explain. A fret that buzzes, or a string of another gauge or material than noted, would do
          that: read the frets that stand out once more.
        </p>
      )}
      <Steps instrument={instrument} check={check} causes={causes} findings={findings} />
    </section>
  );
}

function Steps({
  instrument,
  check,
  causes,
  findings,
}: Props & { readonly findings: readonly Finding[] }) {
  const touch = findings.find(({ cause }) => cause === 'pressure');
  const frets = findings.filter(({ cause }) => cause === 'fret');
  const places = findings.filter(({ amounts }) => amounts.length > 0);
  const high = findings.find(({ cause }) => cause === 'nut height');
  if (findings.length === 0) return null;
  return (
    <>
      <strong>What to do, in this order</strong>
      <ol className="way">
        {touch && touch.cents > 0 ? (
          <li>Touch: one step lighter takes {touch.cents.toFixed(1)} cents off fret 12.</li>
        ) : (
          check.pressures.length === 1 && (
            <li>Touch: read soft and hard as well to see what a lighter finger does.</li>
          )
        )}
        <li>A compromise of the open strings: below.</li>
        {instrument.bridge === 'loose' && <Bridge instrument={instrument} causes={causes} />}
        {places.length > 0 && instrument.bridge !== 'loose' && (
          <li>
            To a qualified repairer, effective at your pressure:{' '}
            {places.map((finding) => (
              <span key={`${finding.cause} ${finding.courses.join()}`}>
                {finding.cause === 'saddle place' ? 'saddle' : 'nut'}{' '}
                {finding.amounts
                  .map(
                    ({ course, mm, errorMm }) =>
                      `string ${course} ${Math.abs(mm).toFixed(1)} ± ${errorMm.toFixed(1)} mm ${directionOf(finding.cause, mm)}`,
                  )
                  .join(', ')}
                .{' '}
              </span>
            ))}
          </li>
        )}
        {high && (
          <li>Nut slots lower by a qualified repairer: too low and the open strings buzz.</li>
        )}
        {frets.map(({ fret, cents }) => (
          <li key={fret}>
            Fret {fret}, {signedCents(cents)} cents: to a qualified repairer.
          </li>
        ))}
      </ol>
    </>
  );
}

function directionOf(cause: Finding['cause'], mm: number): string {
  if (cause === 'saddle place') return mm > 0 ? 'away from the nut' : 'towards the nut';
  return mm > 0 ? 'towards the first fret' : 'away from the first fret';
}

/** A loose bridge the teacher moves alone: how far, and how slanted. */
function Bridge({ instrument, causes }: Pick<Props, 'instrument' | 'causes'>) {
  const outer = [
    1,
    Math.max(...instrument.courses.map(({ number }) => number).filter((n) => n < 5)),
  ];
  const sharp = outer.map((course) => {
    const c = causes.get(course);
    return c?.kind === 'fitted' ? c.at(12, 'normal') : null;
  });
  const [first, last] = sharp;
  if (first === null || first === undefined || last === null || last === undefined) return null;
  const { middle, slant } = bridgeMove(instrument.scaleMm, first, last);
  if (Math.abs(middle) < 0.2 && Math.abs(slant) < 0.3)
    return <li>Bridge: it stands right. Mark its place.</li>;
  return (
    <li>
      Bridge: {Math.abs(middle).toFixed(1)} mm {middle > 0 ? 'away from' : 'towards'} the nut
      {Math.abs(slant) >= 0.3 &&
        `, and its end under string ${slant > 0 ? outer[0] : outer[1]} ${Math.abs(slant).toFixed(1)} mm further than the other`}
      . Loosen the strings a little first, mark the place, then check again.
    </li>
  );
}
