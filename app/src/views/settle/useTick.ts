import { useEffect, useState } from 'react';

/** Looks at the clock every so often: what is sure gets less while nobody does anything. Answers the time. */
export function useTick(now: () => number, everyMs: number): number {
  const [time, setTime] = useState(now);
  useEffect(() => {
    const timer = setInterval(() => setTime(now()), everyMs);
    return () => clearInterval(timer);
  }, [now, everyMs]);
  return time;
}
