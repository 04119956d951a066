/** Pins of a board and tests of a sheet as tables. */
import { formatQuantity, METER_FUNCTIONS } from '@jeitinho/core';
import { expectWords, ruleLimitWords, ruleTitle } from '@jeitinho/core/judge';
import {
  expectOf,
  functionOf,
  isMeasured,
  otherEnd,
  overPoints,
  phaseName,
  placementWords,
  stateName,
  stateOf,
  testsOf,
  type Board,
  type Sheet,
  type Test,
  type TestPoint,
} from '@jeitinho/core/sheet';
import { CELL, ReadTable } from './read-table';

export function PinTables({ board }: { board: Board }) {
  return (
    <div className="mt-2 grid gap-3 sm:grid-cols-2">
      {(board.connectors ?? []).map((connector) => (
        <table key={connector.id} className="w-full border-collapse self-start bg-card text-[14px]">
          <caption className="pb-1 text-left font-semibold">
            {connector.id} {connector.name}
          </caption>
          <thead className="text-soft">
            <tr>
              <th scope="col" className={CELL}>
                pin
              </th>
              <th scope="col" className={CELL}>
                signal
              </th>
              <th scope="col" className={CELL}>
                wire
              </th>
            </tr>
          </thead>
          <tbody>
            {connector.pins.map((pin) => (
              <tr key={pin.n}>
                <th scope="row" className={`${CELL} figure font-normal`}>
                  {pin.n}
                </th>
                <td className={CELL}>{pin.signal}</td>
                <td className={CELL}>{pin.wire}</td>
              </tr>
            ))}
          </tbody>
        </table>
      ))}
    </div>
  );
}

export function TestTable({ sheet }: { sheet: Sheet }) {
  return (
    <ReadTable
      label="Table of tests"
      caption="Every test with its places and limits"
      heads={['test', 'state', 'meter', 'where', 'limit', 'page']}
    >
      {testsOf(sheet).map((test, i) => (
        <TestRows key={test.id} sheet={sheet} test={test} n={i + 1} />
      ))}
      {(sheet.rules ?? []).map((rule) => (
        <tr key={rule.id}>
          <th scope="row" className={CELL}>
            {ruleTitle(rule)}
          </th>
          <td className={CELL}>any</td>
          <td className={CELL}>compared</td>
          <td colSpan={2} className={CELL}>
            {overPoints(rule).join(', ')} <span className="text-soft">({kindWords(rule)})</span>
          </td>
          <td className={`${CELL} figure`}>{rule.page}</td>
        </tr>
      ))}
    </ReadTable>
  );
}

const kindWords = ({ kind }: { kind: string }) => kind.replaceAll('-', ' ');

/** What stands there besides the limits. */
function* pointNotes(sheet: Sheet, point: TestPoint, expect: ReturnType<typeof expectOf>) {
  const { unit } = expect;
  const { typical, range, or, hold } = point;
  if ('asks' in expect && expect.asks !== undefined) yield expect.asks;
  if (typical !== undefined) yield `usually ${formatQuantity(typical, unit)}`;
  if (range !== undefined) yield `on the ${formatQuantity(range, unit)} range`;
  if (or !== undefined) yield `or: ${placementWords(sheet, otherEnd(point))}`;
  if (hold !== undefined) yield hold;
}

function TestRows({ sheet, test, n }: { sheet: Sheet; test: Test; n: number }) {
  const head = (rows: number) => (
    <>
      <th scope="rowgroup" rowSpan={rows} className={CELL}>
        <span className="figure font-normal text-soft">{n}</span> {test.title}
        {test.group && <span className="block font-normal text-soft">{test.group}</span>}
      </th>
      <td rowSpan={rows} className={CELL}>
        {stateName(stateOf(sheet, test))}
        {test.hazard && test.hazard !== 'none' && (
          <span className="block text-brick">{test.hazard}</span>
        )}
        {test.carry && <span className="block">bring {test.carry.join(', ')}</span>}
      </td>
    </>
  );
  if (!isMeasured(test))
    return (
      <tr>
        {head(1)}
        <td className={CELL}>{test.how}</td>
        <td className={CELL}>{test.asks}</td>
        <td className={CELL}>
          {Object.entries(test.answers).map(([answer, outcome]) => (
            <span key={answer} className="block">
              {outcome === 'ok' ? '✓ ' : ''}
              {answer}
            </span>
          ))}
        </td>
        <td className={`${CELL} figure`}>{test.page}</td>
      </tr>
    );
  const rules = test.together ?? [];
  const rows = test.points.length + rules.length;
  return (
    <>
      {test.points.map((point, i) => (
        <tr key={point.id}>
          {i === 0 && head(rows)}
          <td className={CELL}>{METER_FUNCTIONS[functionOf(test, point)].words}</td>
          <td className={CELL}>
            {point.name && <span className="text-soft">{point.name}: </span>}
            {placementWords(sheet, point)}
            {point.phase !== undefined && (
              <span className="block text-soft">{phaseName(sheet, test, point)}</span>
            )}
          </td>
          <td className={CELL}>
            <span className="figure">{expectWords(expectOf(test, point))}</span>
            {[...pointNotes(sheet, point, expectOf(test, point))].map((note) => (
              <span key={note} className="block text-soft">
                {note}
              </span>
            ))}
          </td>
          {i === 0 && (
            <td rowSpan={rows} className={`${CELL} figure`}>
              {test.page}
            </td>
          )}
        </tr>
      ))}
      {rules.map((rule) => (
        <tr key={rule.id}>
          <td className={CELL}>together</td>
          <td colSpan={2} className={CELL}>
            {ruleTitle(rule)}{' '}
            <span className="text-soft">
              (
              {[kindWords(rule), ruleLimitWords(rule, test.expect.unit)].filter(Boolean).join(', ')}
              )
            </span>
          </td>
        </tr>
      ))}
    </>
  );
}
