import { expect } from 'chai';
import ICAL from 'ical.js';
import { writeCalendar } from './index.ts';

const LOOKS = [
  {
    id: 'a-0',
    at: Date.UTC(2026, 9, 25, 0, 30),
    minutes: 10,
    title: 'Look at Wren, again',
    text: 'One; two\nthree',
  },
  { id: 'a-1', at: Date.UTC(2026, 9, 25, 1, 30), minutes: 10, title: 'Look at Wren', text: '' },
];

describe('looks as a calendar (RFC 5545)', () => {
  it('are read back by an independent package with their moments and words', () => {
    const text = writeCalendar(LOOKS);
    expect(text.split('\r\n')[0]).to.equal('BEGIN:VCALENDAR');
    const calendar = new ICAL.Component(ICAL.parse(text));
    const events = calendar.getAllSubcomponents('vevent').map((one) => new ICAL.Event(one));
    // The hour that comes twice when the clocks go back is told apart.
    expect(events.map((e) => e.startDate.toJSDate().getTime())).to.deep.equal(
      LOOKS.map(({ at }) => at),
    );
    expect(events.map((e) => e.duration.toSeconds())).to.deep.equal([600, 600]);
    expect(events[0]!.summary).to.equal('Look at Wren, again');
    expect(events[0]!.description).to.equal('One; two\nthree');
    expect(new Set(events.map((e) => e.uid)).size).to.equal(2);
    // RFC 5545, 3.3.6: a duration names at least one unit; this parser throws where none is.
    const triggers = calendar
      .getAllSubcomponents('vevent')
      .flatMap((event) => event.getAllSubcomponents('valarm'))
      .map((alarm) => String(alarm.getFirstPropertyValue('trigger')));
    expect(triggers).to.deep.equal(['-PT5M', '-PT5M']);
  });
});
