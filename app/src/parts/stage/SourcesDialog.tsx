import type { Settings } from '../../data/index.ts';
import { Action, Dialog } from '../frame/index.ts';
import { MicrophoneChoice } from '../listening/index.ts';
import { useWords } from '../words/index.ts';
import { type ListeningHere, nameOf, SOURCES } from './sources.ts';

interface Props {
  readonly here: ListeningHere;
  readonly settings: Settings;
  readonly onClose: () => void;
}

/** Every source, with the input and side of a microphone, and a recording where one can be read. */
export default function SourcesDialog({ here, settings, onClose }: Props) {
  const t = useWords();
  const { listening, kind, disabled = false, other } = here;
  const { source, listen } = listening;
  return (
    <Dialog title={t('common.whatIsListenedTo')} opened onClose={onClose}>
      <div className="listening-choices">
        {SOURCES.map((one) => (
          <Action
            key={one}
            pressed={source === one}
            disabled={disabled}
            onAct={() => {
              listen(one);
              onClose();
            }}
          >
            {t(nameOf(one, kind))}
          </Action>
        ))}
        {other}
        <MicrophoneChoice
          settings={settings}
          onChange={() => source === 'microphone' && listen('microphone')}
        />
      </div>
    </Dialog>
  );
}
