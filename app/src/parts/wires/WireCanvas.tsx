import { useWords } from '../words/index.ts';
import './wires.css';
import { useComputedColorScheme } from '@mantine/core';
import type { Cents } from '@rosefinch/core/units';
import { useEffect, useRef } from 'react';
import { drawWire, type Palette, type Perch, type Stroke, scaleOf } from './draw.ts';

interface Props {
  /** The open wire of the stage, with its ruling and strokes. */
  readonly tall: boolean;
  /** It is read from afar. */
  readonly afar?: boolean;
  readonly tolerance: Cents;
  readonly aim: Cents;
  readonly perches: readonly Perch[];
  /** Asked at every frame while the wire is active; null when nothing rings. */
  readonly live: (() => Stroke | null) | null;
  readonly hidden: boolean;
  readonly gauge: number;
  /** What the picture says, for those who do not see it. */
  readonly text: string;
}

function readPalette(element: Element): Palette {
  const style = getComputedStyle(element);
  const of = (name: string) => style.getPropertyValue(name).trim();
  return {
    ink: of('--ink'),
    soft: of('--soft-ink'),
    hairline: of('--hairline'),
    band: of('--rest-band'),
    rose: of('--rose'),
    paper: of('--paper'),
  };
}

/** One wire on a canvas that fills its place; redrawn at every frame while a note rings on it. */
export function WireCanvas(props: Props) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const scheme = useComputedColorScheme();
  const words = useWords();

  // The scheme is listed because the palette is read from CSS variables that follow it.
  // biome-ignore lint/correctness/useExhaustiveDependencies: see above
  useEffect(() => {
    const element = canvas.current;
    const context = element?.getContext('2d');
    if (!element || !context) return;
    let frame = 0;
    let idle = false;
    const palette = readPalette(element);
    const paint = () => {
      const live = props.live?.() ?? null;
      const { clientWidth, clientHeight } = element;
      const ratio = window.devicePixelRatio;
      const wide = Math.round(clientWidth * ratio);
      const high = Math.round(clientHeight * ratio);
      if (element.width !== wide || element.height !== high) {
        element.width = wide;
        element.height = high;
        idle = false;
      }
      if (live || !idle) {
        const scale = props.tall ? scaleOf(clientWidth, clientHeight, props.afar ?? false) : 1;
        context.setTransform(ratio * scale, 0, 0, ratio * scale, 0, 0);
        const [width, height] = [clientWidth / scale, clientHeight / scale];
        drawWire(context, { ...props, live, width, height, palette, words });
      }
      idle = live === null;
      if (props.live) frame = requestAnimationFrame(paint);
    };
    const again = () => {
      idle = false;
      if (!props.live) paint();
    };
    paint();
    const watch = new ResizeObserver(again);
    watch.observe(element);
    void document.fonts.ready.then(again);
    return () => {
      cancelAnimationFrame(frame);
      watch.disconnect();
    };
  }, [props, scheme]);

  // Its size is its place's: what is drawn in it never moves what stands beside it.
  return (
    <span className="wire-canvas">
      <canvas ref={canvas} role="img" aria-label={props.text} />
    </span>
  );
}
