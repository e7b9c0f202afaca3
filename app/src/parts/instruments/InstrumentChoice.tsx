import { NativeSelect } from '@mantine/core';
import type { Instrument } from '@rosefinch/core/strings';
import { useData } from '../../data/index.ts';

interface Props {
  readonly shelf: readonly Instrument[];
  readonly instrument: Instrument;
}

/** Which instrument; the choice follows the teacher from view to view. */
export function InstrumentChoice({ shelf, instrument }: Props) {
  const { repository } = useData();
  return (
    <NativeSelect
      aria-label="Instrument"
      size="sm"
      w={130}
      data={shelf.map(({ id, name }) => ({ value: id, label: name }))}
      value={instrument.id}
      onChange={(event) =>
        void repository.saveSettings({ instrumentId: event.currentTarget.value })
      }
    />
  );
}
