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
import { noteName, offsetsOf, type Scale, type Tuning } from '@rosefinch/core/music';
import type { Instrument } from '@rosefinch/core/strings';
import { neckCostInWords, TUNING_VIEW_SAYS } from '@rosefinch/core/words';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { useData } from '../../data/index.ts';
import { newId } from '../../environment.ts';
import { TemperedGrid } from '../../parts/cards/index.ts';
import { Wide } from '../../parts/frame/index.ts';
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
  const notes = tuning.courses.map(([midi]) => midi ?? 0);
  const found = rootOf(notes);
  const [wanted, setWanted] = useState<Wanted>('pure');
  const [scale, setScale] = useState<Scale | null>(null);
  const [root, setRoot] = useState(found);
  const [open, setOpen] = useState<Open>('exact');
  const [problem, setProblem] = useState<string | null>(null);
  const neck = neckOf(tuning, instrument);
  const frets = Math.min(HIGHEST_FRET, instrument.frets);
  const temperament = temperamentOf(wanted, scale, root, tuning.accidental);
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
    <section className="card" aria-label="A temperament on the neck">
      <strong>A temperament on the neck</strong>
      <Group align="end" gap="xs" my="xs">
        <NativeSelect
          label="What is wanted"
          data={[
            { value: 'equal', label: 'equal' },
            { value: 'pure', label: 'pure' },
            ...(scale ? [{ value: 'scale', label: scale.description || 'the scale file' }] : []),
          ]}
          value={wanted}
          onChange={(event) => setWanted(event.currentTarget.value as Wanted)}
        />
        {wanted !== 'equal' && (
          <RootSelect
            label="In"
            accidental={tuning.accidental}
            {...{ root, found }}
            onChange={(next) =>
              tried(() => {
                if (wanted === 'scale')
                  laidOn(temperamentOf(wanted, scale, next, tuning.accidental));
                setRoot(next);
              }, setProblem)
            }
          />
        )}
        <NativeSelect
          label="Open strings"
          data={[
            { value: 'exact', label: 'as it wants them' },
            { value: 'tuning', label: 'as this tuning has them' },
            { value: 'fairest', label: 'fairest to the fretted notes' },
          ]}
          value={open}
          onChange={(event) => setOpen(event.currentTarget.value as Open)}
        />
        <ScaleButton
          onProblem={setProblem}
          onScale={(next) => {
            laidOn(temperamentOf('scale', next, root, tuning.accidental));
            setScale(next);
            setWanted('scale');
          }}
        />
        {open !== 'tuning' && <TakeThem {...{ tuning, offsets }} />}
      </Group>
      {problem && (
        <Text size="sm" role="alert">
          {TUNING_VIEW_SAYS.neckAsBefore(problem)}
        </Text>
      )}
      {words && (
        <p role="status">
          {words.say} <span className="soft">{words.more}</span>
        </p>
      )}
      <Wide label="Cents from the temperament, string by fret">
        <TemperedGrid
          label="Cents from the temperament, string by fret"
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
  const { repository } = useData();
  const navigate = useNavigate();
  const take = async () => {
    const id = newId();
    const { aliases: _, ...rest } = tuning;
    await repository.saveTuning({
      ...rest,
      id,
      name: `${tuning.name}, tempered`,
      temper: { kind: 'own', offsets: offsets.map((cents) => Math.round(10 * cents) / 10) },
    });
    await navigate(`/tunings/${id}/edit`);
  };
  return (
    <Button variant="default" onClick={() => void take()}>
      A tuning with these open strings
    </Button>
  );
}

function temperamentOf(
  wanted: Wanted,
  scale: Scale | null,
  root: number,
  accidental: Tuning['accidental'],
): Temperament {
  if (wanted === 'pure') return pureIn(root);
  if (wanted === 'equal' || !scale) return EQUAL;
  return byScale(scale, root, (midi) => noteName(midi, accidental));
}
