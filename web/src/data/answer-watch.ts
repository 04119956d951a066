/** Whoever wants to hold what comes back against its published shape; nobody, where the app is in use. */
import type { RouteName } from '@jeitinho/core';

type Watcher = (route: RouteName, status: number, value: unknown) => void;

let watcher: Watcher | undefined;

export function watchAnswers(by: Watcher): void {
  watcher = by;
}

export const noteAnswer: Watcher = (route, status, value) => watcher?.(route, status, value);
