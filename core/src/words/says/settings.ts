import { counted } from '../figures.ts';

/** What settings and records says. */
export const SETTINGS_SAYS = {
  noCopy: 'No copy was written yet.',
  copyWhole: 'Every reading is in it.',
  noFolder: 'This browser cannot put copies in a folder by itself: write a backup now and then.',
  unknownStay: 'This browser does not say how long it keeps records.',
  allGoes: 'Everything in this browser goes. Write a backup first.',
  asBefore: 'All is as it was before.',
  removed: 'Everything is removed.',
  restored: 'The backup is restored.',
  restoredAll: 'Restored. Nothing was removed.',
  byDisplay:
    'The figure leads each string to where it lands once the others are tuned; the reference tone sounds that.',
  byEar:
    'Strings are brought near, then each is set like another one that sounds right now; the tone sounds the note.',
  check: 'Reads every record that is kept here, and mends what can be mended.',
  stopped: 'Stopped. Nothing was changed.',
  lastCopy: (moment: string) => `The last copy was written ${moment}.`,
  noCopyOf: (readings: number) =>
    `${counted(readings, 'reading has', 'readings have')} no copy yet.`,
  goesToFolder: (folder: string) =>
    `A copy goes to the folder “${folder}” after each sitting; the last ten stay.`,
  roomLeft: (gib: string) => `${gib} GiB are left for them.`,
  staysForGood: 'The browser keeps these records until they are removed by hand.',
  mayGo:
    'The browser may remove these records when it runs out of room; it has not promised to keep them.',
  keptHere: (counts: {
    readonly instruments: number;
    readonly sessions: number;
    readonly readings: number;
  }) =>
    `${counted(counts.instruments, 'instrument')}, ${counted(counts.sessions, 'sitting')} and ${counted(counts.readings, 'reading')} are kept in this browser.`,
  formOfBackup: 'A backup is plain JSON, a record a line.',
  whatFileDoes: (file: string) =>
    `What ${file} will do; nothing will be removed. Newer and older are the file’s.`,
  notReadable: (records: number, file: string) =>
    `${counted(records, 'record')} of ${file} cannot be read.`,
  restWithout: (records: number) =>
    `Nothing was changed. The rest can be restored without ${records === 1 ? 'it' : 'them'}.`,
  a4Stays: (a4: string) => `${a4} Hz stays.`,
  toleranceStays: (cents: string) => `${cents} cents stay.`,
  sittingKeeps: (a4: string, cents: string) =>
    `The sitting on the bench keeps ${a4} Hz and ${cents} cents, with which it began.`,
  checked: (records: number, mended: number, left: number) => {
    const all = `${counted(records, 'record')} read.`;
    if (mended === 0 && left === 0) return `${all} All is well.`;
    const rest =
      left === 0 ? '' : ` ${counted(left, 'fault')} cannot be mended; nothing was taken away.`;
    return `${all} ${mended} mended.${rest}`;
  },
  unchanged: 'Nothing was changed.',
} as const;
