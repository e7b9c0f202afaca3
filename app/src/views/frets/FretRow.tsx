import type { ComponentProps } from 'react';
import { useWords } from '../../parts/words/index.ts';
import { FretMap } from './FretMap.tsx';

/** One string of the map, as large as its place: the string that is asked for. */
export function FretRow({
  check,
  course,
  ...map
}: ComponentProps<typeof FretMap> & { readonly course: number }) {
  const t = useWords();
  return (
    <FretMap
      {...map}
      check={{ ...check, courses: [course] }}
      label={t('frets.stringCourseFretByFret', { course })}
    />
  );
}
