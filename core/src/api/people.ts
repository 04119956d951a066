/** People, sign-in, devices, proposals and keeping, as the API has them. */
import { Type, type Static, type TSchema } from '@sinclair/typebox';
import { ROLES } from '../people/roles';
import { Uuid } from '../job/log/words';

const Text = Type.String();
const Moment = Type.String();
const Count = Type.Integer({ minimum: 0 });
const closed = { additionalProperties: false } as const;
const orNull = <S extends TSchema>(schema: S) => Type.Union([schema, Type.Null()]);

/** As it stands under entries and on reports. */
const PersonName = Type.String({ minLength: 1, maxLength: 120, pattern: '\\S' });
const Login = Type.String({ minLength: 2, maxLength: 80, pattern: '^\\S+$' });
/** Long rather than odd (ASVS 6.2): nothing is asked of its letters. */
export const SHORTEST_PASSWORD = 12;
const Password = Type.String({ minLength: SHORTEST_PASSWORD, maxLength: 200 });
const DeviceName = Type.String({ minLength: 1, maxLength: 120 });
const licenceHeldSchema = Type.Object(
  {
    name: Type.String({ minLength: 1, maxLength: 120 }),
    /** Last day, `2027-03-31`; null for one that does not end. */
    until: Type.Union([Type.String({ pattern: '^\\d{4}-\\d{2}-\\d{2}$' }), Type.Null()]),
  },
  closed,
);
const Roles = Type.Array(Type.Union(ROLES.map((role) => Type.Literal(role))), {
  minItems: 1,
  maxItems: 4,
  uniqueItems: true,
});
const Licences = Type.Array(licenceHeldSchema, { maxItems: 30 });
const Token = Type.String({ minLength: 20, maxLength: 100 });

export const personSchema = Type.Object(
  {
    id: Text,
    name: Text,
    roles: Roles,
    licences: Licences,
    /** Names that entries of this person may still carry. */
    formerly: Type.Array(Text),
    /** Since when they do not belong any more. */
    removedAt: orNull(Moment),
  },
  { $id: 'person' },
);
/** A person as an owner sees them. */
export const personKeptSchema = Type.Object(
  {
    ...personSchema.properties,
    login: orNull(Text),
    /** Of the demo: comes in by one press, on that machine alone. */
    madeUp: Type.Boolean(),
    hasPassword: Type.Boolean(),
    passkeys: Count,
    /** Devices that are signed in. */
    devices: Count,
    seenAt: orNull(Moment),
  },
  { $id: 'person-kept' },
);

export const sessionSchema = Type.Object(
  {
    /** Who is signed in on this device; null for nobody. */
    person: orNull(personSchema),
    /** Whether there is a password to change. */
    hasPassword: Type.Boolean(),
    /** Made-up people who sign in by one press; none beyond loopback. */
    demo: Type.Array(Type.Object({ id: Text, name: Text, roles: Roles })),
    /** Nobody belongs to the shop yet: its owner is made by the link that the server printed. */
    ownerWanted: Type.Boolean(),
    /** Whether this address may hold passkeys: a name, over a secure connection. */
    passkeys: Type.Boolean(),
  },
  { $id: 'session' },
);

export const signInInput = Type.Object(
  {
    login: Type.String({ maxLength: 80 }),
    password: Type.String({ maxLength: 200 }),
    device: DeviceName,
  },
  closed,
);
export const demoSignInInput = Type.Object({ person: Text, device: DeviceName }, closed);
/** What the browser's authenticator takes and gives, as WebAuthn writes it. */
const Ceremony = Type.Unsafe<Record<string, unknown>>(
  Type.Object({}, { additionalProperties: true }),
);
export const ceremonySchema = Type.Object({ id: Text, options: Ceremony });
export const passkeySignInInput = Type.Object(
  { id: Uuid, response: Ceremony, device: DeviceName },
  closed,
);
export const passkeyKeepInput = Type.Object(
  { id: Uuid, response: Ceremony, name: DeviceName },
  closed,
);
export const passkeySchema = Type.Object({
  id: Text,
  name: Text,
  madeAt: Moment,
  usedAt: orNull(Moment),
});
export const linkLookInput = Type.Object({ token: Token }, closed);
export const linkSeenSchema = Type.Object({
  /** `owner` makes the first person, `joins` and `recovers` give an existing one a new password. */
  kind: Type.Union([Type.Literal('owner'), Type.Literal('joins'), Type.Literal('recovers')]),
  name: Text,
  login: Text,
  until: Moment,
});
export const linkUseInput = Type.Object(
  {
    token: Token,
    name: Type.Optional(PersonName),
    login: Login,
    password: Password,
    device: DeviceName,
  },
  closed,
);
export const passwordInput = Type.Object(
  { old: Type.String({ maxLength: 200 }), password: Password },
  closed,
);

export const deviceSchema = Type.Object({
  id: Text,
  name: Text,
  signedInAt: Moment,
  seenAt: Moment,
  until: Moment,
  /** Whether it is the one that asks. */
  here: Type.Boolean(),
});

export const personInput = Type.Object(
  { name: PersonName, roles: Roles, licences: Type.Optional(Licences) },
  closed,
);
export const personEdit = Type.Object(
  {
    name: Type.Optional(PersonName),
    roles: Type.Optional(Roles),
    licences: Type.Optional(Licences),
  },
  { ...closed, minProperties: 1 },
);
/** A link that lets somebody in once: told to the owner alone, who hands it on. */
export const linkSchema = Type.Object({ path: Text, until: Moment });
export const joinedSchema = Type.Object({ person: personKeptSchema, link: linkSchema });

export const auditSchema = Type.Object({
  at: Moment,
  /** Who did it; the shop itself where nobody was signed in. */
  who: Text,
  what: Text,
  /** What it was about, in figures and ids; never what customers are called. */
  about: Type.Record(Type.String(), Type.Union([Text, Type.Number(), Type.Boolean(), Type.Null()])),
});

const State = Type.Union([
  Type.Literal('waiting'),
  Type.Literal('taken'),
  Type.Literal('declined'),
]);
export const proposalSchema = Type.Object(
  {
    id: Text,
    sheetId: Text,
    title: Text,
    /** Revision that it would become. */
    revision: Count,
    author: Text,
    at: Moment,
    note: Text,
    state: State,
    decidedBy: orNull(Text),
    reason: Text,
  },
  { $id: 'proposal' },
);
export const decideProposalInput = Type.Object(
  { take: Type.Boolean(), reason: Type.String({ maxLength: 1000 }) },
  closed,
);

export const backupSchema = Type.Object({
  file: Text,
  at: Moment,
  bytes: Count,
  /** Whether it was read again after it was written, and every checksum agreed. */
  whole: Type.Boolean(),
});
export const keepingSchema = Type.Object(
  {
    /** The newest first; kept beside the database. */
    backups: Type.Array(backupSchema),
    /** When the next one is made by itself; null where it is not. */
    nextAt: orNull(Moment),
    trouble: orNull(Text),
    counts: Type.Object({ jobs: Count, entries: Count, photos: Count, photoBytes: Count }),
    /** The authority that phones must trust; null where the certificate is another's. */
    trust: orNull(Type.Object({ path: Text, fingerprint: Text })),
  },
  { $id: 'keeping' },
);
export const importedAllSchema = Type.Object({ rows: Count, photos: Count });
export const erasedSchema = Type.Object({ sites: Count, units: Count, visits: Count });

export type PersonResource = Readonly<Static<typeof personSchema>>;
export type PersonKept = Readonly<Static<typeof personKeptSchema>>;
export type SessionResource = Readonly<Static<typeof sessionSchema>>;
export type PasskeyResource = Readonly<Static<typeof passkeySchema>>;
export type DeviceResource = Readonly<Static<typeof deviceSchema>>;
export type AuditResource = Readonly<Static<typeof auditSchema>>;
export type ProposalResource = Readonly<Static<typeof proposalSchema>>;
export type KeepingResource = Readonly<Static<typeof keepingSchema>>;
export type BackupResource = Readonly<Static<typeof backupSchema>>;
export type LinkResource = Readonly<Static<typeof linkSchema>>;
