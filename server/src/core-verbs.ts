/** The verbs of `./jeitinho core`, apart from reading and writing. */
import { InvalidInputError, type MeterFunction, UnknownReferenceError } from '@jeitinho/core';
import {
  benchDisagreements,
  changed,
  type Hazard,
  type Indication,
  indicationOf,
  measure,
  readNetlist,
  solveCircuit,
  track,
  type Update,
} from '@jeitinho/core/bench';
import {
  accusedBy,
  actionsOf,
  actionsOfSheet,
  advise,
  chanceOfSoMany,
  decide,
  infer,
  learntOdds,
  modelOf,
  nextTests,
  playedJob,
  pricedSheet,
  pricePlans,
  standingIn,
  USUAL_RATES,
  USUAL_SHOP,
  type DiagnosticModel,
  type Evidence,
  type Inference,
  type Plan,
  type PricedSheet,
  type Rates,
  type Situation,
} from '@jeitinho/core/diagnose';
import {
  evenErrors,
  judge,
  judgeSeries,
  judgeTogether,
  pointsOf,
  type Judgement,
} from '@jeitinho/core/judge';
import { expandSheet, machineSheet, machinesOf, type Sheet } from '@jeitinho/core/sheet';
import {
  abridgedSheet,
  decideCase,
  diagnoseCase,
  groupCase,
  judgeCase,
  learnCase,
  measureCase,
  seriesCase,
} from './core-cases';
import { check, readSheet, Type, type Static, type TSchema } from '@jeitinho/core/validate';

/** What the display shows at the end of its track; after a hazard no figure of the circuit's. */
function standsAt(
  fn: MeterFunction,
  last: Update | undefined,
  hazards: readonly Hazard[],
): Indication {
  if (last) return indicationOf(fn, last.value, last.flags);
  const blown = hazards.some(({ kind }) => kind === 'meter-fuse');
  return blown ? indicationOf(fn, 0, ['fuse']) : indicationOf(fn, null, ['disturbed']);
}

const VERBS: Readonly<Record<string, (input: unknown, path: string) => unknown>> = {
  judge: (input, path) => {
    if (isCase(input, 'rule')) return judgeGroupCase(demand(groupCase, input, path));
    if (isCase(input, 'series')) return judgeSeriesCase(demand(seriesCase, input, path));
    const { verdict, outcome, p, corrected, u, edge, signFlagged, remedy } = judge(
      demand(judgeCase, input, path),
    );
    return { verdict, outcome, p, corrected, u, edge, signFlagged, remedy };
  },
  check: (input) => {
    const read = readSheet(input);
    if (!read.ok) return { ok: false, problems: read.problems, warnings: read.warnings };
    // The bench is solved for every fault: a matter of seconds, so only where somebody asks for a check.
    const problems = machinesOf(read.value.variants ?? []).flatMap((chosen) => {
      const { sheet, writtenAt } = expandSheet(read.value, chosen);
      return benchDisagreements(sheet).map(({ path, message }) => ({
        code: 'bench',
        severity: 'problem',
        path: writtenAt(path),
        message,
      }));
    });
    return { ok: problems.length === 0, problems, warnings: read.warnings };
  },
  solve: (input) => solveCircuit(readNetlist(demand(Type.String(), input, ''))),
  measure: (input, path) => {
    const { netlist, red, black, clamp, changes, seconds, ...rest } = demand(
      measureCase,
      input,
      path,
    );
    const circuit = changed(readNetlist(netlist), changes ?? []);
    const node = (name: string) => (name.toLowerCase() === 'gnd' ? '0' : name.toLowerCase());
    const probing = {
      function: rest.function,
      red: node(red ?? '0'),
      ...(black !== undefined && { black: node(black) }),
      ...(clamp !== undefined && { clamp: clamp.toLowerCase() }),
      ...(rest.lowImpedance && { lowImpedance: true }),
      ...(rest.testVolts !== undefined && { testVolts: rest.testVolts }),
    };
    // Whoever writes what is stored (IC=) means the moment after switching off.
    const charged = circuit.elements.some(
      (each) => 'initial' in each && each.initial !== undefined,
    );
    const { updates, hazards } = track(circuit, probing, {
      seconds: seconds ?? 5,
      start: charged ? 'initial' : 'rest',
    });
    const { hazards: _, ...indication } = charged
      ? standsAt(probing.function, updates.at(-1), hazards)
      : measure(circuit, probing);
    return { indication, track: updates, hazards };
  },
  diagnose: (input, path) => {
    const { sheet, evidence, shop, situation, most = 2 } = demand(diagnoseCase, input, path);
    const { model, priced, whole } = modelFrom(sheet, path);
    const inference = infer(model, evidence as Evidence[], { size: most });
    const { faults, now, parts, fixed, sound, other } = inference.belief;
    const rates = shop ?? priced.shop ?? USUAL_RATES;
    const { cost, order, next } = nextTests(inference, priced.parts, priced.tests, rates);
    const accused = accusedBy(inference);
    const advised = whole && adviceFor(whole, inference, rates, situation ?? {});
    return {
      ...{ faults, now, accused, sound, other, fixed, parts, ecr: cost, order },
      ...(advised ?? { next }),
    };
  },
  learn: (input, path) => {
    const asked = demand(learnCase, input, path);
    if ('k' in asked) return { tail: chanceOfSoMany(asked.k, asked.mean) };
    const { weights, counts, fault } = asked;
    if (weights.length !== counts.length || !weights.some((weight) => weight > 0))
      throw new InvalidInputError(
        'weights and counts are as many, and one weight is above 0',
        `${path}/counts`,
      );
    const odds = learntOdds(weights, counts);
    const intervals = odds.map(({ interval }) => interval);
    return {
      odds: odds.map(({ share }) => share),
      ...(fault === undefined ? { intervals } : { interval: intervals[fault] ?? null }),
    };
  },
  decide: (input, path) => {
    const {
      sheet,
      evidence,
      shop,
      plans,
      actions: dealt,
      most = 2,
    } = demand(decideCase, input, path);
    const { model, priced, whole } = modelFrom(sheet, path);
    const inference = infer(model, evidence as Evidence[], { size: most });
    const prices = { ...USUAL_SHOP, ...priced.shop, ...shop };
    const actions = whole
      ? actionsOfSheet(whole)
      : actionsOf(model, priced.parts, 'repairs' in priced ? (priced.repairs ?? []) : []);
    const named = ({ visits, ...figures }: Plan) => ({
      plan: visits.map((visit) => visit.map(({ id }) => id)),
      ...figures,
    });
    const found = decide(inference, actions, prices, dealt === undefined ? {} : { most: dealt });
    return {
      decide: Object.fromEntries(
        Object.entries(found).map(([kind, plan]) => [kind, named(plan as Plan)]),
      ),
      ...(plans && { plans: pricePlans(inference, actions, prices, plans) }),
    };
  },
};

/**
 * @returns one answer, or an array of them for an array of cases.
 * @throws {CoreError} for an unknown verb or a case that is not as it should be.
 */
export function runVerb(verb: string, input: unknown): unknown {
  const run = Object.hasOwn(VERBS, verb) ? VERBS[verb]! : undefined;
  if (!run)
    throw new InvalidInputError(
      `“${verb}” is not a verb; there are ${Object.keys(VERBS).join(', ')}`,
    );
  return Array.isArray(input) ? input.map((each, i) => run(each, `/${i}`)) : run(input, '');
}

const isCase = (input: unknown, field: string): boolean =>
  input !== null && typeof input === 'object' && field in input;

const answerOf = ({ verdict, outcome, p, corrected, u, sentence }: Judgement) => ({
  verdict,
  outcome,
  p,
  corrected,
  u,
  sentence,
});

function judgeGroupCase({ rule, readings }: Static<typeof groupCase>) {
  const wanted = pointsOf(
    rule,
    readings.map(({ id }) => id),
  );
  return answerOf(
    judgeTogether(
      rule,
      wanted.map((id) => {
        const each = readings.find((reading) => reading.id === id);
        if (!each) throw new UnknownReferenceError(`there is no reading “${id}”`, '/readings');
        return { ...each, unit: each.expect.unit, judgement: judge(each) };
      }),
    ),
  );
}

const judgeSeriesCase = ({ expect, series, u }: Static<typeof seriesCase>) =>
  answerOf(judgeSeries(expect, series, evenErrors(u ?? 0)));

/** Best first, as the machine stands; with what goes before each, and whether to measure at all. */
function adviceFor(sheet: Sheet, inference: Inference, rates: Rates, situation: Situation) {
  const job = playedJob(sheet, inference.evidence, standingIn(sheet, situation));
  const { tests, stop } = advise(sheet, job, 0, { rates, inference });
  return {
    stop,
    next: tests.map(({ test, before, effort, net, bits }) => {
      const price = (effort.minutes * rates.rate) / 60 + effort.risk;
      return {
        test: test.id,
        before: before.map(({ id }) => id),
        ...{ voi: net + price, price, net, bits },
        minutes: effort.minutes,
      };
    }),
  };
}

/** What a machine can have, and what its parts and tests cost. */
function modelFrom(
  sheet: object,
  path: string,
): {
  model: DiagnosticModel;
  priced: Static<typeof abridgedSheet> | PricedSheet;
  /** Where it is a full one, as it is for one whole machine. */
  whole?: Sheet;
} {
  if (!('format' in sheet)) {
    const abridged = demand(abridgedSheet, sheet, `${path}/sheet`);
    return { model: abridged, priced: abridged };
  }
  const read = readSheet(sheet);
  if (!read.ok) throw failure(read.problems, `${path}/sheet`);
  const whole = machineSheet(read.value);
  return { model: modelOf(whole), priced: pricedSheet(whole), whole };
}

function demand<S extends TSchema>(schema: S, input: unknown, path: string) {
  const checked = check(schema, input);
  if (checked.ok) return checked.value;
  throw failure(checked.problems, path);
}

function failure(problems: readonly { path: string; message: string }[], base: string) {
  const [first] = problems;
  return new InvalidInputError(first?.message ?? 'not as it should be', base + (first?.path ?? ''));
}
