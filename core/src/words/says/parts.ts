/** What what stands in many views says. */
export const PARTS_SAYS = {
  byTone: 'By the reference tone.',
  noSuchName: 'Nothing of that name.',
  leave: 'Leave without saving?',
  notSaved: 'What was changed here is not saved yet.',
  stopped: 'This view has stopped.',
  notListening: 'Not listening yet.',
  toneSounds: 'Not listening while the tone sounds. Wait for it to end, then pluck.',
  usualNeck: 'Not heard yet: what is usual for such a bridge.',
  cancelled: 'Cancelled; nothing is kept. The browser may be busy with the file a little longer.',
  linkHolds:
    'It stands in the link itself: nothing is sent anywhere. Whoever opens it sees what it holds before it is taken in.',
  notCopied: 'The browser does not let it be copied: mark the link and copy it.',
  helperSilent: 'A helper process does not answer.',
} as const;
