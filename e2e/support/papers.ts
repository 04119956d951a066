/** Papers that the page made, opened as whoever gets them would. */
import type { Page } from '@playwright/test';
import { unzipSync } from 'fflate';
import { readFileSync } from 'node:fs';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';

/** Where the page's download came to lie. */
export async function downloaded(page: Page, press: () => Promise<void>): Promise<string> {
  const coming = page.waitForEvent('download');
  await press();
  return (await (await coming).path())!;
}

/** All text of a PDF, its lines joined by blanks. */
export async function pdfText(path: string): Promise<string> {
  const document = await getDocument({
    data: new Uint8Array(readFileSync(path)),
    useSystemFonts: true,
    verbosity: 0,
  }).promise;
  const pages: string[] = [];
  for (let i = 1; i <= document.numPages; i += 1) {
    const { items } = await (await document.getPage(i)).getTextContent();
    pages.push(items.map((item) => ('str' in item ? item.str : '')).join(''));
  }
  await document.destroy();
  return pages.join('\n').replace(/\s+/g, ' ');
}

export const unzipped = (path: string): Map<string, Buffer> =>
  new Map(
    Object.entries(unzipSync(new Uint8Array(readFileSync(path)))).map(([name, bytes]) => [
      name,
      Buffer.from(bytes),
    ]),
  );
