import type { Fault } from '../coach/index.ts';
import type { Saying, WindingTask } from '../sentences/index.ts';
import { loosen, type TightenDirection } from '../strings/index.ts';

/**
 * Which way the sentence has the button turned, of the string in hand; null where nothing is to be turned.
 * @param tighten which way that button tightens
 */
export function turnAsked(saying: Saying, tighten: TightenDirection): TightenDirection | null {
  const raises = isRaised(saying);
  if (raises === null) return null;
  return raises ? tighten : loosen(tighten);
}

/** Whether a string is to be raised or lowered; null where neither is asked for. */
function isRaised(saying: Saying): boolean | null {
  switch (saying.about) {
    case 'next': {
      const { step } = saying;
      if (step.step === 'turn' || step.step === 'far off') return step.low;
      return step.step === 'too far' ? false : null;
    }
    case 'turning': {
      const { call, up } = saying;
      return call === 'stop' || call === 'let it ring' ? null : up;
    }
    case 'fault':
      return isRaisedAfter(saying.fault);
    case 'winding':
      return isRaisedBy(saying.task);
    default:
      return null;
  }
}

function isRaisedBy({ kind }: WindingTask): boolean | null {
  if (kind === 'go on') return true;
  return kind === 'above' || kind === 'too high' ? false : null;
}

function isRaisedAfter(fault: Fault): boolean | null {
  switch (fault.rule) {
    case 'too slack':
      return true;
    case 'to and fro':
      return false;
    case 'wrong way':
      return fault.side === 'low';
    case 'a semitone off':
      return !fault.high;
    default:
      return null;
  }
}
