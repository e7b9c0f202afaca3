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
} as const;
