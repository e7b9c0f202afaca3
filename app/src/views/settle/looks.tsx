import { writeCalendar } from '@rosefinch/core/formats';
import type { Restringing } from '@rosefinch/core/records';
import type { Instrument } from '@rosefinch/core/strings';
import { lookInWords, SETTLE_SAYS, whenInWords } from '@rosefinch/core/words';
import { locale } from '../../environment.ts';
import { download } from '../../parts/frame/index.ts';
import type { Settling } from './useSettling.ts';

/** A look takes so long. */
const MINUTES = 10;
const SHOWN = 4;

/** When to look again, so that no string is expected to leave the tolerance unseen; nothing before that is known. */
export function nextLookInWords(settling: Settling, { looks, zone }: Restringing): string {
  const [next] = looks;
  return next === undefined
    ? ''
    : lookInWords(next, { now: settling.now(), zone, reader: locale() });
}

/** The same, with the string it is for, and whether that comes too late. */
function lookFor(settling: Settling, restringing: Restringing): string {
  const [next] = restringing.looks;
  if (next === undefined) return '';
  const now = settling.now();
  const first = settling.report?.looks[0];
  const ahead = first && next > now;
  return [
    nextLookInWords(settling, restringing),
    ahead && `string ${first.course} is the first to leave`,
    ahead && first.late && 'it will have left by then: tune before you play',
  ]
    .filter(Boolean)
    .join('; ');
}

/** Every look that is planned. */
export function Looks({ settling, restringing }: Props) {
  const { looks, zone } = restringing;
  const now = settling.now();
  if (looks.length === 0) return null;
  return (
    <section aria-label="Next look">
      <p>
        <strong>{lookFor(settling, restringing)}.</strong>
      </p>
      {looks.length > 1 && (
        <p className="soft">
          Then{' '}
          {looks
            .slice(1, SHOWN)
            .map((at) => whenInWords(at, zone, now, locale()))
            .join(', ')}
        </p>
      )}
    </section>
  );
}

interface Props {
  readonly settling: Settling;
  readonly restringing: Restringing;
}

/** Writes the looks as a calendar. */
export function saveLooks({ looks, id }: Restringing, { name }: Instrument): void {
  const text = writeCalendar(
    looks.map((at, i) => ({
      id: `${id}-${i}`,
      at,
      minutes: MINUTES,
      title: `Look at ${name}`,
      text: SETTLE_SAYS.readAll,
    })),
  );
  download(`${name}-looks.ics`, text, 'text/calendar');
}
