import { writeCalendar } from '@rosefinch/core/formats';
import { list, type Message, message, type Value } from '@rosefinch/core/message';
import type { Restringing } from '@rosefinch/core/records';
import { lookInWords } from '@rosefinch/core/sentences';
import type { Instrument } from '@rosefinch/core/strings';
import type { Words } from '@rosefinch/words';
import { download } from '../../parts/frame/index.ts';
import { useWords } from '../../parts/words/index.ts';
import type { Settling } from './useSettling.ts';

/** A look takes so long. */
const MINUTES = 10;
const SHOWN = 4;

/** When to check again, so that no string is expected to leave the tolerance unseen; null before that is known. */
export function nextLookInWords(settling: Settling, { looks, zone }: Restringing): Message | null {
  const [next] = looks;
  return next === undefined ? null : lookInWords(next, { now: settling.now(), zone });
}

/** The same, with the string it is for, and whether that comes too late. */
function lookFor(settling: Settling, restringing: Restringing): Value {
  const [next] = restringing.looks;
  const look = nextLookInWords(settling, restringing);
  if (next === undefined || !look) return '';
  const now = settling.now();
  const first = settling.report?.looks[0];
  const ahead = first && next > now;
  return list(
    [
      look,
      ...(ahead ? [message('settle.firstToLeave', { string: first.course })] : []),
      ...(ahead && first.late ? [message('settle.leftByThen')] : []),
    ],
    'semicolons',
  );
}

/** Every look that is planned. */
export function Looks({ settling, restringing }: Props) {
  const t = useWords();
  const { looks, zone } = restringing;
  const now = settling.now();
  if (looks.length === 0) return null;
  return (
    <section aria-label={t('settle.nextLook')}>
      <p>
        <strong>{t.value(lookFor(settling, restringing))}.</strong>
      </p>
      {looks.length > 1 && (
        <p className="soft">
          {t('settle.thenValue', {
            value: looks
              .slice(1, SHOWN)
              .map((at) => t.moment(at, { now: now, zone: zone }, 'spoken moment'))
              .join(', '),
          })}
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
export function saveLooks({ looks, id }: Restringing, { name }: Instrument, t: Words): void {
  const text = writeCalendar(
    looks.map((at, i) => ({
      id: `${id}-${i}`,
      at,
      minutes: MINUTES,
      title: t('settle.lookAtName', { name }),
      text: t('settle.readAll'),
    })),
  );
  download(`${name}-looks.ics`, text, 'text/calendar');
}
