/** What stories ask of the core; see `bundle.ts`. */
export { machineSheet } from '@jeitinho/core/sheet';
export { provingSteps } from '@jeitinho/demo/prove-dead';
