import type { Target } from '@rosefinch/core/music';
import { MADE_NECK, type NeckFaults } from '@rosefinch/core/practice';
import type { Instrument } from '@rosefinch/core/strings';
import type { Millimetres } from '@rosefinch/core/units';
import type { PracticeStart } from '../../sound/index.ts';

const RATE = 48_000;
/** What is truly out of its place on the instruments of the demo; its notes hint at it. The others are sound. */
const FAULTS: Readonly<Record<string, Partial<NeckFaults>>> = {
  heron: { saddleMm: -3.4 },
  linnet: { frets: { 2: 1.5 } },
  whimbrel: { firstMm: 2.2, twelfthMm: 6.5 },
  redshank: { firstMm: 0.3, twelfthMm: 1.6 },
  lapwing: { saddleMm: -3.2, slantMm: -0.8 },
};
const DETUNE = [-4, 3, -7, 2, -5, 6];

/** Where the practice bridge was moved to, away from the nut: its end under the first string, and under the last long one. */
export interface BridgePlace {
  readonly firstMm: Millimetres;
  readonly lastMm: Millimetres;
}

/** The practice instrument with its neck as it truly is. */
export function practiceStart(
  instrument: Instrument,
  targets: readonly Target[],
  bridge: BridgePlace,
  seed: number,
): PracticeStart {
  const neck = { ...MADE_NECK, ...FAULTS[instrument.id] };
  return {
    instrument,
    targetsHz: targets.map(({ hz }) => hz),
    detuneCents: targets.map((_, i) => DETUNE[i % DETUNE.length]!),
    neck: {
      ...neck,
      saddleMm: neck.saddleMm + bridge.firstMm,
      slantMm: (neck.slantMm ?? 0) + bridge.lastMm - bridge.firstMm,
    },
    seed,
    sampleRate: RATE,
  };
}
