import { useElementSize } from '@mantine/hooks';
import type { ReactNode } from 'react';

interface Props {
  /** Draws in the place that there is, in pixels; nothing before that is known. */
  readonly children: (width: number, height: number) => ReactNode;
}

/** A place that a drawing fills, told how large it is. */
export function Sized({ children }: Props) {
  const { ref, width, height } = useElementSize();
  return (
    <span className="sized" ref={ref}>
      {width > 0 && height > 0 && children(width, height)}
    </span>
  );
}
