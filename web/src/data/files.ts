/** Files in and out: text of any usual encoding, and downloads. */

/** Larger files are not even read: no sheet or table is that large. */
export const LARGEST_FILE = 8_000_000;

/** How long what is downloaded stays in reach of the browser. */
const KEPT_FOR_MS = 60_000;

export type ReadFile =
  | { readonly ok: true; readonly text: string; readonly encoding: string }
  | { readonly ok: false; readonly problem: string };

/** Read a text file: UTF-8, UTF-16 by its mark, else the Windows code page that spreadsheets write. */
export async function readTextFile(file: File): Promise<ReadFile> {
  if (file.size > LARGEST_FILE)
    return {
      ok: false,
      problem: `“${file.name}” has ${Math.round(file.size / 1e6)} MB; ${LARGEST_FILE / 1e6} MB is the most. Nothing was read. Leave pictures out, or split it.`,
    };
  return decodeText(new Uint8Array(await file.arrayBuffer()), file.name);
}

export function decodeText(bytes: Uint8Array, name: string): ReadFile {
  const marked =
    bytes[0] === 0xff && bytes[1] === 0xfe
      ? 'utf-16le'
      : bytes[0] === 0xfe && bytes[1] === 0xff
        ? 'utf-16be'
        : undefined;
  // A spreadsheet’s own format, or a picture: zeros that no text has.
  if (!marked && bytes.subarray(0, 4000).includes(0))
    return {
      ok: false,
      problem: `“${name}” is not a text file. Save the table as CSV, or copy its cells and paste them.`,
    };
  for (const encoding of marked ? [marked] : ['utf-8', 'windows-1252'])
    try {
      const text = new TextDecoder(encoding, { fatal: true }).decode(bytes);
      return { ok: true, text: text.replace(/^\uFEFF/, ''), encoding };
    } catch {
      // Not this one; try the next.
    }
  return {
    ok: false,
    problem: `“${name}” cannot be read in any usual encoding. Save it as UTF-8.`,
  };
}

export const download = (name: string, text: string, type: string): void =>
  downloadBlob(name, new Blob([text], { type }));

export function downloadBlob(name: string, blob: Blob): void {
  const url = URL.createObjectURL(blob);
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  // A browser that is busy reads it later than the press.
  setTimeout(() => URL.revokeObjectURL(url), KEPT_FOR_MS);
}
