import { between, seededRandom } from '@rosefinch/core/maths';
import { midiToHz, TUNINGS } from '@rosefinch/core/music';
import { bestOrder, planRetune, planStrings } from '@rosefinch/core/retune';
import { MODELS } from '@rosefinch/core/strings';

/** Time to plan a retune: the one figure in milliseconds, because the limit is one that a hand feels. */
export function planFigures(): void {
  let worst = 0;
  let pairs = 0;
  for (const model of MODELS) {
    const instrument = model.build('x', 'X');
    const fitting = TUNINGS.filter(
      (t) => t.kind === instrument.kind && t.courses.length === instrument.courses.length,
    );
    const home = fitting.find((t) => t.id === instrument.tuningId) ?? fitting[0]!;
    for (const now of fitting)
      for (const target of fitting) {
        const nowHz = (course: number) => midiToHz(now.courses[course - 1]![0]!);
        const strings = planStrings({ instrument, home, target, a4: 440, nowHz });
        const from = performance.now();
        planRetune(strings, 'planned', 2);
        worst = Math.max(worst, performance.now() - from);
        pairs++;
      }
  }
  console.log(
    `\nPlanning, ${pairs} pairs of tunings of up to seven strings: worst ${worst.toFixed(1)} ms`,
  );
  let twelve = 0;
  for (let seed = 1; seed <= 20; seed++) {
    const random = seededRandom(seed);
    const loadChange = Array.from({ length: 12 }, () => between(random, -30, 30));
    const partners = loadChange.map(
      () => Math.floor(random() * 4096) & Math.floor(random() * 4096),
    );
    const from = performance.now();
    bestOrder({
      count: 12,
      startLoad: 1500,
      loadChange,
      hasReference: (entry, moved) => (partners[entry]! & moved) !== 0,
    });
    twelve = Math.max(twelve, performance.now() - from);
  }
  console.log(`  order of twelve strings, seeds 1–20: worst ${twelve.toFixed(0)} ms`);
}
