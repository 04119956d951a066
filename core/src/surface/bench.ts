/** Circuits, their simulator and its meter: `@jeitinho/core/bench`. */
export { changed } from '../bench/changes';
export { benchDisagreements } from '../bench/machine/agreement';
export {
  adopt,
  compareDictionary,
  type DictionaryCell,
  dictionaryFrom,
  dictionarySchema,
  type Draw,
  type DrawResult,
  drawsOf,
  type FaultDictionary,
  readDraw,
  type Shares,
} from '../bench/machine/dictionary';
export {
  answerOf,
  askTests,
  drawFault,
  type HiddenFault,
  killedAt,
  specimenNow,
} from '../bench/machine/hidden-fault';
export { type BenchedSheet, hasBench, HEALTHY, type Specimen } from '../bench/machine/machine';
export {
  hazardWords,
  knownSource,
  LEADS_TOGETHER,
  knownSourceAt,
  type MachineFacts,
  type Placement,
  type Probed,
  probeMachine,
  PROVING_UNIT_VOLTS,
} from '../bench/machine/probe-machine';
export { linksLeftOf, pathBreaks } from '../bench/machine/path-breaks';
export { everySpecimen, sweep } from '../bench/machine/sweep';
export { type Deviation, instrument } from '../bench/meter/indicate';
export { measure } from '../bench/meter/measure';
export type { Update } from '../bench/meter/over-time';
export { type Hazard, type Indication, indicationOf } from '../bench/meter/shown';
export { track } from '../bench/meter/track';
export { solveCircuit } from '../bench/analyse';
export { NetlistError } from '../bench/errors';
export { readNetlist } from '../bench/spice/read';
export { type Face, faceOf } from '../bench/machine/face';
