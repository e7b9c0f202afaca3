import type { MomentForm } from '@rosefinch/core/message';
import { expect } from 'chai';
import { momentFigure } from './moments.ts';

describe('moments', () => {
  // 25 October 2026: the clocks go back in London at 02:00, so this day has 25 hours.
  const now = Date.UTC(2026, 9, 24, 16, 5);
  const at = (day: number, hour: number, minute = 0) => Date.UTC(2026, 9, day, hour, minute);
  const told = (when: number, form: MomentForm, zone: string, locale = 'en-GB') =>
    momentFigure(when, form, { zone, now, locale }, (day, time) => (time ? `${day} ${time}` : day));

  it('tell the wall clock of the zone', () => {
    expect(told(at(24, 20, 30), 'spoken moment', 'Europe/London')).to.equal('today 21:30');
    expect(told(at(25, 7), 'spoken moment', 'Europe/London')).to.equal('tomorrow 07:00');
    expect(told(at(23, 8), 'spoken moment', 'Europe/London')).to.equal('yesterday 09:00');
    expect(told(at(26, 7), 'spoken moment', 'Europe/London')).to.equal('Mon 26 Oct 07:00');
    expect(told(at(24, 20, 30), 'time', 'Europe/London')).to.equal('21:30');
  });

  it('depend on where one is', () => {
    expect(told(at(24, 20, 30), 'spoken moment', 'Asia/Tokyo')).to.equal('today 05:30');
    expect(told(at(24, 14), 'spoken moment', 'Asia/Tokyo')).to.equal('yesterday 23:00');
  });

  it('are written as the reader writes them', () => {
    expect(told(at(26, 7), 'day', 'Europe/Berlin', 'de-DE')).to.equal('26.10.2026');
    expect(told(at(26, 7), 'moment', 'Europe/Berlin', 'de-DE')).to.equal('26.10.2026, 08:00');
    expect(told(at(26, 7), 'day', 'Europe/London')).to.equal('26 Oct 2026');
    expect(told(at(25, 7), 'spoken day', 'Europe/London')).to.equal('tomorrow');
  });

  it('in a zone that nobody knows are shown in universal time', () => {
    expect(told(at(26, 7), 'moment', 'Mars/Olympus')).to.equal('26 Oct 2026, 07:00 UTC');
  });
});
