/** The bench model of a sheet: a circuit, where its places lie in it, and what changes it. */
import { Type, type Static } from '@sinclair/typebox';
import { Id, Ref } from './common';

const Node = Type.String({ minLength: 1, maxLength: 80 });
const ElementName = Type.String({ minLength: 1, maxLength: 80 });
const Changes = Type.Array(Type.String({ minLength: 1, maxLength: 200 }), { maxItems: 60 });

export const benchVariantSchema = Type.Object({
  /** Weight among the ways in which this fault comes; 1 where absent. */
  share: Type.Optional(Type.Number({ exclusiveMinimum: 0 })),
  changes: Changes,
});

export const benchSchema = Type.Object({
  netlist: Type.String({ minLength: 1, maxLength: 1_000_000, description: 'SPICE text.' }),
  /** Place of a board to node of the netlist. */
  nodes: Type.Record(Ref, Node),
  /** Place to the element that a clamp lies around there. */
  clamps: Type.Optional(Type.Record(Ref, ElementName)),
  /** Place to the element that is opened to put an ammeter in. */
  breaks: Type.Optional(Type.Record(Ref, ElementName)),
  /** Observable without probes (a display, a gauge, a sensor head) to the node that gives it. */
  gauges: Type.Optional(Type.Record(Ref, Node)),
  /** What each state, phase (`state/phase`), access, test and point (`test@point`) does to it. */
  states: Type.Optional(Type.Record(Ref, Changes)),
  access: Type.Optional(Type.Record(Id, Changes)),
  tests: Type.Optional(Type.Record(Ref, Changes)),
  /** The ways in which each fault comes. */
  faults: Type.Optional(
    Type.Record(Id, Type.Array(benchVariantSchema, { minItems: 1, maxItems: 12 })),
  ),
  /** Tolerance of single elements, as a share of their value. */
  tolerances: Type.Optional(Type.Record(ElementName, Type.Number({ minimum: 0, maximum: 0.9 }))),
  /** What a label or a reference instrument says: test or observable to a figure or a node. */
  given: Type.Optional(
    Type.Record(
      Ref,
      Type.Union([
        Type.Number(),
        Node,
        /** A label that prints its own tolerance. */
        Type.Object({ value: Type.Number(), plusMinus: Type.Number({ exclusiveMinimum: 0 }) }),
      ]),
    ),
  ),
  /** For tests over time: when the event comes, what drives it, and whether the state has just ended. */
  series: Type.Optional(
    Type.Record(
      Id,
      Type.Object({
        event: Type.Optional(Type.Number({ minimum: 0 })),
        driver: Type.Optional(Node),
        /** How long it is watched, s, where the limits do not say. */
        seconds: Type.Optional(Type.Number({ exclusiveMinimum: 0, maximum: 3600 })),
        /** State whose charge the capacitors still hold when the meter is put on. */
        after: Type.Optional(Id),
        /** The capacitors begin with the initial volts of the netlist, as after a charge from the meter. */
        charged: Type.Optional(Type.Boolean()),
      }),
    ),
  ),
});

export type BenchModel = Static<typeof benchSchema>;
export type BenchVariant = Static<typeof benchVariantSchema>;
