/** Plain SQL on a connection of the pool: one round trip, no models, values bound by the connector. */
import type { Sequelize, Transaction } from 'sequelize';

interface Connection {
  query<T>(options: { sql: string }, values?: readonly unknown[]): Promise<T>;
}

interface Connections {
  getConnection(options: { type: 'write' }): Promise<Connection>;
  releaseConnection(connection: Connection): void;
}

export interface Written {
  readonly affectedRows: number;
}

/** @throws the connector's own errors. */
export async function raw<T>(
  sequelize: Sequelize,
  sql: string,
  values: readonly unknown[] = [],
  transaction?: Transaction,
): Promise<T> {
  // Neither is in Sequelize’s types; both are in its documentation.
  if (transaction)
    return (transaction as unknown as { connection: Connection }).connection.query<T>(
      { sql },
      values,
    );
  const { connectionManager } = sequelize as unknown as { connectionManager: Connections };
  const connection = await connectionManager.getConnection({ type: 'write' });
  try {
    return await connection.query<T>({ sql }, values);
  } finally {
    connectionManager.releaseConnection(connection);
  }
}

/** A moment as MariaDB takes and gives it in text, UTC. */
export const toColumn = (iso: string): string => iso.slice(0, 23).replace('T', ' ');
export const fromColumn = (text: string): string => `${text.slice(0, 23).replace(' ', 'T')}Z`;
