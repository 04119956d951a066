export default async function stopDatabase(): Promise<void> {
  await globalThis.testDatabase?.stop();
}
