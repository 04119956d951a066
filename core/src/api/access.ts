/**
 * Who may do what: one table of roles and routes. The server asks it before any handler runs, the page asks it
 * for what it offers, and the test of every cell is made of it. An owner may do all that anybody may.
 */
import type { RouteName } from './routes';
import type { Role } from '../people/roles';

/**
 * How far somebody reaches: `all`, or `own`: a visit that is theirs or nobody's, a sheet that nobody has yet, a
 * device or a name of their own.
 */
export type Reach = 'own' | 'all';

/** `anyone` needs no session; `everybody` whoever has one. */
export type Access =
  | 'anyone'
  | 'everybody'
  | Readonly<Partial<Record<Exclude<Role, 'owner'>, Reach>>>;

const field = { technician: 'all', lead: 'all', office: 'all' } as const;
const desk = { lead: 'all', office: 'all' } as const;
const lead = { lead: 'all' } as const;
const office = { office: 'all' } as const;
const owner = {} as const;
/** Work on a visit: a technician's own, a lead's any. */
const work = { technician: 'own', lead: 'all' } as const;
/** When and whose a visit is. */
const plan = { technician: 'own', lead: 'all', office: 'all' } as const;
const self = { technician: 'own', lead: 'own', office: 'own' } as const;

export const ACCESS: Readonly<Record<RouteName, Access>> = {
  health: 'anyone',
  ready: 'anyone',
  session: 'anyone',
  signIn: 'anyone',
  signInDemo: 'anyone',
  passkeyAsk: 'anyone',
  passkeySignIn: 'anyone',
  lookAtLink: 'anyone',
  useLink: 'anyone',
  signOut: 'everybody',
  setPassword: 'everybody',
  passkeys: 'everybody',
  newPasskey: 'everybody',
  keepPasskey: 'everybody',
  dropPasskey: 'everybody',
  devices: 'everybody',
  endDevice: self,
  people: 'everybody',
  addPerson: owner,
  editPerson: owner,
  removePerson: owner,
  personDevices: self,
  linkForPerson: owner,
  audit: owner,
  keeping: owner,
  backUp: owner,
  exportAll: owner,
  importAll: owner,
  eraseCustomer: owner,
  shop: 'everybody',
  setPrices: office,
  priceList: 'everybody',
  setPriceList: office,
  customers: 'everybody',
  addCustomer: field,
  customer: 'everybody',
  editCustomer: desk,
  mergeCustomer: desk,
  sites: 'everybody',
  addSite: field,
  site: 'everybody',
  editSite: desk,
  mergeSite: desk,
  units: 'everybody',
  addUnit: field,
  unit: 'everybody',
  // Who stands before it reads its plate.
  editUnit: field,
  mergeUnit: desk,
  places: 'everybody',
  importPlaces: desk,
  meters: 'everybody',
  keepMeter: { technician: 'all', lead: 'all' },
  dropMeter: { technician: 'all', lead: 'all' },
  takeMeter: { technician: 'all', lead: 'all' },
  keepPhoto: field,
  photo: 'everybody',
  sheets: 'everybody',
  // On site a technician writes the sheet that nobody has; changing one is a lead's, for the others propose.
  saveSheet: { technician: 'own', lead: 'all' },
  sheet: 'everybody',
  sheetUnits: 'everybody',
  substitutes: 'everybody',
  sheetPins: 'everybody',
  giveSheet: { technician: 'all', lead: 'all' },
  revisions: 'everybody',
  revision: 'everybody',
  dictionary: 'everybody',
  keepDictionary: { technician: 'all', lead: 'all' },
  proposals: 'everybody',
  propose: field,
  proposal: 'everybody',
  decideProposal: lead,
  learnt: 'everybody',
  adoptOdds: lead,
  modelYears: 'everybody',
  unitYears: 'everybody',
  siteYears: 'everybody',
  find: 'everybody',
  records: 'everybody',
  recordsCsv: 'everybody',
  patterns: 'everybody',
  right: 'everybody',
  reportLinks: 'everybody',
  makeReportLink: plan,
  endReportLink: field,
  // Whoever has the link.
  sharedReport: 'anyone',
  jobs: 'everybody',
  openJob: field,
  job: 'everybody',
  planJob: plan,
  handOver: plan,
  attachSheet: work,
  importJob: lead,
  report: 'everybody',
  entries: 'everybody',
  append: work,
};

/** What somebody with these roles may do at a route; undefined for nothing. @param roles - None: not signed in. */
export function reachOf(route: RouteName, roles: readonly Role[] | undefined): Reach | undefined {
  const access = ACCESS[route];
  if (access === 'anyone') return 'all';
  if (roles === undefined) return undefined;
  if (access === 'everybody' || roles.includes('owner')) return 'all';
  const reaches = roles.map((role) => (role === 'owner' ? 'all' : access[role]));
  if (reaches.includes('all')) return 'all';
  return reaches.includes('own') ? 'own' : undefined;
}

/** Who may do it at all, for saying whom to ask. */
export function rolesFor(route: RouteName): readonly Role[] {
  const access = ACCESS[route];
  if (typeof access === 'string') return ['technician', 'lead', 'office', 'owner'];
  const some = (['technician', 'lead', 'office'] as const).filter(
    (role) => access[role] !== undefined,
  );
  return [...some, 'owner'];
}
