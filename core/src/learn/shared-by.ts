/** What several failures have in common beside what they were grouped by: where to begin to ask. */
interface Shared {
  readonly unit: string;
  readonly at: number;
  readonly technician: string;
  readonly codes: readonly string[];
}

const DAY_MS = 86_400_000;
/** Failures within so many days may have been brought by one event: a storm, a delivery. */
const TOGETHER_DAYS = 31;

export function sharedBy(events: readonly Shared[]): string[] {
  const [first] = events;
  if (!first || events.length < 2) return [];
  const shared: string[] = [];
  const codes = first.codes.filter((code) => events.every((each) => each.codes.includes(code)));
  if (codes.length > 0) shared.push(`the same code: ${codes.join(', ')}`);
  const times = events.map(({ at }) => at);
  const days = Math.ceil((Math.max(...times) - Math.min(...times)) / DAY_MS);
  if (days <= TOGETHER_DAYS) shared.push(days === 0 ? 'the same day' : `within ${days} days`);
  if (events.every(({ unit }) => unit === first.unit)) shared.push('the same unit each time');
  if (events.every(({ technician }) => technician === first.technician))
    shared.push(`the same technician: ${first.technician}`);
  return shared;
}
