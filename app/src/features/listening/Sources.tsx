import { Button } from '@mantine/core';
import type { InstrumentKind } from '@rosefinch/core/music';
import type { Settings } from '../../data/index.ts';
import { MicrophoneChoice } from './MicrophoneChoice.tsx';
import type { Listening } from './useListening.ts';

interface Props {
  readonly listening: Pick<Listening, 'source' | 'listen' | 'stop'>;
  readonly kind: InstrumentKind;
  readonly settings: Settings;
  readonly disabled?: boolean;
}

/** What is listened to: the practice instrument, or the microphone with its input. */
export function Sources({ listening, kind, settings, disabled }: Props) {
  const button = (source: 'practice' | 'microphone', label: string) => {
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
        {label}
      </Button>
    );
  };
  return (
    <>
      <Button.Group className="sources">
        {button('practice', `Practice ${kind}`)}
        {button('microphone', 'Microphone')}
      </Button.Group>
      {listening.source === 'microphone' && (
        <MicrophoneChoice settings={settings} onChange={() => listening.listen('microphone')} />
      )}
    </>
  );
}
