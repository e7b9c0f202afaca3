import { Text } from '@mantine/core';
import { type Tuning, targetsOf } from '@rosefinch/core/music';
import { homeTuning, type Instrument, stringLoad } from '@rosefinch/core/strings';
import { forceFigure, forceInWords, signedCents } from '@rosefinch/core/words';
import { fixed } from '@rosefinch/core/writing';
import type { Stock } from '../../data/index.ts';
import type { Card } from '../../parts/cards/index.ts';
import { Wide } from '../../parts/frame/index.ts';
import type { ShownTuning } from './shown.ts';

/** What each string carries in this tuning, and the neck in all against the instrument's own tuning. */
export function LoadTable({ card, tuning, instrument, stock }: ShownTuning) {
  const { force, a4 } = stock.settings;
  const home = homeTuning(instrument, stock.tunings);
  const total = (of: Tuning) =>
    targetsOf(of, a4).reduce(
      (sum, { course, hz }) => sum + (stringLoad(instrument, course, hz)?.tension ?? 0),
      0,
    );
  const carried = total(tuning);
  const offset = card.strings.some((string) => Math.abs(string.offset) >= 0.05);
  return (
    <section className="card medium" aria-label="Strings">
      <strong>On {instrument.name}</strong>
      <Wide label="What each string carries">
        <table className="ledger">
          <thead>
            <tr>
              <th scope="col">string</th>
              <th scope="col">note</th>
              {offset && <th scope="col">offset, cents</th>}
              <th scope="col">peg, from the nut</th>
              <th scope="col">tighten</th>
              <th scope="col">Hz</th>
              <th scope="col">tension, {force}</th>
              <th scope="col">to breaking, semitones</th>
            </tr>
          </thead>
          <tbody>
            {card.strings.map((string) => (
              <LoadRow key={string.course} {...{ string, offset, instrument, force }} />
            ))}
          </tbody>
        </table>
      </Wide>
      <Text size="sm" mt={8}>
        The neck carries {forceInWords(carried, force)}
        {home && `, ${fixed((100 * carried) / total(home))} % of its usual load`}.
      </Text>
    </section>
  );
}

interface LoadRowProps {
  readonly string: Card['strings'][number];
  /** The tuning sets some of its notes off. */
  readonly offset: boolean;
  readonly instrument: Instrument;
  readonly force: Stock['settings']['force'];
}

function LoadRow({ string, offset, instrument, force }: LoadRowProps) {
  const load = stringLoad(instrument, string.course, string.hz);
  return (
    <tr>
      <th scope="row">{string.course}</th>
      <td>{string.note}</td>
      {offset && <td>{signedCents(string.offset)}</td>}
      <td>{string.peg}</td>
      <td>{string.tighten}</td>
      <td>{fixed(string.hz, 2)}</td>
      <td>{load && forceFigure(load.tension, force)}</td>
      <td>{load && fixed(load.headroom, 1)}</td>
    </tr>
  );
}
