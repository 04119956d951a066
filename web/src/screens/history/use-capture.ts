/** What a controller prints on its service port, as it comes down the cable. */
import { useEffect, useRef, useState } from 'react';
import { serialAccess, serialPort } from '../../data/meter/serial-port';

/** Speeds that controllers print at, the usual first. */
export const SPEEDS = [9600, 19_200, 38_400, 57_600, 115_200, 2400, 1200] as const;

export interface Capture {
  /** Whether this browser can at all. */
  readonly possible: boolean;
  readonly running: boolean;
  readonly problem: string | undefined;
  readonly start: (baudRate: number) => Promise<void>;
  readonly stop: () => void;
  /** Takes the problem away. */
  readonly dismiss: () => void;
}

/** @param onPiece - Called with each piece, whole lines or parts of them. */
export function useCapture(onPiece: (text: string) => void): Capture {
  const [running, setRunning] = useState(false);
  const [problem, setProblem] = useState<string>();
  const port = useRef<ReturnType<typeof serialPort>>(undefined);
  const piece = useRef(onPiece);
  useEffect(() => {
    piece.current = onPiece;
  });
  const stop = () => {
    void port.current?.close();
    port.current = undefined;
    setRunning(false);
  };
  // Whoever leaves the screen lets the cable go.
  useEffect(() => () => void port.current?.close(), []);
  const start = async (baudRate: number) => {
    setProblem(undefined);
    const own = serialPort(serialAccess(), baudRate);
    try {
      await own.open({
        piece: (text) => piece.current(text),
        closed: () => {
          setProblem('The cable is out. What came until then stands here.');
          stop();
        },
      });
      port.current = own;
      setRunning(true);
    } catch (error) {
      setProblem(error instanceof Error ? error.message : 'The port cannot be opened.');
    }
  };
  return {
    possible: serialAccess() !== undefined,
    running,
    problem,
    start,
    stop,
    dismiss: () => setProblem(undefined),
  };
}
