/**
 * A circuit as data: elements between named nodes, in SI units. What a netlist says becomes this; what the
 * solver takes is this.
 */
import type { Element } from './elements/index';

export type Analysis =
  | { readonly kind: 'op' }
  | {
      readonly kind: 'tran';
      readonly step: number;
      readonly stop: number;
      readonly start: number;
      readonly most?: number;
      /** Start from the elements' initial values instead of the operating point. */
      readonly uic: boolean;
    }
  | {
      readonly kind: 'ac';
      readonly sweep: 'lin' | 'dec' | 'oct';
      readonly points: number;
      readonly from: number;
      readonly to: number;
    };

/** The highest voltage that a node stands before what hangs on it is destroyed. */
export interface Rating {
  readonly node: string;
  readonly volts: number;
}

export interface Circuit {
  readonly title: string;
  readonly elements: readonly Element[];
  readonly analyses: readonly Analysis[];
  readonly ratings: readonly Rating[];
}

/** An empty analysis list and no ratings: a bare circuit out of elements. */
export const circuitOf = (elements: readonly Element[]): Circuit => ({
  title: '',
  elements,
  analyses: [],
  ratings: [],
});
