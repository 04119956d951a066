/** Choosing the meter that the readings come from. Typing always works as well. */
import { Dialog } from 'radix-ui';
import { connectMeter } from '../../data/meter/feed';
import { serialAccess, serialPort } from '../../data/meter/serial-port';
import { simulatedPort } from '../../data/meter/simulated-port';
import { Button } from '../button';
import { DialogFrame, DialogRoot } from '../dialog-frame';

export function ConnectDialog({
  open,
  job,
  bench,
  onClose,
}: {
  open: boolean;
  job: string;
  /** Whether a simulated machine stands behind the job. */
  bench: boolean;
  onClose: () => void;
}) {
  const choose = (run: () => Promise<void>) => {
    onClose();
    void run();
  };
  return (
    <DialogRoot open={open} onOpenChange={(now) => !now && onClose()}>
      <DialogFrame title="Where readings come from">
        <div className="mt-3 grid gap-3">
          {bench && (
            <Button kind="go" onClick={() => choose(() => connectMeter(simulatedPort(job), job))}>
              Simulated meter and machine
            </Button>
          )}
          <Button
            disabled={!serialAccess()}
            onClick={() => choose(() => connectMeter(serialPort()))}
          >
            Meter on the serial port
          </Button>
          <p className="m-0 text-[15px] text-soft">
            {serialAccess()
              ? 'A meter that sends its readings down a cable.'
              : 'This browser cannot reach a serial port.'}{' '}
            Typing works beside either.
          </p>
          {bench && (
            <p className="m-0 text-[15px] text-soft">
              Behind this job stands a simulated machine with something wrong. It answers wherever
              you put the leads; only the right part mends it.
            </p>
          )}
          <p className="m-0">
            <Dialog.Close asChild>
              <Button kind="quiet">Close</Button>
            </Dialog.Close>
          </p>
        </div>
      </DialogFrame>
    </DialogRoot>
  );
}
