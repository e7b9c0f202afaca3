import { Group, NativeSelect, Switch, Text } from '@mantine/core';
import { neckOf } from '@rosefinch/core/fretboard';
import { message, type Value } from '@rosefinch/core/message';
import { type Tuning, targetsOf } from '@rosefinch/core/music';
import type { Instrument } from '@rosefinch/core/strings';
import { useEffect, useRef, useState } from 'react';
import type { Stock } from '../../data/index.ts';
import {
  type CardCheck,
  checkInWords,
  comparisonsOf,
  HIGHEST_FRET,
  heldInWords,
} from '../../parts/cards/index.ts';
import { useWords } from '../../parts/words/index.ts';
import { SoundPlayer } from '../../sound/index.ts';
import { ChainChart } from './ChainChart.tsx';
import { NeckChart } from './NeckChart.tsx';
import type { ShownTuning } from './shown.ts';

const CHOICES_OF_FRET = [5, 7, 9, 12];

/** Comparisons by fret and by harmonic, with what the latter are out by; a click sounds one. */
export function Checks({ card, tuning, instrument, stock }: ShownTuning) {
  const t = useWords();
  const { sounding, sound } = useSounding(tuning, instrument, stock);
  const [highestFret, setHighestFret] = useState(HIGHEST_FRET);
  const [octaves, setOctaves] = useState(false);
  const checks = comparisonsOf(tuning, instrument, highestFret, octaves);
  return (
    <section className="card" aria-label={t('tunings.checksByEar')}>
      <Group align="center">
        <strong>{t('tunings.checksByEar')}</strong>
        <NativeSelect
          aria-label={t('tunings.upToFret')}
          data={CHOICES_OF_FRET.map((fret) => ({
            value: String(fret),
            label: t('tunings.upToFretFret', { fret }),
          }))}
          value={highestFret}
          onChange={(event) => setHighestFret(Number(event.currentTarget.value))}
        />
        <Switch
          label={t('tunings.octavesToo')}
          checked={octaves}
          onChange={(event) => setOctaves(event.currentTarget.checked)}
        />
      </Group>
      <NeckChart
        neck={neckOf(tuning, instrument)}
        checks={checks}
        frets={highestFret}
        leftHanded={instrument.leftHanded === true}
      />
      <CheckList {...{ checks, sounding }} onSound={sound} />
      {card.harmonics && <Text size="sm">{card.harmonics}</Text>}
      {card.chain.length > 0 && <ChainChart chain={card.chain} />}
    </section>
  );
}

/** Sounds comparisons on the practice instrument, and says which it is. */
function useSounding(tuning: Tuning, instrument: Instrument, stock: Stock) {
  const t = useWords();
  const player = useRef(new SoundPlayer());
  const [sounding, setSounding] = useState<Value>('');
  useEffect(() => {
    const { current } = player;
    return () => current.stop();
  }, []);
  const sound = (check: CardCheck) => {
    const { a4, referenceVolume } = stock.settings;
    const openHz = targetsOf(tuning, a4).map(({ hz }) => hz);
    setSounding(message('tunings.sounding', { held: heldInWords(check), open: check.open }));
    void player.current.play(
      { type: 'check', check: { instrument, openHz, held: check.held, open: check.open } },
      referenceVolume,
      { failed: setSounding },
    );
  };
  return { sounding: t.value(sounding), sound };
}

interface CheckListProps {
  readonly checks: readonly CardCheck[];
  readonly sounding: string;
  readonly onSound: (check: CardCheck) => void;
}

function CheckList({ checks, sounding, onSound }: CheckListProps) {
  const t = useWords();
  return (
    <>
      <ul className="checks" data-printed>
        {checks.map((check) => (
          <li key={t(checkInWords(check))}>
            <button
              type="button"
              className="link"
              title={t('tunings.hearBothOnThePractice')}
              onClick={() => onSound(check)}
            >
              {t(checkInWords(check))}
            </button>
          </li>
        ))}
      </ul>
      <div role="status" className="soft screen-only">
        {sounding || t('tunings.clickOne')}
      </div>
    </>
  );
}
