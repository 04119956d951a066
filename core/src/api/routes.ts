/**
 * Every route of the HTTP API under /api/v1: its method and its path. What goes in and what comes out stands
 * beside it in `operations.ts`, under the same name; a client needs only this at run time.
 */
export const ROUTES = {
  health: { method: 'GET', path: '/health' },
  ready: { method: 'GET', path: '/health/ready' },
  session: { method: 'GET', path: '/session' },
  signIn: { method: 'POST', path: '/session' },
  signOut: { method: 'DELETE', path: '/session' },
  signInDemo: { method: 'POST', path: '/session/demo' },
  passkeyAsk: { method: 'POST', path: '/session/passkey/ask' },
  passkeySignIn: { method: 'POST', path: '/session/passkey' },
  lookAtLink: { method: 'POST', path: '/session/link/look' },
  useLink: { method: 'POST', path: '/session/link' },
  setPassword: { method: 'PUT', path: '/me/password' },
  passkeys: { method: 'GET', path: '/me/passkeys' },
  newPasskey: { method: 'POST', path: '/me/passkeys/ask' },
  keepPasskey: { method: 'POST', path: '/me/passkeys' },
  dropPasskey: { method: 'DELETE', path: '/me/passkeys/{id}' },
  devices: { method: 'GET', path: '/devices' },
  endDevice: { method: 'DELETE', path: '/devices/{id}' },
  people: { method: 'GET', path: '/people' },
  addPerson: { method: 'POST', path: '/people' },
  editPerson: { method: 'PATCH', path: '/people/{id}' },
  removePerson: { method: 'DELETE', path: '/people/{id}' },
  personDevices: { method: 'GET', path: '/people/{id}/devices' },
  linkForPerson: { method: 'POST', path: '/people/{id}/link' },
  audit: { method: 'GET', path: '/audit' },
  keeping: { method: 'GET', path: '/keeping' },
  backUp: { method: 'POST', path: '/keeping/backups' },
  exportAll: { method: 'GET', path: '/keeping/export' },
  importAll: { method: 'POST', path: '/keeping/import' },
  shop: { method: 'GET', path: '/shop' },
  setPrices: { method: 'PUT', path: '/shop/prices' },
  priceList: { method: 'GET', path: '/shop/price-list' },
  setPriceList: { method: 'PUT', path: '/shop/price-list' },
  customers: { method: 'GET', path: '/customers' },
  addCustomer: { method: 'POST', path: '/customers' },
  customer: { method: 'GET', path: '/customers/{id}' },
  editCustomer: { method: 'PATCH', path: '/customers/{id}' },
  eraseCustomer: { method: 'POST', path: '/customers/{id}/erase' },
  mergeCustomer: { method: 'POST', path: '/customers/{id}/merge' },
  sites: { method: 'GET', path: '/sites' },
  addSite: { method: 'POST', path: '/sites' },
  site: { method: 'GET', path: '/sites/{id}' },
  editSite: { method: 'PATCH', path: '/sites/{id}' },
  mergeSite: { method: 'POST', path: '/sites/{id}/merge' },
  units: { method: 'GET', path: '/units' },
  addUnit: { method: 'POST', path: '/units' },
  unit: { method: 'GET', path: '/units/{id}' },
  editUnit: { method: 'PATCH', path: '/units/{id}' },
  mergeUnit: { method: 'POST', path: '/units/{id}/merge' },
  places: { method: 'GET', path: '/places' },
  importPlaces: { method: 'POST', path: '/places' },
  meters: { method: 'GET', path: '/meters' },
  keepMeter: { method: 'PUT', path: '/meters/{id}' },
  dropMeter: { method: 'DELETE', path: '/meters/{id}' },
  takeMeter: { method: 'POST', path: '/meters/{id}/in-hand' },
  keepPhoto: { method: 'PUT', path: '/photos/{hash}' },
  photo: { method: 'GET', path: '/photos/{hash}' },
  sheets: { method: 'GET', path: '/sheets' },
  saveSheet: { method: 'POST', path: '/sheets' },
  sheet: { method: 'GET', path: '/sheets/{id}' },
  sheetUnits: { method: 'GET', path: '/sheets/{id}/units' },
  substitutes: { method: 'GET', path: '/sheets/{id}/substitutes' },
  sheetPins: { method: 'GET', path: '/sheets/{id}/pins' },
  giveSheet: { method: 'POST', path: '/sheets/{id}/units' },
  revisions: { method: 'GET', path: '/sheets/{id}/revisions' },
  revision: { method: 'GET', path: '/sheets/{id}/revisions/{revision}' },
  dictionary: { method: 'GET', path: '/sheets/{id}/revisions/{revision}/dictionary' },
  keepDictionary: { method: 'PUT', path: '/sheets/{id}/revisions/{revision}/dictionary' },
  proposals: { method: 'GET', path: '/proposals' },
  propose: { method: 'POST', path: '/proposals' },
  proposal: { method: 'GET', path: '/proposals/{id}' },
  decideProposal: { method: 'POST', path: '/proposals/{id}/decide' },
  learnt: { method: 'GET', path: '/sheets/{id}/learnt' },
  adoptOdds: { method: 'POST', path: '/sheets/{id}/odds' },
  modelYears: { method: 'GET', path: '/sheets/{id}/years' },
  unitYears: { method: 'GET', path: '/units/{id}/years' },
  siteYears: { method: 'GET', path: '/sites/{id}/years' },
  find: { method: 'GET', path: '/find' },
  records: { method: 'GET', path: '/records/{table}' },
  recordsCsv: { method: 'GET', path: '/records/{table}/csv' },
  patterns: { method: 'GET', path: '/patterns' },
  right: { method: 'GET', path: '/right' },
  reportLinks: { method: 'GET', path: '/jobs/{id}/report-links' },
  makeReportLink: { method: 'POST', path: '/jobs/{id}/report-links' },
  endReportLink: { method: 'DELETE', path: '/report-links/{id}' },
  sharedReport: { method: 'POST', path: '/shared' },
  jobs: { method: 'GET', path: '/jobs' },
  openJob: { method: 'POST', path: '/jobs' },
  job: { method: 'GET', path: '/jobs/{id}' },
  planJob: { method: 'PATCH', path: '/jobs/{id}' },
  handOver: { method: 'POST', path: '/jobs/{id}/hand-over' },
  attachSheet: { method: 'POST', path: '/jobs/{id}/sheet' },
  importJob: { method: 'POST', path: '/job-files' },
  report: { method: 'GET', path: '/jobs/{id}/report' },
  entries: { method: 'GET', path: '/jobs/{id}/entries' },
  append: { method: 'POST', path: '/jobs/{id}/entries' },
} as const satisfies Record<
  string,
  { readonly method: 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE'; readonly path: string }
>;

export type RouteName = keyof typeof ROUTES;
/** Names in braces in a path. */
type Named<P extends string> = P extends `${string}{${infer N}}${infer Rest}`
  ? N | Named<Rest>
  : never;
export type ParamsOf<R extends RouteName> = {
  readonly [N in Named<(typeof ROUTES)[R]['path']>]: string | number;
};

/**
 * Path of a route below /api/v1, its parameters and its query filled in.
 * @example pathOf('revision', { id: 'brumal-pc36', revision: 2 }) // '/sheets/brumal-pc36/revisions/2'
 */
export function pathOf<R extends RouteName>(
  route: R,
  params: ParamsOf<R>,
  query: Readonly<Record<string, string | number | undefined>> = {},
): string {
  const given: Readonly<Record<string, string | number>> = params;
  const path = ROUTES[route].path.replace(/\{(\w+)\}/g, (_, name: string) =>
    encodeURIComponent(String(given[name])),
  );
  const asked = new URLSearchParams();
  for (const [name, value] of Object.entries(query))
    if (value !== undefined) asked.set(name, String(value));
  return asked.size === 0 ? path : `${path}?${asked.toString()}`;
}

/** Visits that Today asks for before more are wanted. */
export const OPEN_AT_ONCE = 60;
