import { startMariaDb, type TestDatabase } from './mariadb';

declare global {
  var testDatabase: TestDatabase | undefined;
}

export default async function startDatabase(): Promise<void> {
  globalThis.testDatabase = await startMariaDb();
  process.env.JEITINHO_TEST_SOCKET = globalThis.testDatabase.socketPath;
}
