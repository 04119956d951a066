/** Pieces of the app that come later: fetched again and again until they are here, never a broken screen. */

const AGAIN_MS = 2_000;

/** Without a network a piece fails to come; it is asked for until it does. */
export async function patiently<T>(fetchPiece: () => Promise<T>, againMs = AGAIN_MS): Promise<T> {
  for (;;)
    try {
      return await fetchPiece();
    } catch {
      await new Promise((done) => setTimeout(done, againMs));
    }
}
