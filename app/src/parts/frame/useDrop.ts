import { useEffect, useRef } from 'react';

/** Takes a file that is dropped anywhere on the page. */
export function useDrop(take: (file: File) => void): void {
  const latest = useRef(take);
  latest.current = take;
  useEffect(() => {
    const over = (event: DragEvent) => event.preventDefault();
    const drop = (event: DragEvent) => {
      event.preventDefault();
      const file = event.dataTransfer?.files[0];
      if (file) latest.current(file);
    };
    window.addEventListener('dragover', over);
    window.addEventListener('drop', drop);
    return () => {
      window.removeEventListener('dragover', over);
      window.removeEventListener('drop', drop);
    };
  }, []);
}
