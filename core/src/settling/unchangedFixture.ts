import { digest } from '../maths/digestFixture.ts';
import { historyOf, roomMove, type SettlingReport, settlingReport, stepsOf } from './index.ts';
import { AT, LAWS, Strings } from './worldFixture.ts';

/** Strings that are pulled in rounds and looked at later, as the log keeps it. */
function settled(rounds: number, later: readonly number[], slip = 0): Strings {
  const strings = new Strings(
    Object.values(LAWS).map((law) => law(12)),
    rounds,
  );
  const courses = [1, 2, 3, 4];
  for (const course of courses) strings.pluck(course);
  for (let round = 0; round < rounds; round++) for (const course of courses) strings.round(course);
  for (const after of [0, ...later]) {
    strings.seconds += after;
    if (after > 0) strings.slip(2, slip);
    for (const course of courses) strings.pluck(course, 'leave');
  }
  return strings;
}

function report(strings: Strings, lessonIn: number | null): Omit<SettlingReport, 'strings'> {
  const { strings: told, ...rest } = settlingReport({
    strings: strings.histories(),
    goal: { tolerance: 5, lesson: 2700 },
    zone: 'Europe/Vienna',
    lessonAt: lessonIn === null ? null : AT + 1000 * (strings.seconds + lessonIn),
  });
  const said = told.map(({ history: { taken: _, last: __, ...history }, ...judged }) => ({
    history,
    ...judged,
  }));
  return { ...rest, ...{ said } };
}

/** What settling says today of the same readings. */
export function figures(): Record<string, ReturnType<typeof digest>> {
  const looks = settled(2, [900, 5000], 20).looks;
  const visits = (slip: number) => settled(1, [900, 5000], slip).histories();
  const taken = stepsOf(looks, [], 5);
  return {
    reports: digest([
      report(settled(1, []), null),
      report(settled(3, [600]), 5 * 3600),
      report(settled(2, [900, 50_000]), 20 * 3600),
      report(settled(1, [300, 300, 300], 9), null),
    ]),
    steps: digest([...taken.values()]),
    history: digest(historyOf(2, AT, taken.get(2) ?? [], 'steel')),
    room: digest([roomMove(visits(0), []), roomMove([], visits(3))]),
  };
}
