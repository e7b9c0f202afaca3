import './wires.css';
import { useComputedColorScheme } from '@mantine/core';
import type { Cents } from '@rosefinch/core/units';
import { useEffect, useRef } from 'react';
import { drawWire, type Palette, type Perch, type Stroke } from './draw.ts';

interface Props {
  readonly tall: boolean;
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

const HEIGHT = { tall: 232, slim: 52 } as const;

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

/** One wire on a canvas; redrawn at every frame while a note rings on it. */
export function WireCanvas(props: Props) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const scheme = useComputedColorScheme();
  const height = props.tall ? HEIGHT.tall : HEIGHT.slim;

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
      const width = element.clientWidth;
      const ratio = window.devicePixelRatio;
      if (element.width !== Math.round(width * ratio) || element.height !== height * ratio) {
        element.width = Math.round(width * ratio);
        element.height = height * ratio;
        idle = false;
      }
      if (live || !idle) {
        context.setTransform(ratio, 0, 0, ratio, 0, 0);
        drawWire(context, { ...props, live, width, height, palette });
      }
      idle = live === null;
      if (props.live) frame = requestAnimationFrame(paint);
    };
    paint();
    const watch = new ResizeObserver(() => {
      idle = false;
      if (!props.live) paint();
    });
    watch.observe(element);
    void document.fonts.ready.then(() => {
      idle = false;
      if (!props.live) paint();
    });
    return () => {
      cancelAnimationFrame(frame);
      watch.disconnect();
    };
  }, [props, height, scheme]);

  return <canvas ref={canvas} style={{ height }} role="img" aria-label={props.text} />;
}
