import { Button, Group, NativeSelect, Text } from '@mantine/core';
import {
  costOf,
  fairestOpen,
  neckOf,
  type Temperament,
  temperedNeck,
} from '@rosefinch/core/fretboard';
import {
  noteName,
  offsetsOf,
  pureOffsets,
  type Scale,
  scaleOffsets,
  type Tuning,
} from '@rosefinch/core/music';
import type { Instrument } from '@rosefinch/core/strings';
import { neckCostInWords } from '@rosefinch/core/words';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { useData } from '../../data/index.ts';
import { newId } from '../../environment.ts';
import { HeatGrid } from '../../parts/charts/index.ts';
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
  const rows = neck.toReversed().map(({ course, midi }) => ({
    name: `${course} ${noteName(midi, tuning.accidental)}`,
    cents: Array.from(
      { length: frets + 1 },
      (_, fret) => places.find((one) => one.course === course && one.fret === fret)?.cents ?? null,
    ),
  }));
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
                // One that lacks a note of the neck is refused before it is shown.
                if (wanted === 'scale') everyNote(temperamentOf(wanted, scale, next));
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
            everyNote(temperamentOf('scale', next, root));
            setScale(next);
            setWanted('scale');
          }}
        />
        {open !== 'tuning' && <TakeThem {...{ tuning, offsets }} />}
      </Group>
      {problem && (
        <Text size="sm" role="alert">
          {problem}. The neck is as it was.
        </Text>
      )}
      {words && (
        <p role="status">
          {words.say} <span className="soft">{words.more}</span>
        </p>
      )}
      <Wide label="Cents from the temperament, string by fret">
        <HeatGrid
          label="Cents from the temperament, string by fret"
          frets={Array.from({ length: frets + 1 }, (_, fret) => fret)}
          rows={rows}
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
  accidental: Tuning['accidental'] = 'sharp',
): Temperament {
  if (wanted === 'pure') return (midi) => pureOffsets([midi], root, 1)[0] ?? 0;
  if (wanted === 'equal' || !scale) return () => 0;
  return (midi) => scaleOffsets(scale, [midi], root, (note) => noteName(note, accidental))[0] ?? 0;
}

/** @throws FormatError where one of the twelve notes is none of the temperament */
function everyNote(temperament: Temperament): void {
  for (let midi = 60; midi < 72; midi++) temperament(midi);
}
