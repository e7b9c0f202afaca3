import { Title } from '@mantine/core';
import type { Restringing } from '@rosefinch/core/records';
import type { Instrument } from '@rosefinch/core/strings';
import type { Seconds } from '@rosefinch/core/units';
import type { Stock } from '../../data/index.ts';
import { Action, KEY_TABLE } from '../../parts/frame/index.ts';
import { InstrumentChoice } from '../../parts/instruments/index.ts';
import { type Hands, PracticePanel, roomInWords, Sources } from '../../parts/listening/index.ts';
import { SettleCharts } from './SettleCharts.tsx';
import type { Settling } from './useSettling.ts';
import { VerdictTable } from './VerdictTable.tsx';

const KEYS = KEY_TABLE.settle;

const HOUR: Seconds = 3600;
const NIGHT: Seconds = 10 * HOUR;
const HOUR_MS = 1000 * HOUR;

interface Props {
  readonly settling: Settling;
  readonly instrument: Instrument;
  readonly stock: Stock;
  readonly restringing: Restringing;
  readonly note: (course: number) => string;
  /** The hands on the practice instrument, while it is played. */
  readonly hands: Hands | null;
  readonly onPull: () => void;
}

/** The new strings over time, and how they stand. */
export function SettleStrings(props: Props) {
  const { settling, instrument, stock, restringing, note, hands, onPull } = props;
  const { listening, sitting, send, course } = settling;
  const { goal, chosen } = sitting.state;
  const { practiceAheadMs = 0 } = restringing;
  return (
    <section className="bench-strings" aria-label="Strings over time">
      <div className="bench-head">
        <Title order={1}>Settle {instrument.name}</Title>
        <InstrumentChoice shelf={stock.shelf} instrument={instrument} />
        <Sources
          listening={listening}
          kind={instrument.kind}
          settings={stock.settings}
          disabled={!sitting.loaded}
        />
      </div>
      <SettleCharts
        settling={settling}
        restringing={restringing}
        tolerance={goal.tolerance}
        onChoose={(wanted) => send({ type: 'choose', course: chosen === wanted ? null : wanted })}
      />
      <VerdictTable
        settling={settling}
        minutes={restringing.lessonMinutes}
        zone={restringing.zone}
        note={note}
      />
      <div className="strip">
        {roomInWords(listening.room)}
        {practiceAheadMs > 0 &&
          ` · practice time is ${Math.round(practiceAheadMs / HOUR_MS)} hours ahead`}
      </div>
      {hands && (
        <PracticePanel hands={hands} course={course}>
          <Action onAct={onPull} hotkey={KEYS.pull.shown}>
            Pull string {course}
          </Action>
          <Action onAct={() => settling.elapse(HOUR)}>An hour passes</Action>
          <Action onAct={() => settling.elapse(NIGHT)}>A night passes</Action>
        </PracticePanel>
      )}
    </section>
  );
}
