/** Text for the PDF's fonts: characters that the text face lacks are set in the fallback face. */
import type { Content } from 'pdfmake/interfaces';

export const TEXT_FACE = 'Atkinson';
export const SIGN_FACE = 'Signs';

/** What the text face has: Latin letters, figures, and the usual punctuation. */
const HAS =
  /[\n\u0020-\u007e\u00a0-\u00b4\u00b6-\u00ff\u0131\u0152\u0153\u02c6\u02da\u02dc\u2000-\u200a\u2013\u2014\u2018-\u201e\u2020-\u2022\u2026\u202f\u2039\u203a\u20ac\u2122\u2212]/u;
/** Made from others that are there. */
const SAME: Readonly<Record<string, string>> = {
  '\u2009': ' ',
  '\u202f': ' ',
  '\u200a': ' ',
  '\u03bc': '\u00b5',
  '\u2126': '\u03a9',
};

/** One string as runs of one face each; a plain string where one face does. */
export function runsOf(text: string): string | { text: string; font?: string }[] {
  const runs: { text: string; font?: string }[] = [];
  for (const raw of text) {
    const char = SAME[raw] ?? raw;
    const font = HAS.test(char) ? undefined : SIGN_FACE;
    const last = runs.at(-1);
    if (last && last.font === font) last.text += char;
    else runs.push({ text: char, ...(font && { font }) });
  }
  return runs.every(({ font }) => font === undefined) ? runs.map((run) => run.text).join('') : runs;
}

/** A paragraph of the PDF, whatever characters are in it. */
export const said = (text: string, more: object = {}): Content => ({
  text: runsOf(text),
  ...more,
});
