/** What a job's log says to the suspects, in the order of the visit: findings, and the work between them. */
import { observablesOf } from '../sheet/observables';
import { fastId, storeObservables } from '../sheet/store-observables';
import { codeKey, codeWords } from '../sheet/codes/match';
import type { Sheet } from '../sheet/schema';
import type { JobState, Taken } from '../job/state/state';
import { shareOfFinds } from '../job/findings/finds';
import { firstFaults } from '../job/history/episodes';
import { isEntry } from '../job/kinds/index';
import { curesOf, faultsOf } from '../job/work/cures';
import type { NotedWork } from '../job/work/work';
import type { Evidence, Finding } from './evidence';
import { NO_CODE } from './model';
import type { EvidenceItem } from './suspects';

/** Void, waiting, replaced and withdrawn findings say nothing. */
export function evidenceOf(state: JobState, sheet: Sheet): EvidenceItem[] {
  const counted = new Map(
    state.taken.filter((taken) => taken.standing.kind === 'counts').map((t) => [t.entry, t]),
  );
  const works = new Map(state.works.map((work) => [work.id, work]));
  const once = onlyOnce(state, sheet);
  /** Work since the machine last ran: what it takes away may be brought again by what is left. */
  let unrun = false;
  return state.log.flatMap((entry): EvidenceItem[] => {
    if (entry.withdrawnBy !== undefined) return [];
    const work = works.get(entry.id);
    if (work) {
      unrun = true;
      once.epoch();
      return [{ entry: entry.id, evidence: changeOf(sheet, work), from: { kind: 'work', work } }];
    }
    if (unrun && (entry.kind === 'energised' || entry.kind === 'window')) {
      unrun = false;
      return [{ entry: entry.id, evidence: { ran: true }, from: { kind: 'ran' } }];
    }
    if (isEntry('code', entry) && entry.body.shown === null) {
      const evidence = { code: NO_CODE };
      return sheet.codes.none && once.first(NO_CODE)
        ? [{ entry: entry.id, evidence, from: { kind: 'code', code: 'none shown' } }]
        : [];
    }
    if (isEntry('history', entry)) return once.told(entry.id);
    const said = once.said(entry.id);
    if (said) return [said];
    // Looked for by somebody, or seen by a proof that was watched.
    const look = state.looked.find(({ id }) => id === entry.id);
    if (look)
      return once.looked(look.id)
        ? [
            {
              entry: look.id,
              evidence: { confirmed: look.body.seen },
              from: { kind: 'looked', seen: look.body.seen },
            },
          ]
        : [];
    const taken = counted.get(entry.id);
    return taken ? [...ownEvidence(taken), ...groupEvidence(state, entry.id)] : [];
  });
}

const changeOf = (sheet: Sheet, { body }: NotedWork): Evidence =>
  body.what === 'put-back'
    ? { back: faultsOf(sheet, body).map(({ id }) => id) }
    : { done: curesOf(sheet, body) };

/** What counts once however often it was written: the same code or symptom, and the last look of an epoch. */
function onlyOnce(state: JobState, sheet: Sheet) {
  const codes = new Map(
    state.codes.flatMap(({ entry, listed }) => (listed ? [[entry, listed]] : [])),
  );
  const symptoms = new Map([...state.symptoms].map(([id, entry]) => [entry, id]));
  const named = new Set(storeObservables(sheet).map(({ id }) => id));
  const works = new Set(state.works.map(({ id }) => id));
  const order = state.log.map(({ id }) => id);
  let seen = new Set<string>();
  return {
    /** Work was done: the same code after it is another observation. */
    epoch() {
      seen = new Set();
    },
    /** Whether a code is met in this epoch for the first time. */
    first(code: string): boolean {
      if (seen.has(code)) return false;
      seen.add(code);
      return true;
    },
    /** First faults of what a history tells of the last weeks; what followed from them says nothing more. */
    told(entry: string): EvidenceItem[] {
      const history = state.histories?.find((each) => each.entry === entry);
      return (history ? firstFaults(sheet, history.rows) : []).flatMap((listed) =>
        this.first(codeKey(listed))
          ? [
              {
                entry,
                evidence: { code: codeKey(listed) },
                from: { kind: 'code' as const, code: `${codeWords(listed)}, from the history` },
              },
            ]
          : [],
      );
    },
    said(entry: string): EvidenceItem | undefined {
      const code = codes.get(entry);
      if (code !== undefined)
        return this.first(codeKey(code))
          ? {
              entry,
              evidence: { code: codeKey(code) },
              from: { kind: 'code', code: codeWords(code) },
            }
          : undefined;
      const symptom = symptoms.get(entry);
      if (symptom !== undefined)
        return { entry, evidence: { symptom }, from: { kind: 'symptom', symptom } };
      const store = state.stores.find((each) => each.entry === entry);
      if (!store || !named.has(fastId(store.pair.id))) return undefined;
      const evidence = { test: fastId(store.pair.id), outcome: store.outcome };
      return { entry, evidence, from: { kind: 'store', store } };
    },
    /** Whether no later look at the complaint stands in the same epoch. */
    looked(entry: string): boolean {
      const from = order.indexOf(entry);
      const end = order.findIndex((id, i) => i > from && works.has(id));
      const rest = new Set(order.slice(from + 1, end < 0 ? undefined : end));
      return !state.looked.some(({ id }) => rest.has(id));
    },
  };
}

function ownEvidence(taken: Taken): EvidenceItem[] {
  const evidence = evidenceIn(taken);
  return evidence ? [{ entry: taken.entry, evidence, from: { kind: 'taken', taken } }] : [];
}

const groupEvidence = (state: JobState, entry: string): EvidenceItem[] =>
  [...state.pastGroups, ...state.groups]
    .filter((group) => group.entry === entry && !group.judgement.coarse)
    .map((group) => ({
      entry,
      evidence: { test: group.observable, p: group.judgement.p },
      from: { kind: 'group', group },
    }));

/**
 * What a finding says to the suspects: the technician's own judgement goes before the limits'.
 * @returns undefined where the meter was too coarse to say anything.
 */
function evidenceIn(taken: Taken): Finding | undefined {
  const { observable: test, overruled } = taken;
  if (overruled?.as === 'good') return { test, outcome: 'ok' };
  const p = taken.kind === 'answer' ? shareOfFinds(taken) : taken.judgement.p;
  if (overruled) return { test, p: withoutOk(p, outcomesOfTaken(taken)) };
  const again = taken.agreeing > 0 && { again: taken.agreeing };
  if (taken.kind === 'answer' && !taken.finds) return { test, outcome: taken.outcome, ...again };
  if (taken.kind === 'answer') return { test, p, ...again };
  return taken.judgement.coarse ? undefined : { test, p, ...again };
}

/** Condemned: whatever it is, it is not `ok`; how it is wrong stays as the reading has it. */
function withoutOk(
  p: Readonly<Record<string, number>>,
  outcomes: readonly string[],
): Record<string, number> {
  const wrong = outcomes.filter((outcome) => outcome !== 'ok');
  const sum = wrong.reduce((total, outcome) => total + (p[outcome] ?? 0), 0);
  return Object.fromEntries(
    wrong.map((outcome) => [outcome, sum > 1e-6 ? (p[outcome] ?? 0) / sum : 1 / wrong.length]),
  );
}

const outcomesOfTaken = ({ test, observable }: Taken): readonly string[] =>
  observablesOf(test).find(({ id }) => id === observable)?.outcomes ?? [];
