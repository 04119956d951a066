/** A stand-in for the browser's serial port; the test feeds its cable, and may pull it out. */
import type { Page } from '@playwright/test';

/** Before the page is opened. */
export const standInPort = (page: Page): Promise<unknown> =>
  page.addInitScript(() => {
    let controller: ReadableStreamDefaultController<Uint8Array>;
    const device = {
      readable: null as ReadableStream<Uint8Array> | null,
      open: async () => {
        device.readable = new ReadableStream({ start: (own) => void (controller = own) });
      },
      close: async () => {},
    };
    Object.defineProperty(navigator, 'serial', { value: { requestPort: async () => device } });
    Object.assign(window, {
      cable: (text: string) => controller.enqueue(new TextEncoder().encode(text)),
      pull: () => controller.error(new Error('gone')),
    });
  });

interface Fed {
  readonly cable: (text: string) => void;
  readonly pull: () => void;
}

/** Down the cable, as it comes: whole lines or pieces of them. */
export const cable = (page: Page, text: string): Promise<void> =>
  page.evaluate((piece) => (window as never as Fed).cable(piece), text);

export const pullCable = (page: Page): Promise<void> =>
  page.evaluate(() => (window as never as Fed).pull());
