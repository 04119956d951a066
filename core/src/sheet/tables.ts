/** Tables of a sheet as rows of text, for spreadsheets: its pins, its measurements. */
import { expectWords } from '../judge/test-expectation';
import { METER_FUNCTIONS } from '../meter/functions';
import { expectOf, functionOf, testsOf } from './all-tests';
import { stateName, stateOf } from './lookup';
import { locate, placeName } from './places';
import { isMeasured, type Sheet } from './schema';

export type TextTable = readonly (readonly string[])[];

/** Board, connector, pin, signal, wire: heading first. */
export function pinTable(sheet: Sheet): TextTable {
  return [
    ['Board', 'Connector', 'Pin', 'Signal', 'Wire'],
    ...sheet.boards.flatMap((board) =>
      (board.connectors ?? []).flatMap((connector) =>
        connector.pins.map((pin) => [
          board.name,
          connector.id,
          String(pin.n),
          pin.signal ?? '',
          pin.wire ?? '',
        ]),
      ),
    ),
  ];
}

/** One row a measurement, in the columns that a quick sheet reads back. */
export function measurementTable(sheet: Sheet): TextTable {
  const name = (ref: string | undefined) => {
    const place = ref === undefined ? undefined : locate(sheet, ref);
    return place ? placeName(place) : (ref ?? '');
  };
  return [
    ['Test', 'Point', 'Red', 'Black', 'State', 'Function', 'Expected', 'Page'],
    ...testsOf(sheet).flatMap((test) =>
      isMeasured(test)
        ? test.points.map((point) => [
            test.title,
            point.name ?? point.id,
            name(point.red),
            name(point.black),
            stateName(stateOf(sheet, test)),
            METER_FUNCTIONS[functionOf(test, point)].words,
            expectWords(expectOf(test, point)),
            test.page ?? '',
          ])
        : [],
    ),
  ];
}
