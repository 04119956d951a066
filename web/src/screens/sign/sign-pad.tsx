/** A signature drawn with a finger or a pen; a name alone will do as well. */
import { useEffect, useRef, useState, type PointerEvent } from 'react';
import { Button } from '../../parts/button';

const [WIDTH, HEIGHT] = [640, 160];

export interface SignPadProps {
  readonly label: string;
  /** Gives the picture, or nothing once it was wiped. */
  readonly onDrawn: (picture: HTMLCanvasElement | undefined) => void;
}

export function SignPad({ label, onDrawn }: SignPadProps) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const [drawn, setDrawn] = useState(false);
  const drawing = useRef(false);
  useEffect(() => wipe(canvas.current), []);
  const at = ({ currentTarget, clientX, clientY }: PointerEvent<HTMLCanvasElement>) => {
    const box = currentTarget.getBoundingClientRect();
    return [
      ((clientX - box.left) / box.width) * WIDTH,
      ((clientY - box.top) / box.height) * HEIGHT,
    ] as const;
  };
  const begin = (event: PointerEvent<HTMLCanvasElement>) => {
    drawing.current = true;
    event.currentTarget.setPointerCapture(event.pointerId);
    const pen = event.currentTarget.getContext('2d')!;
    pen.beginPath();
    pen.moveTo(...at(event));
  };
  const go = (event: PointerEvent<HTMLCanvasElement>) => {
    if (!drawing.current) return;
    const pen = event.currentTarget.getContext('2d')!;
    pen.lineTo(...at(event));
    pen.stroke();
  };
  const end = () => {
    if (!drawing.current) return;
    drawing.current = false;
    setDrawn(true);
    onDrawn(canvas.current ?? undefined);
  };
  return (
    <div>
      <p className="m-0 text-[14px] text-soft">{label} (may stay empty)</p>
      <canvas
        ref={canvas}
        width={WIDTH}
        height={HEIGHT}
        role="img"
        aria-label={drawn ? `${label}: drawn` : `${label}: empty; a typed name will do`}
        onPointerDown={begin}
        onPointerMove={go}
        onPointerUp={end}
        onPointerCancel={end}
        className="mt-1 block h-auto w-full touch-none border border-soft bg-white"
      />
      {drawn && (
        <Button
          kind="quiet"
          onClick={() => {
            wipe(canvas.current);
            setDrawn(false);
            onDrawn(undefined);
          }}
        >
          Wipe it
        </Button>
      )}
    </div>
  );
}

/** White, so that it prints as ink on paper by night as well. */
function wipe(canvas: HTMLCanvasElement | null): void {
  const pen = canvas?.getContext('2d');
  if (!pen) return;
  pen.fillStyle = '#ffffff';
  pen.fillRect(0, 0, WIDTH, HEIGHT);
  pen.strokeStyle = '#1c1a16';
  pen.lineWidth = 3;
  pen.lineCap = 'round';
  pen.lineJoin = 'round';
}
