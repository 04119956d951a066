/** The service sheets of the demo world, oldest revision of each first. */
import { machineSheet, type Sheet, type WrittenSheet } from '@jeitinho/core/sheet';
import airHeatPump from '../sheets/ventumbra-as08.json';
import boiler from '../sheets/termalva-tb24.json';
import chiller from '../sheets/brumal-pc36.json';
import coldRoom from '../sheets/geadal-cr3.json';
import dryer from '../sheets/secavento-gd7.json';
import fridge from '../sheets/tarumbe-uf440i.json';
import fridgeNewer from '../sheets/tarumbe-uf440i.2.json';
import furnace from '../sheets/lenharte-wf80.json';
import oven from '../sheets/panvale-do3.json';
import plasma from '../sheets/corvelo-pd42.json';
import poolHeatPump from '../sheets/ondar-pb14.json';
import rooftop from '../sheets/norveda-nx3.json';
import television from '../sheets/visorim-lt55.json';
import vacuum from '../sheets/varredim-vc2.json';
import wallSplit from '../sheets/brisarel-ws09.json';

// Of a file the compiler knows words and figures, not kinds; a test reads every one through its schema.
export const sheets = [
  fridge,
  fridgeNewer,
  rooftop,
  boiler,
  poolHeatPump,
  chiller,
  coldRoom,
  furnace,
  dryer,
  oven,
  wallSplit,
  airHeatPump,
  television,
  plasma,
  vacuum,
] as unknown as readonly WrittenSheet[];

/** The newest revision of a sheet, which a job opened today gets; of several machines the first. */
export const newestSheet = (sheetId: string): Sheet => machineSheet(newestWritten(sheetId));

export function newestWritten(sheetId: string): WrittenSheet {
  const found = sheets.filter(({ id }) => id === sheetId).at(-1);
  if (!found) throw new Error(`the demo world has no sheet “${sheetId}”`);
  return found;
}
