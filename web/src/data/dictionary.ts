/** Computing a fault dictionary in a few workers: given draw by draw, so that it can be stopped. */
import {
  dictionaryFrom,
  drawsOf,
  type BenchedSheet,
  type DrawResult,
  type FaultDictionary,
} from '@jeitinho/core/bench';
import { HandingOut } from './handing-out';
import type { DictionaryReply, DictionaryTask } from '../workers/dictionary-worker';

const MOST_WORKERS = 6;

export interface ComputeOptions {
  readonly draws: number;
  readonly seed: number;
  readonly signal: AbortSignal;
  readonly onProgress: (done: number, of: number) => void;
  /** How many workers; as many as the device has cores where absent. */
  readonly workers?: number;
  readonly make?: () => Worker;
}

const makeWorker = () =>
  new Worker(new URL('../workers/dictionary-worker.ts', import.meta.url), { type: 'module' });

/** @throws {DOMException} `AbortError` when it was stopped; {Error} when a worker fails. */
export function computeDictionary(
  sheet: BenchedSheet,
  { draws, seed, signal, onProgress, workers = cores(), make = makeWorker }: ComputeOptions,
): Promise<FaultDictionary> {
  const all = drawsOf(sheet, draws);
  const of = all.length;
  const out = new HandingOut(all);
  const results: DrawResult[] = [];
  return new Promise((resolve, reject) => {
    const crew = Array.from({ length: Math.max(1, Math.min(workers, of)) }, make);
    const end = (settle: () => void) => {
      for (const worker of crew) worker.terminate();
      signal.removeEventListener('abort', stop);
      settle();
    };
    const stop = () => end(() => reject(new DOMException('stopped', 'AbortError')));
    if (signal.aborted) return stop();
    signal.addEventListener('abort', stop);
    if (of === 0) return end(() => resolve(dictionaryFrom([], draws, seed)));
    const give = (worker: Worker, last?: string) => {
      const draw = out.next(last);
      if (draw) worker.postMessage({ draw } satisfies DictionaryTask);
    };
    for (const worker of crew) {
      worker.onmessage = (event: MessageEvent<DictionaryReply>) => {
        const reply = event.data;
        if ('error' in reply) return end(() => reject(new Error(reply.error)));
        results.push(reply.result);
        onProgress(results.length, of);
        if (results.length === of) end(() => resolve(dictionaryFrom(results, draws, seed)));
        else give(worker, reply.result.fault);
      };
      worker.onerror = (event) => end(() => reject(new Error(event.message || 'A worker failed.')));
      worker.postMessage({ sheet, seed } satisfies DictionaryTask);
      give(worker);
    }
  });
}

const cores = () => Math.min(MOST_WORKERS, navigator.hardwareConcurrency || 2);
