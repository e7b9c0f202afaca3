import type { LogEntry, Session } from '@rosefinch/core/sitting';
import { expect } from 'chai';
import Papa from 'papaparse';
import { type ReadSitting, readingsCsv } from './readings.ts';

const AT = Date.UTC(2026, 10, 25, 10, 30);
const session: Session = {
  id: 's1',
  instrumentId: 'heron',
  tuningId: 'guitar-standard',
  a4: 440,
  tolerance: 2,
  source: 'microphone',
  startedAt: AT,
  zone: 'Europe/London',
  endedAt: AT,
};
const log: Pick<LogEntry, 'id' | 'event'>[] = [
  {
    id: 'e1',
    event: {
      type: 'reading',
      at: AT,
      reading: { course: 6, member: 2, cents: -23.25, errorCents: 0.4, moving: false, hz: 81.307 },
    },
  },
  { id: 'e2', event: { type: 'accept', at: AT } },
];
const sitting = (instrument: string, stored = true): ReadSitting => ({
  session,
  instrument,
  log,
  measurements: new Map(),
  stored,
});
const parsed = (text: string) =>
  Papa.parse<Record<string, string>>(text, { header: true, skipEmptyLines: true });

describe('readings as CSV', () => {
  it('has a heading with units, one line a reading, and CRLF line ends (RFC 4180)', () => {
    const text = readingsCsv([sitting('Heron'), sitting('Wren', false)], 'en-GB');
    expect(text.endsWith('\r\n')).to.equal(true);
    const { data, errors } = parsed(text);
    expect(errors).to.deep.equal([]);
    expect(data).to.have.length(2);
    expect(data[0]).to.include({
      time_utc: '2026-11-25T10:30:00.000Z',
      instrument: 'Heron',
      string: '6',
      of_course: '2',
      deviation_cents: '-23.25',
      source: 'microphone',
      stored: 'yes',
    });
    expect(data[1]).to.include({ instrument: 'Wren', stored: 'no' });
  });

  it('quotes names with commas, quotes and line breaks', () => {
    const name = 'Heron, the "old"\none';
    expect(parsed(readingsCsv([sitting(name)], 'en-GB')).data[0]?.instrument).to.equal(name);
  });
});
