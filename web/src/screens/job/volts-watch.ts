/**
 * Eyes on the connected meter: volts on a machine that is taken for dead are written down as soon as they
 * are seen, whatever screen of the job is open and whatever it asks for.
 */
import { comesBack, standsProven, type MeterLine } from '@jeitinho/core';
import { knownSourceAt } from '@jeitinho/core/bench';
import { useEffect, useRef } from 'react';
import { useLocation } from 'react-router';
import { meterFeed, onMeterLine } from '../../data/meter/feed';
import { useJob } from './job-context';

const ON_THE_WAY_MS = 300;

export function useVoltsWatch(): void {
  const { job, sheet, state, record } = useJob();
  const proving = useLocation().pathname.endsWith('/safe') && state.energy.kind !== 'dead';
  const take = useRef<(line: MeterLine) => void>(undefined);
  const writing = useRef(false);
  useEffect(() => {
    take.current = (line) => {
      if (writing.current || (line.fn !== 'V~' && line.fn !== 'V=')) return;
      const { kind, job: machine, leads, movedAt } = meterFeed();
      if (kind === 'simulated' && (machine !== job.id || leads?.red === undefined)) return;
      // A figure of the old place that was still on its way says nothing of the new one.
      if (kind === 'simulated' && Date.now() - movedAt < ON_THE_WAY_MS) return;
      // The meter is being proven, or a pair is being measured: the card itself judges that figure.
      if (knownSourceAt(leads?.red) || proving) return;
      const seen = {
        function: line.fn,
        reading:
          line.value === null
            ? ({ kind: 'overload' } as const)
            : ({ kind: 'value', value: line.value } as const),
        ...(leads?.red !== undefined && { red: leads.red }),
        ...(leads?.black !== undefined && { black: leads.black }),
      };
      if (!standsProven(state.energy) || !comesBack(sheet, seen)) return;
      writing.current = true;
      void record('volts-seen', seen).finally(() => {
        writing.current = false;
      });
    };
  });
  useEffect(() => onMeterLine((line) => take.current?.(line)), []);
}
