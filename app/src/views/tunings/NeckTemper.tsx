import { Button, Group, NativeSelect, Text } from '@mantine/core';
import {
  byScale,
  costOf,
  EQUAL,
  fairestOpen,
  neckOf,
  pureIn,
  type Temperament,
  temperedNeck,
} from '@rosefinch/core/fretboard';
import type { Value } from '@rosefinch/core/message';
import { offsetsOf, type Scale, type Tuning } from '@rosefinch/core/music';
import { neckCostInWords } from '@rosefinch/core/sentences';
import type { Instrument } from '@rosefinch/core/strings';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { useData } from '../../data/index.ts';
import { newId } from '../../environment.ts';
import { TemperedGrid } from '../../parts/cards/index.ts';
import { Wide } from '../../parts/frame/index.ts';
import { useWords } from '../../parts/words/index.ts';
import { rootOf } from './draft.ts';
import { RootSelect } from './RootSelect.tsx';
import { ScaleButton, tried } from './ScaleButton.tsx';

interface Props {
  readonly tuning: Tuning;
  readonly instrument: Instrument;
}

type Wanted = 'equal' | 'pure' | 'scale';
type Open = 'tuning' | 'exact' | 'fairest';

/** So far up the neck is played most. */
const HIGHEST_FRET = 12;

/** A whole temperament on the neck: what straight frets make of it, place by place. */
export function NeckTemper({ tuning, instrument }: Props) {
  const t = useWords();
  const notes = tuning.courses.map(([midi]) => midi ?? 0);
  const found = rootOf(notes);
  const [wanted, setWanted] = useState<Wanted>('pure');
  const [scale, setScale] = useState<Scale | null>(null);
  const [root, setRoot] = useState(found);
  const [open, setOpen] = useState<Open>('exact');
  const [problem, setProblem] = useState<Value | null>(null);
  const neck = neckOf(tuning, instrument);
  const frets = Math.min(HIGHEST_FRET, instrument.frets);
  const temperament = temperamentOf(wanted, scale, root);
  const offsets = {
    tuning: () => offsetsOf(notes, tuning.temper),
    exact: () => notes.map(temperament),
    fairest: () => fairestOpen(neck, temperament, frets),
  }[open]();
  const places = temperedNeck(neck, offsets, temperament, frets);
  const cost = costOf(places);
  const words = cost && neckCostInWords(cost);
  /** One that lacks a note of this neck is refused before it is shown. */
  const laidOn = (next: Temperament) => temperedNeck(neck, [], next, frets);
  return (
    <section className="card screen-only" aria-label={t('tunings.aTemperamentOnTheNeck')}>
      <strong>{t('tunings.aTemperamentOnTheNeck')}</strong>
      <Group align="end" gap="xs" my="xs">
        <NativeSelect
          label={t('tunings.whatIsWanted')}
          data={[
            { value: 'equal', label: t('tunings.equal') },
            { value: 'pure', label: t('tunings.pure') },
            ...(scale
              ? [{ value: 'scale', label: scale.description || t('tunings.theScaleFile') }]
              : []),
          ]}
          value={wanted}
          onChange={(event) => setWanted(event.currentTarget.value as Wanted)}
        />
        {wanted !== 'equal' && (
          <RootSelect
            label={t('tunings.in')}
            accidental={tuning.accidental}
            {...{ root, found }}
            onChange={(next) =>
              tried(() => {
                if (wanted === 'scale') laidOn(temperamentOf(wanted, scale, next));
                setRoot(next);
              }, setProblem)
            }
          />
        )}
        <NativeSelect
          label={t('tunings.openStrings')}
          data={[
            { value: 'exact', label: t('tunings.asItWantsThem') },
            { value: 'tuning', label: t('tunings.asThisTuningHasThem') },
            { value: 'fairest', label: t('tunings.fairestToTheFrettedNotes') },
          ]}
          value={open}
          onChange={(event) => setOpen(event.currentTarget.value as Open)}
        />
        <ScaleButton
          onProblem={setProblem}
          onScale={(next) => {
            laidOn(temperamentOf('scale', next, root));
            setScale(next);
            setWanted('scale');
          }}
        />
        {open !== 'tuning' && <TakeThem {...{ tuning, offsets }} />}
      </Group>
      {problem && (
        <Text size="sm" role="alert">
          {t('tunings.neckAsBefore', { problem: problem })}
        </Text>
      )}
      {words && (
        <p role="status">
          {t(words.say)} <span className="soft">{t(words.more)}</span>
        </p>
      )}
      <Wide label={t('tunings.centsFromTheTemperamentString')}>
        <TemperedGrid
          label={t('tunings.centsFromTheTemperamentString')}
          accidental={tuning.accidental}
          highestFret={frets}
          {...{ neck, places }}
        />
      </Wide>
    </section>
  );
}

interface TakeProps {
  readonly tuning: Tuning;
  readonly offsets: readonly number[];
}

/** Makes a tuning of one's own of these open strings. */
function TakeThem({ tuning, offsets }: TakeProps) {
  const t = useWords();
  const { repository } = useData();
  const navigate = useNavigate();
  const take = async () => {
    const id = newId();
    const { aliases: _, ...rest } = tuning;
    await repository.saveTuning({
      ...rest,
      id,
      name: t('tunings.tempered', { tuning: tuning.name }),
      temper: { kind: 'own', offsets: offsets.map((cents) => Math.round(10 * cents) / 10) },
    });
    await navigate(`/tunings/${id}/edit`);
  };
  return (
    <Button variant="default" onClick={() => void take()}>
      {t('tunings.aTuningWithTheseOpen')}
    </Button>
  );
}

function temperamentOf(wanted: Wanted, scale: Scale | null, root: number): Temperament {
  if (wanted === 'pure') return pureIn(root);
  if (wanted === 'equal' || !scale) return EQUAL;
  return byScale(scale, root);
}
