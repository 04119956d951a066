/** What this device keeps, and whether its browser may clear it. */
import { useRoom } from '../../data/storage';

export function KeptHere() {
  const room = useRoom();
  if (!room) return null;
  const used = room.usedMB < 1 ? 'less than 1' : String(Math.round(room.usedMB));
  const of =
    room.ofMB >= 1000 ? `${Math.round(room.ofMB / 1000)} GB` : `${Math.round(room.ofMB)} MB`;
  return (
    <p className="m-0 mt-8 text-[14px] text-soft">
      Kept on this device: {used} MB of {of},{' '}
      {room.forGood
        ? 'for good.'
        : 'until its disk runs full: the browser has not promised to keep it. What was sent is on the server.'}
    </p>
  );
}
