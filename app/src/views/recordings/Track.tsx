import type { Reading } from '@rosefinch/core/listen';
import { centsBetween } from '@rosefinch/core/music';
import type { RecordedPluck } from '@rosefinch/core/records';
import type { Cents } from '@rosefinch/core/units';
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { AxisX, AxisY } from '../../parts/charts/index.ts';
import { useWords } from '../../parts/words/index.ts';

const WIDTH = 590;
const HEIGHT = 260;

/** The pitch of one pluck over time, against its reading, with the window the reading was taken from. */
export function Track({ pluck, reading }: { pluck: RecordedPluck; reading: Reading }) {
  const t = useWords();
  const points = Array.from({ length: pluck.track.length / 2 }, (_, i) => ({
    t: pluck.track[2 * i]!,
    cents: centsBetween(reading.hz, pluck.track[2 * i + 1]!),
  }));
  const reach = Math.max(5, ...points.map((p) => Math.abs(p.cents))) * 1.1;
  const x = scaleLinear([0, 0.9], [56, WIDTH - 12]);
  const y = scaleLinear([-reach, reach], [HEIGHT - 44, 14]);
  const path = line<{ t: number; cents: Cents }>(
    (p) => x(p.t),
    (p) => y(p.cents),
  );
  return (
    <figure className="card">
      <figcaption>{t('recording.pitchTrackFrom', { hz: reading.hz })}</figcaption>
      <svg
        className="chart"
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        role="img"
        aria-label={t('recording.pitchTrackLengthValues', { length: points.length })}
      >
        <rect
          x={x(reading.windowFrom)}
          y={14}
          width={x(reading.windowFrom + reading.windowLength) - x(reading.windowFrom)}
          height={HEIGHT - 58}
          fill="var(--rest-band)"
        />
        <path d={path(points) ?? ''} className="line" />
        <AxisX scale={x} y={HEIGHT - 44} label={t('recording.timeSinceThePluckS')} />
        <AxisY scale={y} x={56} label={t('recording.cents')} />
      </svg>
    </figure>
  );
}
