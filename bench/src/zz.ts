import { Listener, type ListenEvent } from '@rosefinch/core/listen';
import { between, normal, seededRandom } from '@rosefinch/core/maths';
import { exactHz, sound, strike } from './foreign/string.ts';
import { stringsOfModel } from './strings.ts';
const RATE = 24000, LEAD = 0.45;
for (const until of [1, 2.5]) {
  const all = stringsOfModel('bass-five').strings.map((s, _, a) => ({ ...s, set: a.map((x) => x.hz) }));
  const pairs: Record<string, string> = {};
  for (let i = 0; i < 5; i++) for (let j = 0; j < 5; j++) { if (i === j) continue;
    let ok = 0, ok2 = 0; let tagsAll = '';
    for (let seed = 1; seed <= 4; seed++) {
    const random = seededRandom(seed * 7 + i * 31 + j * 97);
    const off = (hz: number, cents: number) => hz * 2 ** (cents / 1200);
    const struck = strike(random, all[i]!, off(all[i]!.hz, between(random, -50, 50)), {});
    const out = Float32Array.from({ length: Math.round((LEAD + until + 1.7) * RATE) }, () => 2e-4 * normal(random));
    sound(out, struck, { rate: RATE, at: LEAD, until: until - 0.01 });
    const second = strike(random, all[j]!, off(all[j]!.hz, between(random, -50, 50)), {});
    sound(out, second, { rate: RATE, at: LEAD + until });
    const outcomes: Extract<ListenEvent, { type: 'outcome' }>[] = [];
    const l = new Listener(RATE, (e) => { if (e.type === 'outcome') outcomes.push(e); });
    l.know(all.map(({ hz }, k) => ({ target: { course: k + 1, midi: 0, hz } })));
    l.hear(out); l.finish();
    const first = exactHz(struck, 0.2, 0.8), sec = exactHz(second, 0.2, 0.8);
    for (const o of outcomes) {
      tagsAll += `${(o.start - LEAD).toFixed(2)}${o.outcome.kind === 'reading' ? 'R' : (o.outcome as any).reason ?? o.outcome.kind} `;
      if (o.outcome.kind !== 'reading') continue;
      const e1 = Math.abs(1200 * Math.log2(o.outcome.hz / first)), e2 = Math.abs(1200 * Math.log2(o.outcome.hz / sec));
      if (e1 < 8) ok++; else if (e2 < 8) ok2++;
    } }
    pairs[`${i + 1}>${j + 1}`] = `${ok}/${ok2}` + (ok2 < 4 ? ` [${tagsAll}]` : '');
  }
  console.log(until, pairs);
}
