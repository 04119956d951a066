/** Names that a field of a sheet may take, from the sheet itself. */
import { isMeasured, testsOf, type WrittenSheet } from '@jeitinho/core/sheet';

export function suggestionsOf(sheet: WrittenSheet, field: string): readonly string[] {
  const ids = (list: readonly { id: string }[] | undefined) => (list ?? []).map(({ id }) => id);
  switch (field) {
    case 'part':
      return ids(sheet.parts);
    case 'for':
      // A procedure is for a part, a pair to prove for boards.
      return [...ids(sheet.parts), ...ids(sheet.boards)];
    case 'proves':
      return (sheet.safety.stores ?? []).map(({ name }) => name);
    case 'state':
      return ids(sheet.states);
    case 'per':
      return ids(sheet.repeats);
    case 'only':
      return (sheet.variants ?? []).flatMap(({ answers }) => Object.values(answers));
    case 'access':
    case 'needs':
      return ids(sheet.access);
    case 'curve':
      return ids(sheet.curves);
    case 'mates':
      return ids(sheet.harnesses);
    case 'suspects':
    case 'brings':
    case 'cures':
    case 'fixes':
      return ids(sheet.faults);
    case 'red':
    case 'or':
    case 'black':
    case 'from':
    case 'to':
      return sheet.boards.flatMap((board) => [
        ...(board.connectors ?? []).flatMap((connector) =>
          connector.pins.map((pin) => `${board.id}.${connector.id}.${pin.n}`),
        ),
        ...ids(board.points).map((point) => `${board.id}.${point}`),
      ]);
    case 'joins':
      return sheet.boards.flatMap((board) =>
        ids(board.connectors).map((id) => `${board.id}.${id}`),
      );
    case 'shows':
    case 'fedBy':
    case 'over':
    case 'passed':
    case 'after':
      return testsOf(sheet).flatMap((test) => [
        test.id,
        ...(isMeasured(test)
          ? [...test.points, ...(test.together ?? [])].map(({ id }) => `${test.id}@${id}`)
          : []),
      ]);
    default:
      return [];
  }
}
