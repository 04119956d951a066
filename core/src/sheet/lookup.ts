/** Looking things up in a sheet by id. */
import { UnknownReferenceError } from '../errors';
import { testsOf } from './all-tests';
import {
  isMeasured,
  type Access,
  type Fault,
  type Part,
  type Sheet,
  type SheetState,
  type Test,
  type TestPoint,
} from './schema';
import { nth } from '../numeric/nth';

export function findTest(sheet: Sheet, id: string): Test | undefined {
  return testsOf(sheet).find((test) => test.id === id);
}

export function findPoint(test: Test, id: string | undefined): TestPoint | undefined {
  if (!isMeasured(test)) return undefined;
  return test.points.find((point) => point.id === id);
}

export function findPart(sheet: Sheet, id: string): Part | undefined {
  return sheet.parts.find((part) => part.id === id);
}

export function findFault(sheet: Sheet, id: string): Fault | undefined {
  return sheet.faults.find((fault) => fault.id === id);
}

export function findState(sheet: Sheet, id: string): SheetState | undefined {
  return sheet.states.find((state) => state.id === id);
}

export function findAccess({ access }: Pick<Sheet, 'access'>, id: string): Access | undefined {
  return access?.find((each) => each.id === id);
}

/**
 * The machine state a test belongs to.
 * @throws {UnknownReferenceError} when the sheet lacks it; a checked sheet never does.
 */
export function stateOf(sheet: Sheet, test: Test): SheetState {
  const state = findState(sheet, test.state);
  if (!state) throw new UnknownReferenceError(`the sheet has no state “${test.state}”`);
  return state;
}

/** Display name of a machine state: its own name, else its id in words. */
export function stateName(state: SheetState): string {
  return state.name ?? state.id.replaceAll('-', ' ');
}

/** Boards that a test's leads touch; undefined for a question, which may be about the whole machine. */
export function boardsOf(test: Test): string[] | undefined {
  if (!isMeasured(test)) return undefined;
  const places = test.points.flatMap(({ red, black }) => [red, black]);
  const boards = places.flatMap((place) => (place === undefined ? [] : [nth(place.split('.'), 0)]));
  return boards.length > 0 ? [...new Set(boards)] : undefined;
}
