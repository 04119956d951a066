/** What can be found of the job in hand besides its tests: the codes of its sheet, and its pins. */
import { testsOf, isMeasured, type Sheet } from '@jeitinho/core/sheet';

export interface FoundPlace {
  readonly words: string;
  readonly detail: string;
  /** Where in the job it leads, with its query. */
  readonly stage: string;
}

export function placesOf(sheet: Sheet): FoundPlace[] {
  return [...codesOf(sheet), ...pinsOf(sheet)];
}

const codesOf = ({ codes }: Sheet): FoundPlace[] =>
  (codes?.list ?? []).map(({ code, title }) => ({
    words: `Code ${code}`,
    detail: title,
    stage: `read?code=${encodeURIComponent(code)}`,
  }));

/** Pins that a test touches; touching one leads to the first of them. */
function pinsOf(sheet: Sheet): FoundPlace[] {
  const touched = new Map<string, string>();
  for (const test of testsOf(sheet))
    if (isMeasured(test))
      for (const point of test.points)
        for (const ref of [point.red, point.black])
          if (ref !== undefined && !touched.has(ref))
            touched.set(ref, test.points.length > 1 ? `${test.id}@${point.id}` : test.id);
  return sheet.boards.flatMap((board) =>
    (board.connectors ?? []).flatMap((connector) =>
      connector.pins.flatMap((pin) => {
        const at = touched.get(`${board.id}.${connector.id}.${pin.n}`);
        if (at === undefined) return [];
        return [
          {
            words: `${connector.id} pin ${pin.n}`,
            detail: [pin.signal, pin.wire && `${pin.wire} wire`, board.name]
              .filter(Boolean)
              .join(', '),
            stage: `measure?at=${encodeURIComponent(at)}`,
          },
        ];
      }),
    ),
  );
}
