import './listening.css';
import { Button } from '@mantine/core';
import type { InstrumentKind } from '@rosefinch/core/music';
import type { Settings } from '../../data/index.ts';
import { MicrophoneChoice } from './MicrophoneChoice.tsx';
import type { Listening } from './useListening.ts';
import type { Wanted } from './useOpening.ts';

/** What each source is called on its button. */
const SOURCE_LABELS: Readonly<Record<Wanted, (kind: InstrumentKind) => string>> = {
  practice: (kind) => `Practice ${kind}`,
  microphone: () => 'Microphone',
};

interface Props {
  readonly listening: Pick<Listening, 'source' | 'listen' | 'stop'>;
  readonly kind: InstrumentKind;
  readonly settings: Settings;
  readonly disabled?: boolean;
}

/** What is listened to: the practice instrument, or the microphone with its input. */
export function Sources({ listening, kind, settings, disabled }: Props) {
  const button = (source: Wanted) => {
    const on = listening.source === source;
    return (
      <Button
        size="sm"
        variant={on ? 'filled' : 'default'}
        aria-pressed={on}
        disabled={disabled ?? false}
        onClick={(event) => {
          event.currentTarget.blur();
          if (on) listening.stop();
          else listening.listen(source);
        }}
      >
        {SOURCE_LABELS[source](kind)}
      </Button>
    );
  };
  return (
    <>
      <Button.Group className="sources">
        {button('practice')}
        {button('microphone')}
      </Button.Group>
      {listening.source === 'microphone' && (
        <MicrophoneChoice settings={settings} onChange={() => listening.listen('microphone')} />
      )}
    </>
  );
}
