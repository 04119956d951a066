/** What is wrong with an archive, in a sentence for whoever has it. */
export class ArchiveError extends Error {
  override readonly name = 'ArchiveError';
  constructor(
    readonly code: 'broken-off' | 'cut-short' | 'damaged' | 'newer' | 'not-empty' | 'not-ours',
    message: string,
  ) {
    super(message);
  }
}
