/** Where a meter's lines come from. Whatever it is, pieces of text come in and are put together. */

export interface PortListener {
  readonly piece: (text: string) => void;
  /** The other end is gone. `again` where trying once more may help. */
  readonly closed: (why: string, again: boolean) => void;
}

export interface MeterPort {
  readonly kind: 'simulated' | 'serial';
  readonly name: string;
  /** @throws {Error} with a sentence for the technician. */
  readonly open: (listener: PortListener) => Promise<void>;
  readonly close: () => Promise<void>;
  /** Hands on the simulated meter; a real one is moved by real hands. */
  readonly send?: (message: object) => void;
}
