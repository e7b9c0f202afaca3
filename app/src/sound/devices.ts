import { useEffect, useState } from 'react';

/** A sound input that the browser offers. */
export interface InputDevice {
  readonly id: string;
  /** As the browser calls it; null where it does not say. */
  readonly name: string | null;
}

/** The sound inputs there are, kept up to date while devices come and go. */
export function useInputDevices(): readonly InputDevice[] {
  const [devices, setDevices] = useState<readonly InputDevice[]>([]);
  useEffect(() => {
    const media = navigator.mediaDevices;
    if (!media) return;
    let stale = false;
    const look = async () => {
      const all = await media.enumerateDevices();
      if (stale) return;
      const inputs = all.filter((d) => d.kind === 'audioinput' && d.deviceId !== '');
      setDevices(inputs.map((d) => ({ id: d.deviceId, name: d.label || null })));
    };
    void look();
    media.addEventListener('devicechange', look);
    return () => {
      stale = true;
      media.removeEventListener('devicechange', look);
    };
  }, []);
  return devices;
}
