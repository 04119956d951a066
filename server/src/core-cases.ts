/** The shapes of the cases that `./jeitinho core` takes. */
import { meterFunctionSchema, unionOf } from '@jeitinho/core';
import { readingSchema } from '@jeitinho/core/job';
import { expectationSchema, seriesSchemas, togetherSchema } from '@jeitinho/core/judge';
import { Type } from '@jeitinho/core/validate';

export const judgeCase = Type.Object({
  expect: expectationSchema,
  reading: readingSchema,
  meter: Type.Optional(
    Type.Object({ percent: Type.Number({ minimum: 0 }), absolute: Type.Number({ minimum: 0 }) }),
  ),
  lead: Type.Optional(Type.Object({ value: Type.Number(), half: Type.Number({ minimum: 0 }) })),
  function: Type.Optional(Type.String()),
});

/** Readings taken together: each with its own limits, in the order the rule names them. */
export const groupCase = Type.Object({
  rule: togetherSchema,
  readings: Type.Array(
    Type.Intersect([
      judgeCase,
      Type.Object({
        id: Type.String(),
        red: Type.Optional(Type.String()),
        black: Type.Optional(Type.String()),
      }),
    ]),
    { minItems: 1 },
  ),
});

export const seriesCase = Type.Object({
  expect: unionOf(seriesSchemas),
  series: Type.Object({
    samples: Type.Array(
      Type.Object({
        t: Type.Number(),
        value: Type.Number(),
        driver: Type.Optional(Type.Number()),
      }),
    ),
    event: Type.Optional(Type.Number()),
  }),
  u: Type.Optional(Type.Number({ minimum: 0 })),
});

const chance = Type.Number({ minimum: 0, maximum: 1 });
const amount = Type.Number({ minimum: 0 });
const ratesSchema = Type.Object({
  rate: amount,
  giveUp: amount,
  visit: Type.Optional(amount),
  callback: Type.Optional(amount),
  downtime: Type.Optional(amount),
});
const shares = Type.Record(Type.String(), chance);
const suggestion = { suspects: shares, other: Type.Optional(chance) };
export const abridgedSheet = Type.Object({
  faults: Type.Array(
    Type.Object({
      id: Type.String(),
      part: Type.Optional(Type.String()),
      prior: Type.Number({ exclusiveMinimum: 0 }),
      shows: Type.Record(Type.String(), Type.Union([Type.String(), shares])),
      brings: Type.Optional(shares),
      intermittent: Type.Optional(chance),
      oneOf: Type.Optional(Type.String()),
    }),
    { minItems: 1 },
  ),
  tests: Type.Array(
    Type.Object({
      id: Type.String(),
      ok: Type.Optional(Type.String()),
      outcomes: Type.Array(Type.String(), { minItems: 1 }),
      noise: Type.Optional(Type.Number({ exclusiveMinimum: 0, maximum: 1 })),
      minutes: Type.Optional(amount),
      risk: Type.Optional(amount),
    }),
  ),
  parts: Type.Array(
    Type.Object({
      id: Type.String(),
      on: Type.Optional(Type.String()),
      price: Type.Optional(amount),
      minutes: Type.Optional(amount),
      covered: Type.Optional(chance),
      leadHours: Type.Optional(amount),
      returnable: Type.Optional(Type.Boolean()),
      restock: Type.Optional(chance),
    }),
  ),
  repairs: Type.Optional(
    Type.Array(
      Type.Object({
        id: Type.String(),
        fixes: Type.Array(Type.String()),
        price: Type.Optional(amount),
        minutes: Type.Optional(amount),
        success: chance,
        relapse: Type.Optional(chance),
      }),
    ),
  ),
  shop: Type.Optional(ratesSchema),
  codes: Type.Optional(Type.Array(Type.Object({ code: Type.String(), ...suggestion }))),
  symptoms: Type.Optional(Type.Array(Type.Object({ id: Type.String(), ...suggestion }))),
  coincidence: Type.Optional(Type.Number({ exclusiveMinimum: 0, maximum: 3 })),
  sound: Type.Optional(Type.Number({ exclusiveMinimum: 0, exclusiveMaximum: 0.9 })),
});
export const measureCase = Type.Object({
  netlist: Type.String(),
  red: Type.Optional(Type.String()),
  black: Type.Optional(Type.String()),
  clamp: Type.Optional(Type.String()),
  function: meterFunctionSchema,
  changes: Type.Optional(Type.Array(Type.String(), { maxItems: 200 })),
  /** How long the display is followed; 5 s where absent. */
  seconds: Type.Optional(Type.Number({ exclusiveMinimum: 0, maximum: 600 })),
  lowImpedance: Type.Optional(Type.Boolean()),
  testVolts: Type.Optional(Type.Number({ exclusiveMinimum: 0, maximum: 5000 })),
});
const again = Type.Optional(Type.Integer({ minimum: 0 }));
const evidenceList = Type.Array(
  Type.Union([
    Type.Object({ code: Type.String() }),
    Type.Object({ symptom: Type.String() }),
    Type.Object({ confirmed: Type.Boolean() }),
    Type.Object({ test: Type.String(), outcome: Type.String(), again }),
    Type.Object({ test: Type.String(), p: shares, again }),
    Type.Object({ done: shares }),
    Type.Object({ back: Type.Array(Type.String()) }),
    Type.Object({ ran: Type.Literal(true) }),
  ]),
);
export const diagnoseCase = Type.Object({
  sheet: Type.Object({}),
  evidence: evidenceList,
  /** What an hour and handing over cost, where the sheet does not say it. */
  shop: Type.Optional(ratesSchema),
  /** Faults at once that are looked at; 2 where absent. */
  most: Type.Optional(Type.Integer({ minimum: 1, maximum: 3 })),
  /** Of a full sheet: where the machine stands. As it is found where absent. */
  situation: Type.Optional(
    Type.Object({
      state: Type.Optional(Type.String()),
      open: Type.Optional(Type.Array(Type.String(), { maxItems: 200 })),
    }),
  ),
});

/** Odds from proven jobs, of one fault or of all; or how seldom chance brings so many. */
export const learnCase = Type.Union([
  Type.Object({
    weights: Type.Array(Type.Number({ minimum: 0 }), { minItems: 1, maxItems: 500 }),
    counts: Type.Array(Type.Integer({ minimum: 0 }), { minItems: 1, maxItems: 500 }),
    /** Whose interval is answered; every one’s where absent. */
    fault: Type.Optional(Type.Integer({ minimum: 0 })),
  }),
  Type.Object({ k: Type.Integer({ minimum: 0 }), mean: Type.Number({ minimum: 0 }) }),
]);

export const decideCase = Type.Object({
  ...diagnoseCase.properties,
  /** Visits with ids of actions, `replace:PART` or `repair:ID`: what each plan costs is answered. */
  plans: Type.Optional(Type.Array(Type.Array(Type.Array(Type.String(), { minItems: 1 })))),
  /** Actions in one plan; 4 where absent. */
  actions: Type.Optional(Type.Integer({ minimum: 1, maximum: 5 })),
});
