/**
 * Taking a visit up and putting it down elsewhere, by the pointer or by keys: one account of where it would
 * come to lie, in days and in quarters of an hour.
 */
import type { JobListItem } from '@jeitinho/core';
import {
  useEffect,
  useRef,
  useState,
  type KeyboardEvent as ReactKeyboardEvent,
  type PointerEvent as ReactPointerEvent,
} from 'react';
import { DAYS, moved, type Slot } from './grid';
import type { Move } from './use-move';

export interface Lifted {
  readonly job: JobListItem;
  readonly days: number;
  readonly steps: number;
  readonly to: Date;
}

export interface LiftOptions {
  /** Sizes of a day and of a quarter of an hour on the screen, px. */
  readonly sizes: () => { readonly day: number; readonly step: number };
  readonly onMove: (move: Move) => void;
}

/** Below it a press is a press. */
const DRAG_PX = 6;

const ARROWS: Readonly<Record<string, readonly [days: number, steps: number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** Where a visit comes to lie; beyond the first and the last day there is no column. */
function lift({ job, day }: Slot, days: number, steps: number): Lifted {
  const within = Math.max(-day, Math.min(DAYS - 1 - day, days));
  return { job, days: within, steps, to: moved(new Date(job.visitAt!), within, steps) };
}

export function useLift({ sizes, onMove }: LiftOptions) {
  const [lifted, setLifted] = useState<Lifted>();
  // Keys may come faster than the screen is drawn.
  const latest = useRef<Lifted>(undefined);
  const grip = useRef<{ slot: Slot; x: number; y: number }>(undefined);
  /** The press that ends a drag opens nothing. */
  const dragged = useRef(false);

  const show = (next: Lifted | undefined) => {
    latest.current = next;
    setLifted(next);
  };
  const putDown = () => {
    const at = latest.current;
    show(undefined);
    if (at && at.to.getTime() !== Date.parse(at.job.visitAt!)) onMove({ job: at.job, to: at.to });
  };

  useEffect(() => {
    const leave = (event: KeyboardEvent) => {
      if (event.key !== 'Escape') return;
      grip.current = undefined;
      latest.current = undefined;
      setLifted(undefined);
    };
    window.addEventListener('keydown', leave);
    return () => window.removeEventListener('keydown', leave);
  }, []);

  const onKeyDown = (slot: Slot) => (event: ReactKeyboardEvent) => {
    const up = latest.current;
    const arrow = ARROWS[event.key];
    if (event.key === ' ') {
      event.preventDefault();
      if (up) putDown();
      else show(lift(slot, 0, 0));
    } else if (up && event.key === 'Enter') {
      event.preventDefault();
      putDown();
    } else if (up && arrow) {
      event.preventDefault();
      show(lift(slot, up.days + arrow[0], up.steps + arrow[1]));
    }
  };
  const onPointerDown = (slot: Slot) => (event: ReactPointerEvent<HTMLElement>) => {
    if (event.button !== 0) return;
    dragged.current = false;
    grip.current = { slot, x: event.clientX, y: event.clientY };
    event.currentTarget.setPointerCapture(event.pointerId);
  };
  const onPointerMove = (event: ReactPointerEvent) => {
    const held = grip.current;
    if (!held) return;
    const [x, y] = [event.clientX - held.x, event.clientY - held.y];
    if (!dragged.current && Math.hypot(x, y) < DRAG_PX) return;
    dragged.current = true;
    const { day, step } = sizes();
    show(lift(held.slot, Math.round(x / day), Math.round(y / step)));
  };
  const onPointerUp = () => {
    const held = grip.current;
    grip.current = undefined;
    if (held && dragged.current) putDown();
  };

  return {
    lifted,
    /** Handlers of a visit’s card. */
    handlersOf: (slot: Slot) => ({
      onKeyDown: onKeyDown(slot),
      onPointerDown: onPointerDown(slot),
      onPointerMove,
      onPointerUp,
      onPointerCancel: () => {
        grip.current = undefined;
        show(undefined);
      },
      /** Wandering off with the keys puts it down where it is. */
      onBlur: putDown,
    }),
    /** Whether a click was a press, and not the end of a drag. */
    isPress: () => !dragged.current,
  };
}
