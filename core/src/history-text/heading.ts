/** Words over the columns of a history, in the languages that controllers print. */
export const TIME_WORDS = /^(time|date|day|data|dia|hora|datum|zeit|uhr|when|stamp)/i;
export const CODE_WORDS =
  /^(code|error|err|fault|alarm|trip|event|falha|erro|alarme|fehler|störung|cód|cod)/i;
export const UNIT_WORDS = /^(circuit|circ|unit|system|compressor|circuito|unidade|sistema|kreis)/i;
export const TEXT_WORDS =
  /^(text|message|description|meaning|what|remark|descri|mensag|bedeutung)/i;
export const NUMBER_WORDS = /^(no|nr|n|#|nº|index|idx|pos|entry|seq)\.?$/i;

const ANY = [TIME_WORDS, CODE_WORDS, UNIT_WORDS];

/** Two words or more, none with a figure, and one of them known. */
export function isHeading(text: string): boolean {
  const words = text
    .trim()
    .split(/\s{2,}|[;\t|,]/)
    .map((word) => word.trim().replaceAll('"', ''))
    .filter((word) => word !== '');
  return (
    words.length >= 2 &&
    words.every((word) => !/\d/.test(word)) &&
    words.some((word) => ANY.some((known) => known.test(word)))
  );
}
