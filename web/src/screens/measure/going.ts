/**
 * On the way to a place while the router changes the address in its own time: what is typed next belongs to
 * the new place at once. Every trip carries its own number into the address's state, for a place that is
 * gone back to already stands in the address before the trip away from it has arrived there.
 */
export interface Going {
  readonly to: string;
  readonly trip: number;
  /** The addresses that may still stand, or pass by, meanwhile. */
  readonly left: readonly (string | null)[];
}

// Begins at the hour, so that a number kept in the address over a reload is none of this page's.
let trips = Date.now();

/** Sets out for another place from wherever one is, or was going. */
export function setOut(now: Going | undefined, address: string | null, to: string): Going {
  trips += 1;
  return { to, trip: trips, left: [...(now ? [...now.left, now.to] : []), address] };
}

/** The place in hand. */
export const placeNow = (going: Going | undefined, address: string | null): string | null =>
  going?.left.includes(address) ? going.to : address;

/** Whether the trip is over: arrived with its own number, or led elsewhere by a link. */
export const isOver = (going: Going, address: string | null, trip: unknown): boolean =>
  trip === going.trip || (address !== going.to && !going.left.includes(address));
