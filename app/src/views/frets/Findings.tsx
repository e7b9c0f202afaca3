import {
  bridgeEndsOf,
  type Finding,
  findingsOf,
  isBridgeCheck,
  type StringCauses,
} from '@rosefinch/core/intonation';
import type { FretCheck } from '@rosefinch/core/records';
import type { Instrument } from '@rosefinch/core/strings';
import type { Millimetres } from '@rosefinch/core/units';
import { bridgeInWords, findingInWords, signedCents } from '@rosefinch/core/words';

interface Props {
  readonly instrument: Instrument;
  readonly check: FretCheck;
  readonly causes: ReadonlyMap<number, StringCauses>;
}

/** The causes with their evidence, and what to do in the order in which it is to be tried. */
export function Findings(props: Props) {
  const { instrument, check } = props;
  if (instrument.bridge !== 'loose' || !isBridgeCheck(check)) return <Causes {...props} />;
  return (
    <section className="medium" aria-label="Causes">
      <strong>Where the bridge stands</strong>
      <Bridge instrument={instrument} check={check} />
    </section>
  );
}

function Causes({ instrument, check, causes }: Props) {
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
        <p>{waiting[0]?.say}</p>
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
      {instrument.bridge === 'loose' && <Bridge instrument={instrument} check={check} />}
      <Steps instrument={instrument} check={check} findings={findings} />
    </section>
  );
}

function Steps({
  instrument,
  check,
  findings,
}: Pick<Props, 'instrument' | 'check'> & { readonly findings: readonly Finding[] }) {
  const light = findings.find(({ cause }) => cause === 'light touch');
  const hard = findings.find(({ cause }) => cause === 'hard touch');
  const frets = findings.filter(({ cause }) => cause === 'fret');
  const places = findings.filter(({ amounts }) => amounts.length > 0);
  const high = findings.find(({ cause }) => cause === 'nut height');
  if (findings.length === 0) return null;
  return (
    <>
      <strong>What to do, in this order</strong>
      <ol className="way">
        {check.pressures.length === 1 ? (
          <li>Touch: read soft and hard as well to see what a lighter finger does.</li>
        ) : (
          <li>
            Touch:{' '}
            {light
              ? `the lightest that still rings takes ${Math.abs(light.cents).toFixed(1)} cents off fret 12.`
              : 'a lighter one changes little.'}{' '}
            {hard && `A hard one adds ${hard.cents.toFixed(1)}.`}
          </li>
        )}
        <li>A compromise of the open strings: below.</li>
        {(light ?? hard) && (
          <li>Strings: a heavier gauge at the same pitch gives way less under the finger.</li>
        )}
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
        {(light ?? hard) && (
          <li>
            Action: lower strings are stretched less. Too low and they buzz: to a qualified
            repairer, as are truss rod and floating bridge.
          </li>
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

function directionOf(cause: Finding['cause'], mm: Millimetres): string {
  if (cause === 'saddle place') return mm > 0 ? 'away from the nut' : 'towards the nut';
  return mm > 0 ? 'towards the first fret' : 'away from the first fret';
}

/** A loose bridge the teacher moves alone: how far, each end for itself. */
function Bridge({ instrument, check }: Pick<Props, 'instrument' | 'check'>) {
  const ends = bridgeEndsOf(instrument, check);
  if (!ends) return <p>The octaves of both outer strings tell it, once both are read.</p>;
  if (ends.every(({ right }) => right)) return <p role="note">{bridgeInWords(ends)}</p>;
  return (
    <p role="note">
      <strong>{bridgeInWords(ends)}</strong> Loosen the strings a little first, move it, mark the
      place, tune, then check again.
    </p>
  );
}
