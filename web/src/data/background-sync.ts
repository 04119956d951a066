/**
 * Background Sync, where the browser has it: what is unsent goes out when the network is back, also with
 * every page closed. The service worker hears the same word.
 */
export const OUTBOX_TAG = 'jeitinho-outbox';

interface WithSync {
  readonly sync?: { register(tag: string): Promise<void> };
}

/** Never throws: without it the page itself sends as soon as it is open. */
export async function askForBackgroundSync(): Promise<void> {
  try {
    const registration = await navigator.serviceWorker?.getRegistration();
    await (registration as (ServiceWorkerRegistration & WithSync) | undefined)?.sync?.register(
      OUTBOX_TAG,
    );
  } catch {
    // Not allowed here.
  }
}
