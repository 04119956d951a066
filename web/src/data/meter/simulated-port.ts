/** The simulated meter of a job, beside the server, over a WebSocket. */
import type { MeterPort, PortListener } from './port';

/** Close codes of the server after which trying again is no use. */
const FINAL: Readonly<Record<number, string>> = {
  4404: 'There is no simulated machine behind this job.',
  4409: 'Another device has taken this meter.',
};

export function simulatedPort(jobId: string): MeterPort {
  let socket: WebSocket | undefined;
  return {
    kind: 'simulated',
    name: 'Simulated meter',
    open: (listener: PortListener) =>
      new Promise((resolve, reject) => {
        const address = new URL(`/api/v1/jobs/${jobId}/meter`, window.location.href);
        address.protocol = address.protocol === 'https:' ? 'wss:' : 'ws:';
        const own = new WebSocket(address);
        socket = own;
        let opened = false;
        own.onopen = () => {
          opened = true;
          resolve();
        };
        own.onmessage = (event) => listener.piece(String(event.data));
        own.onclose = (event) => {
          const why = FINAL[event.code] ?? 'The simulated meter does not answer.';
          if (!opened) reject(new Error(why));
          else if (socket === own) listener.closed(why, !(event.code in FINAL));
        };
      }),
    close: async () => {
      const own = socket;
      socket = undefined;
      own?.close();
    },
    send: (message) => {
      if (socket?.readyState === WebSocket.OPEN) socket.send(JSON.stringify(message));
    },
  };
}
