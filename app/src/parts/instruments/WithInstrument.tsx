import { Button } from '@mantine/core';
import type { Instrument } from '@rosefinch/core/strings';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { inHandOf, type Stock, useStock } from '../../data/index.ts';
import { EmptyView } from '../frame/index.ts';
import { useJobHere } from '../listening/index.ts';
import { useWords } from '../words/index.ts';

interface Props {
  /** What the view is for, while no instrument is there. */
  readonly says: string;
  readonly children: (instrument: Instrument, stock: Stock) => ReactNode;
}

/** A view of the instrument that the teacher works on; without one, what the view is for. */
export function WithInstrument({ says, children }: Props) {
  const t = useWords();
  const stock = useStock();
  useJobHere();
  if (!stock) return <p>{t('common.moment')}</p>;
  const instrument = inHandOf(stock);
  if (instrument) return children(instrument, stock);
  return (
    <EmptyView
      says={`${says} ${t('parts.putOneFirst')}`}
      offer={
        <Button component={Link} to="/">
          {t('parts.toTheBench')}
        </Button>
      }
    />
  );
}
