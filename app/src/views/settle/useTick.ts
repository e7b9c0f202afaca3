import { useCallback, useEffect, useState } from 'react';

/** The time, looked at every so often or when asked to: what is sure gets less while nobody does anything. */
export function useTick(
  now: () => number,
  everyMs: number,
): { readonly time: number; readonly lookAgain: () => void } {
  const [time, setTime] = useState(now);
  const lookAgain = useCallback(() => setTime(now()), [now]);
  useEffect(() => {
    const timer = setInterval(lookAgain, everyMs);
    return () => clearInterval(timer);
  }, [lookAgain, everyMs]);
  return { time, lookAgain };
}
