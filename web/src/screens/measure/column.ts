/**
 * Figures of a copied column: the last cell of each row that has any, so that a label before it does no
 * harm.
 */
export function columnOf(text: string): string[] {
  return text
    .replace(/\r/g, '')
    .split('\n')
    .flatMap((line) => {
      const last = line
        .split(/\t|;/)
        .filter((cell) => cell.trim() !== '')
        .at(-1);
      return last === undefined ? [] : [last.trim()];
    });
}
