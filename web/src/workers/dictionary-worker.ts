/** Draws machines and reads them, away from the page. */
import { readDraw, type BenchedSheet, type Draw, type DrawResult } from '@jeitinho/core/bench';

export type DictionaryTask =
  | { readonly sheet: BenchedSheet; readonly seed: number }
  | { readonly draw: Draw };
export type DictionaryReply = { readonly result: DrawResult } | { readonly error: string };

let work: { sheet: BenchedSheet; seed: number } | undefined;

self.onmessage = (event: MessageEvent<DictionaryTask>) => {
  if ('sheet' in event.data) {
    work = event.data;
    return;
  }
  if (!work) return;
  try {
    const result = readDraw(work.sheet, event.data.draw, work.seed);
    self.postMessage({ result } satisfies DictionaryReply);
  } catch (error) {
    self.postMessage({ error: (error as Error).message } satisfies DictionaryReply);
  }
};
