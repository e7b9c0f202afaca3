import { causesByCourse, findingsOf } from '@rosefinch/core/intonation';
import { tellsOfInstrument } from '@rosefinch/core/sitting';
import type { Instrument } from '@rosefinch/core/strings';
import { dayInWords, findingInWords } from '@rosefinch/core/words';
import { Link } from 'react-router';
import { useData, useLive } from '../../data/index.ts';
import { locale } from '../../environment.ts';

/** What the newest fret check of an instrument came to. */
export function FretSummary({ instrument }: { instrument: Instrument }) {
  const checks = useLive((r) => r.fretChecks(instrument.id), instrument.id);
  const { shelf } = useData();
  const newest = checks?.find((check) => tellsOfInstrument(check, shelf === 'demo'));
  if (!newest) return null;
  const findings = findingsOf(instrument, causesByCourse(newest));
  return (
    <section className="card medium" aria-label="Frets">
      <strong>Frets, checked {dayInWords(newest.startedAt, newest.zone, locale())}</strong>
      {findings.length === 0 && <p>No cause shows, as far as it was read.</p>}
      <ul className="way">
        {findings.map((finding) => (
          <li key={`${finding.cause} ${finding.fret} ${finding.courses.join()}`}>
            {findingInWords(finding).say}
          </li>
        ))}
      </ul>
      <Link to="/frets">The whole check</Link>
    </section>
  );
}
