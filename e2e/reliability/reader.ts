import { asText, RosefinchError } from '@rosefinch/core/errors';
import { mixDown, readWav } from '@rosefinch/core/formats';
import { Listener } from '@rosefinch/core/listen';
import { type Fault, readBackup, salvage, writeBackup } from '@rosefinch/core/records';

/** Reads one damaged file after the other, so that one that never ends can be stopped from outside. */
export interface FileCase {
  readonly kind: 'backup' | 'recording';
  readonly bytes: Uint8Array;
}

export interface FileAnswer {
  /** How it ended: refused with its place, taken whole, or salvaged. */
  readonly end: 'refused' | 'taken' | 'salvaged' | 'broken';
  readonly says: string;
}

process.send?.('ready');
process.on('message', ({ kind, bytes }: FileCase) => {
  process.send?.(kind === 'backup' ? readBackupCase(bytes) : readRecordingCase(bytes));
});

function readBackupCase(bytes: Uint8Array): FileAnswer {
  const faults: Fault[] = [];
  try {
    const text = new TextDecoder('utf-8', { fatal: true }).decode(bytes);
    const contents = salvage(text, (fault) => {
      if (faults.length < 100) faults.push(fault);
    });
    // What is taken must come back from a backup of its own.
    readBackup(writeBackup(contents, new Date(0)));
    const [first] = faults;
    return first
      ? { end: 'salvaged', says: `${asText(first.place)}: ${asText(first.reason)}` }
      : { end: 'taken', says: '' };
  } catch (error) {
    return told(error);
  }
}

function readRecordingCase(bytes: Uint8Array): FileAnswer {
  try {
    const sound = readWav(bytes);
    const samples = Float32Array.from(mixDown(sound));
    const listener = new Listener(sound.sampleRate, () => {});
    const MOST = 10 * sound.sampleRate;
    listener.hear(samples.subarray(0, MOST));
    listener.finish();
    return { end: 'taken', says: sound.warnings.join('; ') };
  } catch (error) {
    return told(error);
  }
}

/** An error of ours says where; another one is a fault of the reader. */
function told(error: unknown): FileAnswer {
  const ours = error instanceof RosefinchError || error instanceof TypeError;
  const says = error instanceof Error ? error.message : String(error);
  const decoding = error instanceof TypeError && /encoded data was not valid/.test(says);
  return {
    end: ours && (error instanceof RosefinchError || decoding) ? 'refused' : 'broken',
    says,
  };
}
