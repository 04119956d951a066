/**
 * What each route of the API takes and gives, under its name in `routes.ts`. The OpenAPI document, the
 * contract test and the check of answers are made of this; so are the types of the page's client.
 */
import { Type, type Static, type TObject, type TSchema } from '@sinclair/typebox';
import { dictionarySchema } from '../bench/machine/dictionary';
import { meterProfileSchema } from '../meter/profile';
import { jobFileSchema } from './job-file';
import { adoptInput, learntSchema, patternsSchema, rightSchema } from './learn';
import {
  foundSchema,
  recordsQuery,
  recordsSchema,
  reportLinkInput,
  reportLinkMadeSchema,
  reportLinkSchema,
  sharedInput,
  sharedReportSchema,
  siteYearsSchema,
  yearsSchema,
} from './memory';
import { reportSchema } from '../report/report-schema';
import { sheetSchema, type WrittenSheet } from '../sheet/schema';
import {
  auditSchema,
  backupSchema,
  ceremonySchema,
  decideProposalInput,
  demoSignInInput,
  deviceSchema,
  erasedSchema,
  importedAllSchema,
  joinedSchema,
  keepingSchema,
  linkLookInput,
  linkSchema,
  linkSeenSchema,
  linkUseInput,
  passkeyKeepInput,
  passkeySchema,
  passkeySignInInput,
  passwordInput,
  personEdit,
  personInput,
  personKeptSchema,
  personSchema,
  proposalSchema,
  sessionSchema,
  signInInput,
} from './people';
import {
  customerEdit,
  gaveSheetSchema,
  giveSheetInput,
  importedSchema,
  importInput,
  mergeInput,
  placeSchema,
  pinsFoundSchema,
  sheetUnitsSchema,
  substituteSchema,
  siteEdit,
  unitEdit,
} from './places';
import {
  appendedSchema,
  attachInput,
  customerInput,
  customerSchema,
  entriesInput,
  entriesSchema,
  handOverInput,
  jobInput,
  jobListItemSchema,
  jobSchema,
  keptPricesSchema,
  planInput,
  priceListInput,
  revisionSchema,
  savedSheetSchema,
  sheetListItemSchema,
  shopPricesSchema,
  shopSchema,
  siteInput,
  siteSchema,
  unitFoundSchema,
  unitInput,
  unitResourceSchema,
  unitWithVisitsSchema,
} from './resources';
import { priceRowSchema } from '../shop/price-row';
import type { RouteName } from './routes';

export interface Operation {
  /** What it does, in one line. */
  readonly summary: string;
  readonly description?: string;
  /** Questions beside the path. */
  readonly query?: TObject;
  /** What is sent: JSON, or a file of one of these types. */
  readonly body?: TSchema | { readonly files: readonly string[] };
  /** Status and shape of what comes back; nothing comes with 204. */
  readonly answers: Readonly<
    Record<number, TSchema | { readonly files: readonly string[] } | null>
  >;
  /** It answers in pages: `limit` and `after` may be asked, the next page stands in the `Link` header. */
  readonly paged?: true;
}

const Words = Type.String({ maxLength: 200 });
const PICTURES = ['image/jpeg', 'image/png', 'image/webp'] as const;
const list = <S extends TSchema>(schema: S) => Type.Array(schema);
const aSheet = Type.Unsafe<WrittenSheet>(sheetSchema);

const broughtSchema = Type.Object({ id: Type.String(), known: Type.Boolean() });

export const OPERATIONS = {
  health: {
    summary: 'Alive: the server answers',
    answers: { 200: Type.Object({ status: Type.Literal('ok') }) },
  },
  ready: {
    summary: 'Ready: it reaches its database and can store',
    answers: { 200: Type.Object({ status: Type.Literal('ok') }) },
  },
  session: { summary: 'Who is signed in on this device', answers: { 200: sessionSchema } },
  signIn: {
    summary: 'Sign in with a password',
    description:
      'Wrong ones are answered later each time, and after some not at all for a while (429 with `Retry-After`).',
    body: signInInput,
    answers: { 200: sessionSchema },
  },
  signOut: { summary: 'Sign out on this device', answers: { 204: null } },
  signInDemo: {
    summary: 'Sign in as one of the demo’s made-up people; on loopback alone',
    body: demoSignInInput,
    answers: { 200: sessionSchema },
  },
  passkeyAsk: { summary: 'Begin to sign in with a passkey', answers: { 200: ceremonySchema } },
  passkeySignIn: {
    summary: 'Sign in with a passkey',
    body: passkeySignInInput,
    answers: { 200: sessionSchema },
  },
  lookAtLink: {
    summary: 'What a link is for',
    body: linkLookInput,
    answers: { 200: linkSeenSchema },
  },
  useLink: {
    summary: 'Come in by a link, with a new password; once',
    body: linkUseInput,
    answers: { 200: sessionSchema },
  },
  setPassword: { summary: 'Change one’s password', body: passwordInput, answers: { 204: null } },
  passkeys: { summary: 'One’s passkeys', answers: { 200: list(passkeySchema) } },
  newPasskey: { summary: 'Begin to make a passkey', answers: { 200: ceremonySchema } },
  keepPasskey: {
    summary: 'Keep a passkey',
    body: passkeyKeepInput,
    answers: { 201: passkeySchema },
  },
  dropPasskey: { summary: 'Put a passkey away', answers: { 204: null } },
  devices: { summary: 'Devices that one is signed in on', answers: { 200: list(deviceSchema) } },
  endDevice: { summary: 'Sign a device out', answers: { 204: null } },
  people: {
    summary: 'People of the shop',
    description: 'An owner sees how each signs in as well.',
    answers: { 200: list(Type.Union([personKeptSchema, personSchema])) },
  },
  addPerson: {
    summary: 'Somebody new, with a link that lets them in once',
    body: personInput,
    answers: { 201: joinedSchema },
  },
  editPerson: {
    summary: 'Change somebody’s name, roles or licences',
    body: personEdit,
    answers: { 200: personKeptSchema },
  },
  removePerson: {
    summary: 'Somebody does not belong any more: their devices are signed out, their entries stay',
    answers: { 204: null },
  },
  personDevices: {
    summary: 'Devices that somebody is signed in on',
    answers: { 200: list(deviceSchema) },
  },
  linkForPerson: {
    summary: 'A link for somebody who lost their way in; all their devices are signed out',
    answers: { 201: linkSchema },
  },
  audit: {
    summary: 'Who did what, the latest first',
    paged: true,
    answers: { 200: list(auditSchema) },
  },
  keeping: { summary: 'How the shop’s data is kept', answers: { 200: keepingSchema } },
  backUp: { summary: 'Make a backup now', answers: { 201: backupSchema } },
  exportAll: {
    summary: 'Everything as open files: JSON lines, CSV and pictures in a tar archive',
    answers: { 200: { files: ['application/x-tar'] } },
  },
  importAll: {
    summary: 'Bring an export into an empty shop: whole, or not at all',
    body: { files: ['application/x-tar'] },
    answers: { 200: importedAllSchema },
  },
  shop: { summary: 'The shop, and the meter in hand', answers: { 200: shopSchema } },
  setPrices: {
    summary: 'What work and waiting cost in this shop',
    body: shopPricesSchema,
    answers: { 200: shopPricesSchema },
  },
  priceList: {
    summary: 'The shop’s price list by number',
    description: 'With `q` those whose number or name has every word.',
    query: Type.Object({ q: Type.Optional(Words) }),
    paged: true,
    answers: { 200: list(priceRowSchema) },
  },
  setPriceList: {
    summary: 'Bring in a price list: rows by their numbers, or the whole of it',
    body: priceListInput,
    answers: { 200: keptPricesSchema },
  },
  customers: { summary: 'Customers by name', paged: true, answers: { 200: list(customerSchema) } },
  addCustomer: {
    summary: 'A new customer',
    body: customerInput,
    answers: { 201: customerSchema },
  },
  customer: { summary: 'One customer', answers: { 200: customerSchema } },
  editCustomer: {
    summary: 'Change a customer',
    body: customerEdit,
    answers: { 200: customerSchema },
  },
  eraseCustomer: {
    summary: 'Erase who a customer is: names go, measurements stay',
    description: 'Refused while one of their visits is open.',
    answers: { 200: erasedSchema },
  },
  mergeCustomer: {
    summary: 'Merge a double into a customer',
    description: 'The double’s sites go over; its id leads here from then on.',
    body: mergeInput,
    answers: { 200: customerSchema },
  },
  sites: {
    summary: 'Sites by name',
    query: Type.Object({ customer: Type.Optional(Words) }),
    paged: true,
    answers: { 200: list(siteSchema) },
  },
  addSite: { summary: 'A new site', body: siteInput, answers: { 201: siteSchema } },
  site: { summary: 'One site', answers: { 200: siteSchema } },
  editSite: { summary: 'Change a site', body: siteEdit, answers: { 200: siteSchema } },
  mergeSite: {
    summary: 'Merge a double into a site',
    description: 'The double’s units go over; its id leads here from then on.',
    body: mergeInput,
    answers: { 200: siteSchema },
  },
  units: {
    summary: 'Units by label, or those that some words fit',
    description:
      'With `q` every word must begin a word of the unit’s label, model, serial or place.',
    query: Type.Object({ site: Type.Optional(Words), q: Type.Optional(Words) }),
    paged: true,
    answers: { 200: list(Type.Union([unitFoundSchema, unitResourceSchema])) },
  },
  addUnit: { summary: 'A new unit', body: unitInput, answers: { 201: unitResourceSchema } },
  unit: {
    summary: 'One unit with its visits, the latest first',
    paged: true,
    answers: { 200: unitWithVisitsSchema },
  },
  editUnit: { summary: 'Change a unit', body: unitEdit, answers: { 200: unitResourceSchema } },
  mergeUnit: {
    summary: 'Merge a double into a unit',
    description: 'The double’s visits go over; its id leads here from then on.',
    body: mergeInput,
    answers: { 200: unitResourceSchema },
  },
  places: {
    summary: 'Customers with their sites and units, by name',
    description: 'With `q` those where every word begins one of the customer, a site or a unit.',
    query: Type.Object({ q: Type.Optional(Words), customer: Type.Optional(Words) }),
    paged: true,
    answers: { 200: list(placeSchema) },
  },
  importPlaces: {
    summary: 'Bring in a list of customers and units',
    description:
      'All of it or nothing. What is there already, by its names or its serial number, is left as it is.',
    body: importInput,
    answers: { 201: importedSchema },
  },
  meters: { summary: 'The shop’s meters', answers: { 200: list(meterProfileSchema) } },
  keepMeter: {
    summary: 'Keep a meter under its id',
    body: meterProfileSchema,
    answers: { 200: meterProfileSchema },
  },
  dropMeter: { summary: 'Put a meter away', answers: { 204: null } },
  takeMeter: { summary: 'Take a meter in hand', answers: { 204: null } },
  keepPhoto: {
    summary: 'Keep a picture under the SHA-256 of its bytes',
    body: { files: PICTURES },
    answers: { 204: null },
  },
  photo: { summary: 'A picture', answers: { 200: { files: PICTURES } } },
  sheets: {
    summary: 'The newest revision of every sheet, in short',
    paged: true,
    answers: { 200: list(sheetListItemSchema) },
  },
  saveSheet: {
    summary: 'Save a sheet as a new revision',
    description: 'The same document again is answered with 200 and stored once.',
    body: aSheet,
    answers: { 201: savedSheetSchema, 200: savedSheetSchema },
  },
  sheet: { summary: 'The newest revision of a sheet', answers: { 200: aSheet } },
  sheetUnits: {
    summary: 'Units that a sheet covers by maker and model, and do not have it',
    answers: { 200: sheetUnitsSchema },
  },
  substitutes: {
    summary:
      'Parts held against one of the sheet’s that were not the maker’s own, and how they fared',
    query: Type.Object({ part: Words }),
    answers: { 200: list(substituteSchema) },
  },
  sheetPins: {
    summary: 'Pins that visits found elsewhere than the sheet has them, the newest first',
    answers: { 200: list(pinsFoundSchema) },
  },
  giveSheet: {
    summary: 'Give a sheet to units, and to their open visits that have none',
    body: giveSheetInput,
    answers: { 200: gaveSheetSchema },
  },
  revisions: {
    summary: 'Revisions of a sheet, the newest first',
    paged: true,
    answers: { 200: list(revisionSchema) },
  },
  revision: { summary: 'One revision of a sheet', answers: { 200: aSheet } },
  dictionary: {
    summary: 'What each fault makes every test read, where it was computed',
    answers: {
      200: Type.Object({
        dictionary: Type.Union([dictionarySchema, Type.Null()]),
        madeAt: Type.Union([Type.String(), Type.Null()]),
      }),
    },
  },
  keepDictionary: {
    summary: 'Keep a dictionary for a revision',
    body: dictionarySchema,
    answers: { 204: null },
  },
  proposals: {
    summary: 'Sheets that were proposed, those that wait first',
    answers: { 200: list(proposalSchema) },
  },
  propose: {
    summary: 'Propose a sheet, for a lead to take or decline',
    query: Type.Object({ note: Type.Optional(Type.String({ maxLength: 1000 })) }),
    body: aSheet,
    answers: { 201: proposalSchema },
  },
  proposal: {
    summary: 'A proposal with its sheet',
    answers: { 200: Type.Object({ proposal: proposalSchema, sheet: aSheet }) },
  },
  decideProposal: {
    summary: 'Take a proposal as the next revision, or decline it with a reason',
    body: decideProposalInput,
    answers: { 200: proposalSchema },
  },
  learnt: {
    summary:
      'What proven jobs say of a sheet: its odds, its tests, its limits, and how parts fared',
    answers: { 200: learntSchema },
  },
  adoptOdds: {
    summary: 'Adopt what was learnt as this sheet’s odds from now on, or the sheet’s own again',
    description:
      'A revision of the odds, not of the sheet: jobs that are open keep those they began with. Refused with 409 where another job was proven meanwhile.',
    body: adoptInput,
    answers: { 201: learntSchema },
  },
  modelYears: { summary: 'Visits to all units of a sheet', answers: { 200: yearsSchema } },
  unitYears: {
    summary: 'A unit over the years: visits, readings against their limits, parts',
    answers: { 200: yearsSchema },
  },
  siteYears: { summary: 'A site over the years', answers: { 200: siteYearsSchema } },
  find: {
    summary: 'Jobs and units by any of their words, with a typing mistake or two',
    query: Type.Object({ q: Type.String() }),
    answers: { 200: foundSchema },
  },
  records: {
    summary: 'A table of records, filtered and sorted',
    query: recordsQuery,
    answers: { 200: recordsSchema },
  },
  recordsCsv: {
    summary: 'The whole of such a table as CSV',
    query: recordsQuery,
    answers: { 200: { files: ['text/csv'] } },
  },
  patterns: {
    summary: 'Failures that come together more often than chance explains',
    answers: { 200: patternsSchema },
  },
  right: {
    summary: 'How right what was said turned out to be',
    answers: { 200: rightSchema },
  },
  reportLinks: {
    summary: 'Links to a report, the newest first',
    answers: { 200: list(reportLinkSchema) },
  },
  makeReportLink: {
    summary: 'A link that shows a signed report to whoever has it',
    body: reportLinkInput,
    answers: { 201: reportLinkMadeSchema },
  },
  endReportLink: { summary: 'A link opens nothing any more', answers: { 204: null } },
  sharedReport: {
    summary: 'The report behind a link',
    body: sharedInput,
    answers: { 200: sharedReportSchema },
  },
  jobs: {
    summary: 'Jobs: begun ones first, then as they are due',
    description: 'With `from` and `to`, moments in UTC: the visits between, by their hour.',
    query: Type.Object({
      status: Type.Optional(Type.Union([Type.Literal('open'), Type.Literal('signed')])),
      unit: Type.Optional(Words),
      /** Those after which something is to come, the earliest first. */
      ahead: Type.Optional(Type.Literal('open')),
      from: Type.Optional(Words),
      to: Type.Optional(Words),
    }),
    paged: true,
    answers: { 200: list(jobListItemSchema) },
  },
  openJob: { summary: 'Open a job', body: jobInput, answers: { 201: jobSchema } },
  job: { summary: 'One job with its frozen sheet', answers: { 200: jobSchema } },
  planJob: {
    summary: 'Move a visit to another day or hour, or say that somebody waits',
    body: planInput,
    answers: { 200: jobListItemSchema },
  },
  handOver: {
    summary: 'Hand a visit to another technician, with what it still owes',
    body: handOverInput,
    answers: { 200: jobListItemSchema },
  },
  attachSheet: {
    summary: 'Give a job its sheet, where it was opened without one',
    body: attachInput,
    answers: { 200: jobSchema },
  },
  importJob: {
    summary: 'Bring in a job from a file: whole, or not at all',
    description:
      'Its pictures are kept by their own route. A job that is there already gets the entries that it lacks.',
    body: jobFileSchema,
    answers: { 201: broughtSchema, 200: broughtSchema },
  },
  report: { summary: 'The service report as data', answers: { 200: reportSchema } },
  entries: {
    summary: 'The log of a job, a part at a time',
    description: 'Ask again after the last one that came, until it is `last`.',
    query: Type.Object({ after: Type.Optional(Type.Integer({ minimum: 0 })) }),
    answers: { 200: entriesSchema },
  },
  append: {
    summary: 'Append entries to the log of a job',
    description:
      'All of them or none, in their order. An entry that is there already is answered with its number.',
    body: entriesInput,
    answers: { 200: appendedSchema },
  },
} as const satisfies Record<RouteName, Operation>;

type Operations = typeof OPERATIONS;
type Schemas<T> = T extends TSchema ? T : never;

/** What a route answers when all is well; undefined where nothing comes back. */
export type AnswerOf<R extends RouteName> = [
  Schemas<Operations[R]['answers'][keyof Operations[R]['answers']]>,
] extends [never]
  ? undefined
  : Static<Schemas<Operations[R]['answers'][keyof Operations[R]['answers']]>>;

export type BodyFor<R extends RouteName> = Operations[R] extends { readonly body: infer B }
  ? B extends TSchema
    ? Static<B>
    : Blob
  : undefined;

export type QueryOf<R extends RouteName> = (Operations[R] extends {
  readonly query: infer Q extends TSchema;
}
  ? Static<Q>
  : object) &
  (Operations[R] extends { readonly paged: true }
    ? { readonly limit?: number; readonly after?: string }
    : object);
