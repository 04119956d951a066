/** The simulated machine, in a thread of its own: a circuit being solved never delays an answer. */
import { parentPort } from 'node:worker_threads';
import { CoreError, dice } from '@jeitinho/core';
import {
  instrument,
  probeMachine,
  type BenchedSheet,
  type Deviation,
  type MachineFacts,
  type Placement,
  type Probed,
  type Specimen,
} from '@jeitinho/core/bench';

export interface ProbeTask {
  readonly id: number;
  /** The sheet, the first time it is used; by name afterwards. */
  readonly sheet?: BenchedSheet;
  readonly key: string;
  readonly specimen: Specimen;
  readonly facts: MachineFacts;
  readonly placement: Placement;
  readonly seconds: number;
  /** Which throw of what comes and goes. */
  readonly turn: number;
}

export type ProbeAnswer =
  | { readonly id: number; readonly probed: Probed }
  | { readonly id: number; readonly failed: string }
  | { readonly id: number; readonly unknownSheet: true };

/** How many sheets are kept parsed. */
const MOST_SHEETS = 20;
const sheets = new Map<string, BenchedSheet>();
/** The meter is one instrument for the whole time. */
const deviation: Deviation = instrument(dice(2025));

function answer(task: ProbeTask): ProbeAnswer {
  if (task.sheet) {
    sheets.delete(task.key);
    sheets.set(task.key, task.sheet);
    if (sheets.size > MOST_SHEETS) sheets.delete(sheets.keys().next().value!);
  }
  const sheet = sheets.get(task.key);
  if (!sheet) return { id: task.id, unknownSheet: true };
  try {
    const { specimen, facts, placement, seconds } = task;
    const roll = dice(specimen.seed ^ task.turn);
    return {
      id: task.id,
      probed: probeMachine(sheet, specimen, facts, placement, { seconds, deviation, roll }),
    };
  } catch (error) {
    if (error instanceof CoreError) return { id: task.id, failed: error.message };
    throw error;
  }
}

parentPort?.on('message', (task: ProbeTask) => parentPort!.postMessage(answer(task)));
