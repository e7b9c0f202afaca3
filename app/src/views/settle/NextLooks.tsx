import { Button } from '@mantine/core';
import { writeCalendar } from '@rosefinch/core/formats';
import type { Restringing } from '@rosefinch/core/records';
import type { Instrument } from '@rosefinch/core/strings';
import { lookInWords, whenInWords } from '@rosefinch/core/words';
import { locale } from '../../environment.ts';
import { download } from '../../parts/frame/index.ts';
import type { Settling } from './useSettling.ts';

/** A look takes so long. */
const MINUTES = 10;
const SHOWN = 4;

interface Props {
  readonly settling: Settling;
  readonly restringing: Restringing;
  readonly instrument: Instrument;
}

/** When to look again, so that no string is expected to leave the tolerance unseen. */
export function NextLooks({ settling, restringing, instrument }: Props) {
  const { looks, zone, id } = restringing;
  const [next] = looks;
  if (next === undefined) return null;
  const now = settling.now();
  const first = settling.report?.looks[0];
  const save = () => {
    const text = writeCalendar(
      looks.map((at, i) => ({
        id: `${id}-${i}`,
        at,
        minutes: MINUTES,
        title: `Look at ${instrument.name}`,
        text: 'Read every new string, and bring up what has dropped.',
      })),
    );
    download(`${instrument.name}-looks.ics`, text, 'text/calendar');
  };
  return (
    <section className="next-look" aria-label="Next look">
      <p className="plan-head">
        <strong>{lookInWords(next, { now, zone, reader: locale() })}</strong>
        {first && next > now && `. String ${first.course} is the first to leave.`}
        {first?.late && next > now && ' It will have left by then: tune before you play.'}
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
      <Button variant="default" onClick={save}>
        Save the looks as a calendar
      </Button>
    </section>
  );
}
