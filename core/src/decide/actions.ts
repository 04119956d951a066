/** What can be done to the machine, with what it costs: a part replaced, or a repair without one. */

export interface PlanPart {
  readonly id: string;
  readonly price?: number;
  readonly minutes?: number;
  /** Share of the price that somebody else bears: a warranty. */
  readonly covered?: number;
  /** Share of its work that somebody else bears. */
  readonly labourCovered?: number;
  /** Above 0 it is ordered, and comes with another visit. */
  readonly leadHours?: number;
  readonly returnable?: boolean;
  /** Share of the price that is kept when it goes back. */
  readonly restock?: number;
}

export interface PlanRepair {
  readonly id: string;
  readonly fixes: readonly string[];
  readonly price?: number;
  readonly minutes?: number;
  readonly success: number;
  /** Chance that it comes back. */
  readonly relapse?: number;
}

export interface Action {
  /** `replace:inv`, `repair:r1`. */
  readonly id: string;
  readonly kind: 'replace' | 'repair';
  /** Of the part or the repair. */
  readonly of: string;
  /** Money, less what is covered. */
  readonly material: number;
  readonly minutes: number;
  /** Of the minutes, those that are paid for here. */
  readonly paid: number;
  readonly leadHours: number;
  readonly relapse: number;
  /** Money that comes back where it goes back unused; 0 where it cannot. */
  readonly refund: number;
  /** Chance by fault that it takes it away. */
  readonly cures: Readonly<Record<string, number>>;
}

interface Faults {
  readonly faults: readonly { readonly id: string; readonly part?: string }[];
  readonly parts: readonly { readonly id: string; readonly on?: string }[];
}

/** Whether a part sits on another, through whatever is between. */
function sitsOn({ parts }: Faults, part: string | undefined, on: string): boolean {
  const seen = new Set<string>();
  for (let id = part; id !== undefined && !seen.has(id);) {
    if (id === on) return true;
    seen.add(id);
    id = parts.find((each) => each.id === id)?.on;
  }
  return false;
}

/** In the order of the sheet: its parts, then its repairs. A new part is taken to be sound. */
export function actionsOf(
  model: Faults,
  parts: readonly PlanPart[],
  repairs: readonly PlanRepair[],
): Action[] {
  return [
    ...parts.map((part): Action => {
      const material = (part.price ?? 0) * (1 - (part.covered ?? 0));
      const on = model.faults.filter((fault) => sitsOn(model, fault.part, part.id));
      return {
        id: `replace:${part.id}`,
        kind: 'replace',
        of: part.id,
        material,
        minutes: part.minutes ?? 0,
        paid: (part.minutes ?? 0) * (1 - (part.labourCovered ?? 0)),
        leadHours: part.leadHours ?? 0,
        relapse: 0,
        refund: part.returnable ? material * (1 - (part.restock ?? 0)) : 0,
        cures: Object.fromEntries(on.map(({ id }) => [id, 1])),
      };
    }),
    ...repairs.map((repair): Action => ({
      id: `repair:${repair.id}`,
      kind: 'repair',
      of: repair.id,
      material: repair.price ?? 0,
      minutes: repair.minutes ?? 0,
      paid: repair.minutes ?? 0,
      leadHours: 0,
      relapse: repair.relapse ?? 0,
      refund: 0,
      cures: Object.fromEntries(repair.fixes.map((fault) => [fault, repair.success])),
    })),
  ];
}
