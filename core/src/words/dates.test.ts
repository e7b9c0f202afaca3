import { expect } from 'chai';
import { dayInWords, momentInWords, whenInWords } from './dates.ts';

describe('moments in words', () => {
  // 25 October 2026: the clocks go back in London at 02:00, so this day has 25 hours.
  const now = Date.UTC(2026, 9, 24, 16, 5);
  const at = (day: number, hour: number, minute = 0) => Date.UTC(2026, 9, day, hour, minute);

  it('tell the wall clock of the zone', () => {
    expect(whenInWords(at(24, 20, 30), 'Europe/London', now, 'en-GB')).to.equal('today 21:30');
    expect(whenInWords(at(25, 7), 'Europe/London', now, 'en-GB')).to.equal('tomorrow 07:00');
    expect(whenInWords(at(23, 8), 'Europe/London', now, 'en-GB')).to.equal('yesterday 09:00');
    expect(whenInWords(at(26, 7), 'Europe/London', now, 'en-GB')).to.equal('Mon 26 Oct 07:00');
  });

  it('depend on where one is', () => {
    expect(whenInWords(at(24, 20, 30), 'Asia/Tokyo', now, 'en-GB')).to.equal('today 05:30');
    expect(whenInWords(at(24, 14), 'Asia/Tokyo', now, 'en-GB')).to.equal('yesterday 23:00');
  });

  it('are written as the reader writes them', () => {
    expect(dayInWords(at(26, 7), 'Europe/Berlin', 'de-DE')).to.equal('26.10.2026');
    expect(momentInWords(at(26, 7), 'Europe/Berlin', 'de-DE')).to.equal('26.10.2026, 08:00');
    expect(dayInWords(at(26, 7), 'Europe/London', 'en-GB')).to.equal('26 Oct 2026');
  });

  it('in a zone that nobody knows are shown in universal time', () => {
    expect(momentInWords(at(26, 7), 'Mars/Olympus', 'en-GB')).to.equal('26 Oct 2026, 07:00 UTC');
  });
});
