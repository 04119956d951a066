/**
 * The job log: an append-only list of entries, each with a client-made UUIDv7. Nothing is edited in
 * place; a wrong entry is withdrawn by a later one and stays visible.
 */
import { Type, type Static, type TSchema } from '@sinclair/typebox';
import { SOURCES } from '../conditions/sources';
import { meterFunctionSchema } from '../meter/functions';
import { meterProfileSchema } from '../meter/profile';
import { words } from '../schema-words';

const Id = Type.String({ minLength: 1, maxLength: 80 });
const Note = Type.String({ maxLength: 4000 });
const Said = Type.String({ minLength: 1, maxLength: 4000 });
const Person = Type.String({ minLength: 1, maxLength: 120 });
const Uuid = Type.String({
  pattern: '^[0-9a-f]{8}-[0-9a-f]{4}-[1-9a-f][0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$',
  description: 'UUID, lower case',
});

/** As indicated: SI base unit of the meter function, before any lead zero. */
export const readingSchema = Type.Union([
  Type.Object(
    { kind: Type.Literal('value'), value: Type.Number({ minimum: -1e15, maximum: 1e15 }) },
    { additionalProperties: false },
  ),
  Type.Object({ kind: Type.Literal('overload') }, { additionalProperties: false }),
]);

const strict = <T extends Record<string, TSchema>>(properties: T) =>
  Type.Object(properties, { additionalProperties: false });

/** How many figures one series may hold. */
export const MOST_SAMPLES = 5000;

/** How contact was proven where nothing was found (the leads, the metal, the other end). */
export const CONTACT_PROOFS = [
  'leads-touched',
  'scraped-to-metal',
  'second-point',
  'known-source',
] as const;
export type ContactProof = (typeof CONTACT_PROOFS)[number];

/** How a visit may end its search: a part, or one of three honest endings. */
export const DECISIONS = ['replace', 'hand-over', 'cannot-make-safe', 'stop-and-call'] as const;
export type DecisionAction = (typeof DECISIONS)[number];

/** Steps of proving a machine dead. */
export const SAFE_STEPS = ['isolated', 'meter', 'pair'] as const;
/** Those of logs from before every pair was proven with its figures: they prove nothing any more. */
export const OLD_SAFE_STEPS = ['meter-proved', 'bus', 'meter-reproved'] as const;
export type SafeStep = (typeof SAFE_STEPS)[number];

/** The body of each kind of entry. */
export const entryBodies = {
  /** The job begins; the meter in hand is frozen into it. */
  opened: strict({ complaint: Note, meter: Type.Union([meterProfileSchema, Type.Null()]) }),
  /** Data plate read on site. */
  arrived: strict({
    plate: Type.Union([Type.Literal('matches'), Type.Literal('differs')]),
    note: Note,
  }),
  /** Something seen, heard or told, in words. */
  observed: strict({ text: Said }),
  /** What the display shows; null when it shows no code. */
  code: strict({ shown: Type.Union([Type.String({ minLength: 1, maxLength: 40 }), Type.Null()]) }),
  /** Access gained: a lid off, a plug out; or put back again. */
  access: strict({ access: Id, back: Type.Optional(Type.Literal(true)) }),
  /** Whether the people here hold the licences that the unit asks for. */
  licence: strict({ held: Type.Boolean(), who: Type.String({ maxLength: 120 }) }),
  safed: strict({
    step: words([...SAFE_STEPS, ...OLD_SAFE_STEPS]),
    /** Which pair of the sheet was measured. */
    pair: Type.Optional(Type.String({ minLength: 1, maxLength: 400 })),
    /** Where the dial stood. */
    function: Type.Optional(words(['V~', 'V='])),
    /** What the meter was held to. */
    source: Type.Optional(
      strict({
        kind: words(SOURCES),
        volts: Type.Optional(
          Type.Number({ minimum: 10, maximum: 1500, description: 'Mark of a proving unit.' }),
        ),
      }),
    ),
    reading: Type.Optional(readingSchema),
    typed: Type.Optional(Type.String({ maxLength: 60 })),
    /** The figure came off a connected meter, not off the keys. */
    live: Type.Optional(Type.Literal(true)),
  }),
  /** A connected meter showed volts on a machine taken for dead. */
  'volts-seen': strict({
    function: words(['V~', 'V=']),
    reading: readingSchema,
    red: Type.Optional(Type.String({ minLength: 1, maxLength: 170 })),
    black: Type.Optional(Type.String({ minLength: 1, maxLength: 170 })),
  }),
  /** Supply on, or live work begun, with the precautions acknowledged. */
  energised: strict({
    precautions: Type.Literal(true),
    /** Who stands in reach and can switch off, where the sheet asks for somebody. */
    second: Type.Optional(Person),
  }),
  /** A test mode or an attempt begun: its time runs from here. */
  window: strict({ state: Id }),
  /** The chamber purged after its attempts. */
  purged: strict({ state: Id }),
  /** A clock started: it ends so many seconds after the entry. */
  clock: strict({
    name: Type.String({ minLength: 1, maxLength: 80 }),
    seconds: Type.Number({ exclusiveMinimum: 0, maximum: 604_800 }),
    /** What to do while it runs. */
    meanwhile: Type.String({ maxLength: 400 }),
  }),
  /** A clock answered after its end, or stopped before it. */
  'clock-stopped': strict({ clock: Uuid }),
  /** The device's own clock was set: later times are so much later than they would have been. */
  'clock-set': strict({ seconds: Type.Number({ minimum: -1e9, maximum: 1e9 }) }),
  /** What the leads showed when shorted together. */
  lead: strict({
    value: Type.Number({ minimum: 0, maximum: 10 }),
    half: Type.Number({ minimum: 0, maximum: 1 }),
  }),
  reading: strict({
    test: Id,
    point: Id,
    function: meterFunctionSchema,
    reading: readingSchema,
    typed: Type.String({ maxLength: 60 }),
    /** Contact was proven: leads touched, scraped to metal, a second point, a known source. */
    contact: Type.Optional(Type.Literal(true)),
  }),
  /** Readings of one point over time. */
  series: strict({
    test: Id,
    point: Id,
    function: meterFunctionSchema,
    samples: Type.Array(
      strict({
        t: Type.Number({ minimum: 0, maximum: 1e6 }),
        value: Type.Number({ minimum: -1e15, maximum: 1e15 }),
        driver: Type.Optional(Type.Number({ minimum: -1e9, maximum: 1e9 })),
      }),
      { minItems: 1, maxItems: MOST_SAMPLES },
    ),
    /** Seconds at which the event of the rule was marked. */
    event: Type.Optional(Type.Number({ minimum: 0, maximum: 1e6 })),
  }),
  /** A figure that limits hang on: off this unit's label, by a reference instrument. SI, °C. */
  given: strict({
    test: Id,
    value: Type.Number({ minimum: -1e12, maximum: 1e12 }),
    typed: Type.String({ maxLength: 60 }),
  }),
  /** Another meter taken in hand. */
  meter: strict({ meter: meterProfileSchema }),
  answer: strict({ test: Id, answer: Type.String({ minLength: 1, maxLength: 120 }) }),
  skipped: strict({ test: Id, point: Type.Optional(Id), reason: Note }),
  /** Proven contact, added to a reading that found nothing. */
  contact: strict({ entry: Uuid, how: words(CONTACT_PROOFS) }),
  /** A reading or answer declared void by the technician: neither pass nor fail. */
  voided: strict({ entry: Uuid, reason: Said }),
  /** A reading judged otherwise than its limits do: accepted though out, or condemned though in. */
  overruled: strict({ entry: Uuid, as: words(['good', 'bad']), reason: Said }),
  /** A picture, kept by its hash; on a place of a board where it belongs to one. */
  photo: strict({
    hash: Type.String({ pattern: '^[0-9a-f]{64}$', description: 'SHA-256 of the file' }),
    width: Type.Integer({ minimum: 1, maximum: 20_000 }),
    height: Type.Integer({ minimum: 1, maximum: 20_000 }),
    bytes: Type.Integer({ minimum: 1, maximum: 2_000_000 }),
    caption: Type.String({ maxLength: 400 }),
    /** A pin or point of the sheet. */
    place: Type.Optional(Type.String({ minLength: 1, maxLength: 170 })),
    /** Or a spot on a board, millimetres. */
    spot: Type.Optional(strict({ board: Id, at: Type.Tuple([Type.Number(), Type.Number()]) })),
    test: Type.Optional(Id),
  }),
  decision: strict({
    action: words(DECISIONS),
    part: Type.Union([Id, Type.Null()]),
    /** The part that led when the technician decided. */
    leading: Type.Union([Id, Type.Null()]),
    /** Probability then of the part chosen. */
    probability: Type.Number({ minimum: 0, maximum: 1 }),
    reason: Note,
  }),
  /** A part put in; the machine is whole again, or so it is hoped. */
  fitted: strict({ part: Id, note: Type.String({ maxLength: 400 }) }),
  signed: strict({
    technician: Person,
    customer: Type.String({ maxLength: 120 }),
    note: Note,
    /** How the machine was left, as it was said before signing; absent in logs from before it was. */
    left: Type.Optional(
      strict({
        energy: words(['live', 'not-proven', 'dead']),
        note: Note,
        open: Type.Array(strict({ access: Id, reason: Said }), { maxItems: 200 }),
      }),
    ),
  }),
  withdrawn: strict({ entry: Uuid, reason: Note }),
} as const;

export type EntryKind = keyof typeof entryBodies;
export const ENTRY_KINDS = Object.keys(entryBodies) as EntryKind[];
export type BodyOf<K extends EntryKind> = Static<(typeof entryBodies)[K]>;

export const entryEnvelope = Type.Object(
  {
    id: Uuid,
    kind: Type.Union(ENTRY_KINDS.map((kind) => Type.Literal(kind))),
    at: Type.String({
      pattern: '^\\d{4}-\\d\\d-\\d\\dT\\d\\d:\\d\\d:\\d\\d\\.\\d{3}Z$',
      description: 'Device time, ISO 8601 in UTC with milliseconds',
    }),
    author: Person,
    /** The browser or program that wrote it. */
    device: Type.Optional(Type.String({ minLength: 1, maxLength: 40 })),
    /** Highest number of this job's log that the device had then: what it had not seen, it crossed. */
    seen: Type.Optional(Type.Integer({ minimum: 0, maximum: 2_147_483_647 })),
    body: Type.Object({}),
  },
  { $id: 'entry', additionalProperties: false },
);

export type EntryOf<K extends EntryKind> = {
  readonly id: string;
  readonly kind: K;
  /** Device time, ISO 8601, UTC. */
  readonly at: string;
  readonly author: string;
  /** The browser or program that wrote it; absent in logs from before devices had names. */
  readonly device?: string;
  /** Highest number of this log that the device had when it wrote it. */
  readonly seen?: number;
  readonly body: BodyOf<K>;
};
/** An entry as a device writes it. */
export type LogEntry = { [K in EntryKind]: EntryOf<K> }[EntryKind];
/** An entry as the log keeps it; `seq` counts per job from 1 and is absent until the server has it. */
export type StoredEntry = LogEntry & {
  readonly seq?: number;
  /** Milliseconds from the device's time to the server's, measured at sending; 0 where absent. */
  readonly offset?: number;
};
