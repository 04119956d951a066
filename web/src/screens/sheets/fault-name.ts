import type { Sheet } from '@jeitinho/core/sheet';

export const faultName = ({ faults }: Pick<Sheet, 'faults'>, id: string): string =>
  faults.find((each) => each.id === id)?.name ?? id;
