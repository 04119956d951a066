/** Told when the server knows nobody on this device; the page listens, the service worker has nobody to tell. */
let tell: () => void = () => {};

export function onSignedOut(listener: () => void): void {
  tell = listener;
}

export const noteRefusedSession = (): void => tell();
