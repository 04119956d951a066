/** Weighty buttons take no press in their first moment: a double press of Enter must not carry on. */
import { useEffect, useState } from 'react';

const ARM_MS = 500;

/**
 * @param what - Names what is about to be pressed; a new name has to be on screen for a moment again.
 * @returns whether a press counts yet.
 */
export function useArmed(what: string): boolean {
  const [armed, setArmed] = useState<string>();
  useEffect(() => {
    const timer = setTimeout(() => setArmed(what), ARM_MS);
    return () => clearTimeout(timer);
  }, [what]);
  return armed === what;
}
