import type { Value } from '@rosefinch/core/message';
import { useWords } from '../words/index.ts';
import './job.css';
import { type ReactNode, useState } from 'react';
import type { Settings } from '../../data/index.ts';
import {
  type JobAct,
  type JobView,
  type KeyActs,
  keysOf,
  useDistance,
  useKeys,
} from '../frame/index.ts';
import { Foot, type FootButton } from './Foot.tsx';
import { ListeningPart, listeningKey } from './ListeningPart.tsx';
import { withLearned } from './learned.ts';
import { More, type PlainAction } from './More.tsx';
import type { ListeningHere } from './sources.ts';

/** What the keys of a job do, beside those that every job has. */
export type JobActs<View extends JobView> = Omit<KeyActs<View>, JobAct>;

interface Props<View extends JobView> {
  readonly view: View;
  /** What is done with which instrument, for those who do not see the head. */
  readonly title: Value;
  readonly settings: Settings;
  readonly acts: JobActs<View>;
  /** At most four, the main one first. */
  readonly buttons: readonly FootButton<View>[];
  /** What can be done and has no key. */
  readonly more?: readonly PlainAction[];
  /** What is listened to; null in a job that does not listen. */
  readonly listening: ListeningHere | null;
  /** What the foot says of the room and the work. */
  readonly says: Value | null;
  /** A dialog of the job is open: its keys sleep. */
  readonly asleep?: boolean;
  /** Nothing can be done yet. */
  readonly busy?: boolean;
  readonly stage: ReactNode;
  readonly wires: ReactNode;
  /** Above the foot: the practice hands, or what can be chosen. */
  readonly line?: ReactNode;
  /** What lies beside the three bands: dialogs, words for those who do not see. */
  readonly children?: ReactNode;
}

/** A job with an instrument in hand: stage, wires and foot fill the window, and none of them moves. */
export function Job<View extends JobView>(props: Props<View>) {
  const t = useWords();
  const { view, title, settings, buttons, listening, asleep = false, busy = false } = props;
  const [more, setMore] = useState(false);
  const [unfolded, setUnfolded] = useState(false);
  const { afar, toggle } = useDistance();
  const acts = {
    ...props.acts,
    listen: listening && listeningKey(listening),
    distance: toggle,
    more: () => setMore(true),
  } as unknown as KeyActs<View>;
  const awake = settings.keysOn && !more && !unfolded && !asleep && !busy;
  // A pedal that turns pages sends a key that would take the next instrument: its job comes first.
  useKeys(withLearned(keysOf(view, acts), view, acts, settings), awake, true);
  return (
    <>
      <div className="job" data-afar={afar} aria-busy={busy}>
        <h1 className="unseen">{t.value(title)}</h1>
        {props.stage}
        <div className="job-wires">{props.wires}</div>
        {/* Its room is there in every job, so that the bands lie where they lay in the one before. */}
        <div className="job-line">{props.line}</div>
        <Foot
          {...{ view, acts, buttons }}
          idle={listening?.listening.source === null}
          says={props.says}
        >
          {listening && (
            <ListeningPart here={listening} settings={settings} onUnfold={setUnfolded} />
          )}
        </Foot>
        {afar && (
          <button type="button" className="back-to-desk" onClick={toggle}>
            {t('common.backToDesk')} <kbd>Z</kbd>
          </button>
        )}
      </div>
      <More
        view={view}
        acts={acts}
        actions={props.more ?? []}
        settings={settings}
        opened={more}
        onClose={() => setMore(false)}
      />
      {props.children}
    </>
  );
}
