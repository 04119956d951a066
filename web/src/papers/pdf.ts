/** A document as a PDF, made on this device: with the app's own faces, and without a network. */
import faceUrl from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-400-normal.woff?url';
import boldUrl from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-700-normal.woff?url';
import signsUrl from '@fontsource/dejavu-sans/files/dejavu-sans-latin-400-normal.woff?url';
import type * as pdfmakeTypes from 'pdfmake/build/pdfmake';
import type { TDocumentDefinitions } from 'pdfmake/interfaces';
import { SIGN_FACE, TEXT_FACE } from './glyphs';

const FILES = { 'text.woff': faceUrl, 'bold.woff': boldUrl, 'signs.woff': signsUrl };

type Maker = typeof pdfmakeTypes;

let ready: Promise<Maker> | undefined;

/** The maker and its faces are fetched once, when the first paper is asked for. */
function maker() {
  ready ??= (async () => {
    const made = await import('pdfmake/build/pdfmake');
    const pdfmake = (made as unknown as { default?: Maker }).default ?? (made as Maker);
    const vfs: Record<string, string> = {};
    for (const [name, url] of Object.entries(FILES)) vfs[name] = await base64Of(await fetch(url));
    pdfmake.addVirtualFileSystem(vfs);
    const face = (normal: string, bold: string) => ({
      normal,
      bold,
      italics: normal,
      bolditalics: bold,
    });
    pdfmake.addFonts({
      [TEXT_FACE]: face('text.woff', 'bold.woff'),
      [SIGN_FACE]: face('signs.woff', 'signs.woff'),
    });
    return pdfmake;
  })();
  // What failed to load once may load the next time.
  ready.catch(() => (ready = undefined));
  return ready;
}

async function base64Of(response: Response): Promise<string> {
  if (!response.ok) throw new Error('A typeface could not be loaded.');
  return (await dataUrl(await response.blob())).split(',')[1]!;
}

export const dataUrl = (blob: Blob): Promise<string> =>
  new Promise((done, failed) => {
    const reader = new FileReader();
    reader.onload = () => done(String(reader.result));
    reader.onerror = () => failed(new Error('A picture could not be read.'));
    reader.readAsDataURL(blob);
  });

export async function pdfOf(document: TDocumentDefinitions): Promise<Blob> {
  const pdfmake = await maker();
  return pdfmake.createPdf(document).getBlob();
}
