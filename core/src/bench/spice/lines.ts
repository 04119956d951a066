/** A netlist's text as statements: continuations joined, comments dropped, words split. */
import { NetlistError } from '../errors';
import { nth } from '../../numeric/nth';

export interface Statement {
  /** Of its first line, counted from 1. */
  readonly line: number;
  /** Lower case; `key=value` and `{…}` are one word each. */
  readonly words: readonly string[];
  /** A comment that speaks to this program, `*@ …`. */
  readonly directive: boolean;
}

/** Longer than any bench of a service sheet; what comes from outside is bounded. */
export const LARGEST_NETLIST = 1_000_000;

/**
 * The first line is the title, as in every SPICE.
 * @throws {NetlistError} naming the line that cannot be split.
 */
export function statementsOf(text: string): { title: string; statements: readonly Statement[] } {
  if (text.length > LARGEST_NETLIST)
    throw new NetlistError(
      `the netlist has ${text.length} characters; ${LARGEST_NETLIST} are the limit`,
    );
  const [title = '', ...lines] = text.replace(/^\uFEFF/, '').split(/\r?\n/);
  const joined: { line: number; text: string }[] = [];
  for (const [i, raw] of lines.entries()) {
    const line = i + 2;
    const body = withoutComment(raw).trim();
    if (!body) continue;
    if (!body.startsWith('+')) {
      if (/^\.end$/i.test(body)) break;
      joined.push({ line, text: body });
      continue;
    }
    const last = joined.at(-1);
    if (!last) throw new NetlistError('a continuation (+) with nothing before it', line);
    last.text += ` ${body.slice(1)}`;
  }
  return {
    title: title.trim(),
    statements: joined.map(({ line, text: body }) => ({
      line,
      words: wordsOf(body.replace(/^\*@/, ''), line),
      directive: body.startsWith('*@'),
    })),
  };
}

function withoutComment(line: string): string {
  const body = line.trimStart();
  if (body.startsWith('*') && !body.startsWith('*@')) return '';
  return body.replace(/(?:;|\s\$\s).*$/, '');
}

/** Brackets and commas of source lists are only spaces; `{…}` and `'…'` hold together. */
function wordsOf(text: string, line: number): string[] {
  const words: string[] = [];
  const body = text.toLowerCase();
  let at = 0;
  let word = '';
  const close = () => {
    if (word && !word.endsWith('=')) {
      words.push(word);
      word = '';
    }
  };
  while (at < body.length) {
    const c = nth(body, at);
    if (c === '{' || c === "'") {
      const end = body.indexOf(c === '{' ? '}' : "'", at + 1);
      if (end < 0) throw new NetlistError(`${c} is not closed`, line);
      word += `{${body.slice(at + 1, end)}}`;
      at = end + 1;
    } else if (c === '}') throw new NetlistError('} without a { before it', line);
    else if (c === '=') {
      // `key = value` is one word, however it is spaced.
      if (!word) word = words.pop() ?? '';
      word += c;
      at += 1;
    } else {
      if (/[\s,]/.test(c)) close();
      else if (c === '(' || c === ')') {
        // v(a) and v(a,b) of a condition stay whole.
        const call = c === '(' && /(?:^|=)v$/.test(word) && callAt(body, at);
        if (call) {
          word += call;
          at += call.length;
          continue;
        }
        close();
      } else word += c;
      at += 1;
    }
  }
  if (word) words.push(word);
  return words;
}

const CALL = /\([^()\s]*\)/y;

function callAt(body: string, at: number): string | undefined {
  CALL.lastIndex = at;
  return CALL.exec(body)?.[0];
}
