/** A reason not to start that a person can act on: printed as one sentence, without a stack. */
export class StartupError extends Error {
  override readonly name = 'StartupError';
  constructor(
    readonly code:
      | 'half-migrated'
      | 'damaged-database'
      | 'newer-database'
      | 'port-taken'
      | 'bad-address'
      | 'bad-certificate'
      | 'bad-database'
      | 'bad-port'
      | 'half-tls'
      | 'no-data'
      | 'no-file'
      | 'no-host'
      | 'no-tls'
      | 'two-certificates'
      | 'no-database',
    message: string,
  ) {
    super(message);
  }
}
