import { Type } from '@sinclair/typebox';
import { askedBy, resolveExpectation, type Given, type GivenExpectation } from '../../judge/given';
import type { Expectation } from '../../judge/expectation';
import { givenWords } from '../../judge/given-words';
import { isSeries } from '../../judge/test-expectation';
import { expectOf } from '../../sheet/all-tests';
import { findTest } from '../../sheet/lookup';
import { isMeasured, type MeasureTest } from '../../sheet/schema';
import { refuse, type Refusal } from '../admission/refusal';
import { unknownTest } from '../findings/place-of';
import { givenKey } from '../findings/limits';
import { Id, strict, Typed } from '../log/words';
import { defineKind } from './kind';

/** A figure that limits hang on: off this unit's label, by a reference instrument. SI, °C. */
export const given = defineKind({
  kind: 'given',
  body: strict({
    test: Id,
    /** The point that it is for, where that has limits of its own. */
    point: Type.Optional(Id),
    value: Type.Number({ minimum: -1e12, maximum: 1e12 }),
    /** Of a label, its printed tolerance; of a reference instrument, how far it may be off. */
    plusMinus: Type.Optional(Type.Number({ minimum: 0, maximum: 1e12 })),
    typed: Typed,
  }),
  group: 'findings',
  admit({ sheet, entry: { body } }): Refusal | undefined {
    const test = findTest(sheet, body.test);
    if (!test || !isMeasured(test)) return unknownTest(body.test);
    const asking = askingIn(test, body.point);
    if (asking.length === 0)
      return refuse('unknown-test', `“${test.title}” asks for no such figure.`);
    if (body.plusMinus === undefined && asking.some((expect) => askedBy(expect)?.printed))
      return refuse(
        'given-tolerance',
        'This label prints its own tolerance: copy it too, as in 4.7k ±5%.',
      );
    const beyond = asking.some(
      (expect) => resolveExpectation(expect, givenIn(body), sheet.curves ?? []) === undefined,
    );
    return beyond
      ? refuse(
          'given-beyond',
          'The sensor’s curve does not reach there. Check the figure and its unit.',
        )
      : undefined;
  },
  apply(draft, { at, body }) {
    const key = givenKey(body);
    draft.given.set(key, givenIn(body));
    draft.givenAt.set(key, Date.parse(at));
  },
  words({ test: id, point, ...body }, sheet) {
    const test = findTest(sheet, id);
    const first = test && isMeasured(test) ? askingIn(test, point)[0] : undefined;
    const asked = first && askedBy(first);
    return asked
      ? `${asked.asks}: ${givenWords(givenIn(body), asked.unit)}`
      : 'A figure that limits hang on';
  },
  place: ({ test }) => ({ stage: 'measure', test }),
});

/** What a test, or one point of it, expects that hangs on such a figure. */
const askingIn = (
  test: MeasureTest,
  point: string | undefined,
): (Expectation | GivenExpectation)[] =>
  test.points
    .filter(({ id }) => point === undefined || id === point)
    .map((point) => expectOf(test, point))
    .filter((expect) => !isSeries(expect))
    .filter((expect) => askedBy(expect) !== undefined);

const givenIn = ({ value, plusMinus }: { value: number; plusMinus?: number }): Given =>
  plusMinus === undefined ? value : { value, plusMinus };
