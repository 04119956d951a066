/** A step of something done by hand; one that takes its time is counted down, and ends with a beep. */
import { useEffect, useState } from 'react';
import { beep, shake } from '../data/alarm';
import { countdown } from '../data/now';
import { Button } from './button';

const TICK_MS = 250;

export interface CountedStepProps {
  readonly number: number;
  readonly step: string;
  /** 0 for one that takes no time. */
  readonly seconds: number;
}

export function CountedStep({ number, step, seconds }: CountedStepProps) {
  const [ends, setEnds] = useState<number>();
  const [now, setNow] = useState(0);
  const over = ends !== undefined && now >= ends;
  useEffect(() => {
    if (ends === undefined || over) return;
    const timer = setInterval(() => {
      const time = Date.now();
      setNow(time);
      if (time < ends) return;
      beep(2);
      shake();
    }, TICK_MS);
    return () => clearInterval(timer);
  }, [ends, over]);
  const start = () => {
    setNow(Date.now());
    setEnds(Date.now() + seconds * 1000);
  };
  return (
    <li className="flex min-h-12 items-center gap-3 border-b border-hair py-1.5">
      <span className="figure w-6 text-soft">{number}</span>
      <span className="min-w-0 flex-1">{step}</span>
      {seconds > 0 &&
        (ends === undefined ? (
          <Button onClick={start}>Count {seconds} s</Button>
        ) : (
          <span
            role="timer"
            aria-live={over ? 'polite' : 'off'}
            className="figure text-[20px] font-bold"
          >
            {over ? 'over' : countdown(ends - now)}
          </span>
        ))}
    </li>
  );
}
