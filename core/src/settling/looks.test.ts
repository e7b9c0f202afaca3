import { TZDate } from '@date-fns/tz';
import { expect } from 'chai';
import { looksAhead } from './looks.ts';
import { judgedString } from './verdict.ts';
import { AT, LAWS, Strings } from './worldFixture.ts';

const GOAL = { tolerance: 5, lesson: 2700 };
const ZONES = ['Europe/London', 'Pacific/Kiritimati', 'America/St_Johns', 'Asia/Kathmandu'];
const QUARTER = 15 * 60_000;

const strings = new Strings([LAWS.logarithm(20), LAWS.power(8)], 4);
for (const course of [1, 2]) {
  strings.pluck(course);
  strings.round(course);
}
strings.seconds += 600;
for (const course of [1, 2]) strings.pluck(course);
const judged = strings.histories().map((history) => judgedString(history, 0, 0, GOAL));
const NOW = AT + 1000 * strings.seconds;
const looks = (zone: string, now = NOW, lessonAt: number | null = null) =>
  looksAhead(judged, now, GOAL, { zone, lessonAt });

describe('looks ahead', () => {
  it('stand on quarter hours of the waking day in any zone, begun at any hour, three a day at most', () => {
    for (const zone of ZONES)
      for (const hour of [0, 5, 10, 15, 21]) {
        const now = NOW + hour * 3.6e6;
        let before = now;
        const aDay = new Map<string, number>();
        for (const { at } of looks(zone, now)) {
          const clock = new TZDate(at, zone);
          const minutes = 60 * clock.getHours() + clock.getMinutes();
          expect(minutes, `${zone} ${hour}`).to.be.within(7 * 60, 21 * 60);
          expect(minutes % 15).to.equal(0);
          expect(at).to.be.above(before);
          before = at;
          const day = clock.toDateString();
          aDay.set(day, (aDay.get(day) ?? 0) + 1);
        }
        for (const count of aDay.values()) expect(count).to.be.at.most(3);
      }
  });

  it('go on over the night in which the clocks change: 25 October 2026 has 25 hours in London', () => {
    const days = new Set(
      looks('Europe/London').map(({ at }) => new TZDate(at, 'Europe/London').getDate()),
    );
    expect(days.has(25)).to.equal(true);
  });

  it('begin before the class that is planned', () => {
    const free = looks('Europe/London');
    const [first] = looks('Europe/London', NOW, free[0]!.at);
    expect(first!.at).to.be.at.most(Math.max(free[0]!.at - QUARTER, NOW + QUARTER));
    expect(looks('Europe/London', NOW, NOW)).to.deep.equal(free);
  });
});
