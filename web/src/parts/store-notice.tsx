/** Said over every screen while what is typed can be kept less well than it should. */
import { useQuickStore } from '../data/quick-store';

export function StoreNotice() {
  const told = useQuickStore();
  if (told === 'quick') return null;
  return (
    <p
      role="alert"
      className="no-print m-0 border-b border-marigold bg-marigold-tint px-4 py-2 text-[14px] text-ink"
    >
      {told === 'spilled'
        ? 'The memory of this browser is nearly full. What you type is kept a moment later than usual: wait a second before you close the page, and free some space on this device.'
        : 'This device keeps nothing of what you type: its storage is full or forbidden. Record figures at once, and free some space.'}
    </p>
  );
}
