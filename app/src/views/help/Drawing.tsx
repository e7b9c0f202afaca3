import { neckOf, pureIn, temperedNeck } from '@rosefinch/core/fretboard';
import { list, signed } from '@rosefinch/core/message';
import { findTuning, TUNINGS } from '@rosefinch/core/music';
import type { GuideDrawing } from '@rosefinch/core/sentences';
import { steelGuitar } from '@rosefinch/core/strings';
import { NeighbourMap, TemperedGrid } from '../../parts/cards/index.ts';
import { FretStrip } from '../../parts/charts/index.ts';
import { MiniWires, type Perch, WireCanvas } from '../../parts/wires/index.ts';
import { useWords } from '../../parts/words/index.ts';

const TOLERANCE = 2;
/** A note as it falls to rest: where it begins above its perch, how soon it is there, how often that is drawn. */
const NOTE = { above: 9, over: 0.12, lasts: 0.8, step: 0.02 } as const;
/** No fret of the drawing lies higher. */
const FRETS = 7;

/** A pluck that came to rest at so many cents, as the bench draws one. */
function perchAt(cents: number): Perch {
  const points = Math.round(NOTE.lasts / NOTE.step);
  const stroke = new Float32Array(2 * points);
  for (let i = 0; i < points; i++) {
    const t = i * NOTE.step;
    stroke[2 * i] = t;
    stroke[2 * i + 1] = cents + NOTE.above * Math.exp(-t / NOTE.over);
  }
  return { cents, error: 0.4, aim: 0, stroke, stored: true };
}

/** A page's drawing, by the same wires and fretboards as everywhere. */
export function Drawing({ drawing }: { readonly drawing: GuideDrawing }) {
  const t = useWords();
  switch (drawing.kind) {
    case 'plucks':
      return (
        <div className="guide-wire">
          <WireCanvas
            tall
            tolerance={TOLERANCE}
            aim={0}
            perches={drawing.cents.map(perchAt)}
            live={null}
            hidden={false}
            gauge={2}
            text={t('help.plucksAt', { cents: list(drawing.cents.map(signed)) })}
          />
        </div>
      );
    case 'strings':
      return (
        <MiniWires
          tolerance={TOLERANCE}
          strings={drawing.found.map((found, i) => ({
            course: i + 1,
            found,
            left: drawing.left[i] ?? null,
          }))}
        />
      );
    case 'compare':
      return <FretStrip held={{ course: drawing.held, fret: drawing.fret }} open={drawing.open} />;
    case 'near': {
      const tuning = findTuning(drawing.tuning);
      return tuning ? <NeighbourMap tuning={tuning} tunings={TUNINGS} /> : null;
    }
    case 'neck':
      return <PureNeck {...drawing} />;
  }
}

/** What straight frets are off where the open strings are pure. */
function PureNeck({ tuning: id, root }: Extract<GuideDrawing, { kind: 'neck' }>) {
  const t = useWords();
  const tuning = findTuning(id);
  if (!tuning) return null;
  const wanted = pureIn(root);
  const neck = neckOf(tuning, steelGuitar('drawn', 'drawn'));
  const open = neck.map(({ midi }) => wanted(midi));
  return (
    <TemperedGrid
      label={t('help.centsFromPureStringBy')}
      neck={neck}
      accidental={tuning.accidental}
      places={temperedNeck(neck, open, wanted, FRETS)}
      highestFret={FRETS}
    />
  );
}
