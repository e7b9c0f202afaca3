/** Keeps the screen awake; a tab that was hidden asks for it anew when it is seen again. Answers the way to let it sleep. */
export function keepAwake(): () => void {
  if (!navigator.wakeLock) return () => {};
  let lock: WakeLockSentinel | null = null;
  let over = false;
  const ask = async () => {
    if (document.visibilityState !== 'visible') return;
    // A machine low on power may refuse: the screen then sleeps as it is used to.
    lock = await navigator.wakeLock.request('screen').catch(() => null);
    if (over) void lock?.release();
  };
  const seen = () => void ask();
  void ask();
  document.addEventListener('visibilitychange', seen);
  return () => {
    over = true;
    document.removeEventListener('visibilitychange', seen);
    void lock?.release();
  };
}
