import { Type } from '@sinclair/typebox';
import { findTest } from '../../sheet/lookup';
import { observableId } from '../../sheet/observables';
import { isMeasured } from '../../sheet/schema';
import { unknownTest } from '../findings/place-of';
import { Id, Note, strict } from '../log/words';
import { defineKind } from './kind';

/** A test, or one point of it, left out on purpose. */
export const skipped = defineKind({
  kind: 'skipped',
  body: strict({ test: Id, point: Type.Optional(Id), reason: Note }),
  group: 'findings',
  admit: ({ sheet, entry: { body } }) =>
    findTest(sheet, body.test) ? undefined : unknownTest(body.test),
  apply(draft, { body }, sheet) {
    const test = findTest(sheet, body.test);
    if (!test) return;
    const points =
      isMeasured(test) && body.point === undefined
        ? test.points.map((point) => point.id)
        : [body.point];
    for (const point of points) draft.skipped.set(observableId(test, point), body.reason);
  },
  words: ({ test, reason }, sheet) => `Skipped: ${findTest(sheet, test)?.title ?? test}. ${reason}`,
  place: ({ test }) => ({ stage: 'measure', test }),
  columns: ({ test }) => ({ test }),
});
