/** A connector that is pinned otherwise on this machine: said pin by pin, or found pair by pair. */
import { connectorOf, findConnector, type MeasureTest, type TestPoint } from '@jeitinho/core/sheet';
import { Dialog } from 'radix-ui';
import { useState } from 'react';
import { Button } from '../../parts/button';
import { DialogFrame, DialogRoot } from '../../parts/dialog-frame';
import { useJob } from '../job/job-context';
import { PairByPair } from './pair-by-pair';

/** The sheet's pin to the machine's. */
type Places = Readonly<Record<number, number>>;

export interface PinsElsewhereProps {
  readonly test: MeasureTest;
  readonly point: TestPoint;
  readonly blocked: boolean;
  /** Above the figure what is otherwise here; below it the way to say so. */
  readonly where: 'above' | 'below';
}

export function PinsElsewhere({ test, point, blocked, where }: PinsElsewhereProps) {
  const { sheet } = useJob();
  const connectors = [...new Set([connectorOf(point.red), connectorOf(point.black)])]
    .filter((each) => each !== undefined)
    .filter((each) => (sheet.moved?.[each] !== undefined) === (where === 'above'));
  if (connectors.length === 0) return null;
  return (
    <div className="flex flex-wrap gap-x-3">
      {connectors.map((connector) => (
        <OfConnector key={connector} connector={connector} test={test} blocked={blocked} />
      ))}
    </div>
  );
}

interface OfConnectorProps {
  readonly connector: string;
  readonly test: MeasureTest;
  readonly blocked: boolean;
}

function OfConnector(props: OfConnectorProps) {
  const { sheet } = useJob();
  const [open, setOpen] = useState(false);
  const name = findConnector(sheet, props.connector)?.id;
  const moved = Object.entries(sheet.moved?.[props.connector] ?? {});
  if (name === undefined) return null;
  return (
    <DialogRoot open={open} onOpenChange={setOpen}>
      <p className="m-0 text-[15px]">
        {moved.length > 0 && (
          <>
            <strong>{name} is pinned otherwise here:</strong>{' '}
            {moved.map(([from, to]) => `${from} at ${to}`).join(', ')}.
          </>
        )}
        <Dialog.Trigger className="min-h-11 cursor-pointer px-1 text-ink underline decoration-hair underline-offset-4">
          {moved.length > 0 ? `Change ${name}` : `Is ${name} pinned otherwise here?`}
        </Dialog.Trigger>
      </p>
      <DialogFrame title={`Where the pins of ${name} are`}>
        <PinsForm {...props} onDone={() => setOpen(false)} />
      </DialogFrame>
    </DialogRoot>
  );
}

function PinsForm({ connector, test, blocked, onDone }: OfConnectorProps & { onDone: () => void }) {
  const { sheet, record } = useJob();
  const { pins } = findConnector(sheet, connector)!;
  const moved = sheet.moved?.[connector] ?? {};
  const [places, setPlaces] = useState<Places>(() =>
    Object.fromEntries(pins.map(({ n }) => [n, moved[n] ?? n])),
  );
  // What the sheet's pin carries stands, in the sheet of this machine, at the place where it is now.
  const carries = (n: number) => pins.find((pin) => pin.n === (moved[n] ?? n))!;
  const put = (pin: number, place: number) => {
    const other = pins.find(({ n }) => places[n] === place)!.n;
    // The two change places: every pin always has one of its own.
    setPlaces({ ...places, [other]: places[pin]!, [pin]: place });
  };
  const keep = async () => {
    const at = Object.fromEntries(Object.entries(places).filter(([n, to]) => Number(n) !== to));
    if (await record('pins', { connector, at })) onDone();
  };
  return (
    <div data-keys="off">
      <p className="m-0 mt-1 text-soft">
        Go by what a wire carries, not by its colour alone. The sheet of this visit names and draws
        the pins where you say; the sheet itself stays as it is.
      </p>
      {!blocked && (
        <PairByPair
          test={test}
          connector={connector}
          onFound={(at) => setPlaces({ ...Object.fromEntries(pins.map(({ n }) => [n, n])), ...at })}
        />
      )}
      <table className="mt-3 w-full text-left text-[17px]">
        <thead>
          <tr className="text-[15px] text-soft">
            <th className="pl-2 font-normal">Sheet</th>
            <th className="font-normal">Carries</th>
            <th className="font-normal">Here at</th>
          </tr>
        </thead>
        <tbody>
          {pins
            .map(({ n }) => n)
            .sort((a, b) => a - b)
            .map((n) => (
              <tr key={n} className={places[n] === n ? '' : 'bg-marigold-tint font-semibold'}>
                <th scope="row" className="figure py-1 pr-2 pl-2 font-normal">
                  {n}
                </th>
                <td className="pr-2 text-[15px]">
                  {[carries(n).signal, carries(n).wire && `${carries(n).wire} wire`]
                    .filter(Boolean)
                    .join(', ')}
                </td>
                <td>
                  <select
                    aria-label={`Pin ${n} of the sheet is here at`}
                    value={places[n]}
                    onChange={(event) => put(n, Number(event.target.value))}
                    className="figure min-h-11 border border-soft bg-card px-2 text-ink"
                  >
                    {pins.map((pin) => (
                      <option key={pin.n}>{pin.n}</option>
                    ))}
                  </select>
                </td>
              </tr>
            ))}
        </tbody>
      </table>
      <div className="mt-4 flex gap-2">
        <Button kind="go" onClick={() => void keep()}>
          Keep
        </Button>
        <Dialog.Close asChild>
          <Button kind="quiet">Leave as it was</Button>
        </Dialog.Close>
      </div>
    </div>
  );
}
