/** What a person of the shop may be; somebody may be several of them. */
export const ROLES = ['technician', 'lead', 'office', 'owner'] as const;
export type Role = (typeof ROLES)[number];

/** What each does, in a line. */
export const ROLE_WORDS: Readonly<Record<Role, string>> = {
  technician: 'measures, mends and signs visits',
  lead: 'keeps the sheets, and may work on anybody’s visit',
  office: 'keeps customers, visits and prices',
  owner: 'keeps people and data, and may do all of it',
};

/** “owner, lead, technician: keeps people and data, and may do all of it”. What an owner does has the rest in it. */
export function rolesWords(roles: readonly Role[]): string {
  const told = roles.includes('owner') ? (['owner'] as const) : roles;
  return `${roles.join(', ')}: ${told.map((role) => ROLE_WORDS[role]).join('; ')}`;
}

/** A licence is a person's, and mostly ends some day. */
export interface LicenceHeld {
  readonly name: string;
  /** Last day, `2027-03-31`; null for one that does not end. */
  readonly until: string | null;
}

/**
 * The licence that somebody holds for a line of a sheet, such as “Gas work: licensed gas technician only.”: the
 * one whose name stands in it; of several the one that is good longest. Undefined for none.
 */
export function licenceFor(line: string, held: readonly LicenceHeld[]): LicenceHeld | undefined {
  const said = line.toLowerCase();
  return held
    .filter(({ name }) => said.includes(name.trim().toLowerCase()))
    .sort((a, b) => (b.until ?? '9999').localeCompare(a.until ?? '9999'))[0];
}
