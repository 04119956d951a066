/** Room on the device: asked to be kept for good once something is written on it, and told. */
import { useEffect, useState } from 'react';

let asked = false;

/** Without it a browser may clear what it keeps when the disk runs full. */
export function askToPersist(): void {
  if (asked) return;
  asked = true;
  void navigator.storage?.persist?.().catch(() => false);
}

export interface Room {
  readonly usedMB: number;
  readonly ofMB: number;
  /** The browser clears nothing of it by itself. */
  readonly forGood: boolean;
}

/** Undefined until it is known, and where the browser does not tell. */
export function useRoom(): Room | undefined {
  const [room, setRoom] = useState<Room>();
  useEffect(() => {
    let wanted = true;
    const look = async () => {
      const [{ usage = 0, quota = 0 }, forGood] = await Promise.all([
        navigator.storage.estimate(),
        navigator.storage.persisted(),
      ]);
      if (wanted) setRoom({ usedMB: usage / 1e6, ofMB: quota / 1e6, forGood });
    };
    look().catch(() => undefined);
    return () => {
      wanted = false;
    };
  }, []);
  return room;
}
