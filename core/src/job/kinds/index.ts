/** Every kind of entry. What else is said of kinds as a whole is derived from this list. */
import type { Static } from '@sinclair/typebox';
import type { Numbering, WrittenEntry } from '../log/entry';
import { access } from './access';
import { accepted } from './accepted';
import { answer } from './answer';
import { arrived } from './arrived';
import { asked } from './asked';
import { clock } from './clock';
import { clockSet } from './clock-set';
import { clockStopped } from './clock-stopped';
import { code } from './code';
import { contact } from './contact';
import { contradiction } from './contradiction';
import { decided } from './decided';
import { decision } from './decision';
import { energised } from './energised';
import { fitted } from './fitted';
import { followUp } from './follow-up';
import { countersigned } from './countersigned';
import { followedUp } from './followed-up';
import { found } from './found';
import { given } from './given';
import { handed } from './handed';
import { history } from './history';
import type { AnyKind } from './kind';
import { lead } from './lead';
import { licence } from './licence';
import { looked } from './looked';
import { matched } from './matched';
import { meter } from './meter';
import { observed } from './observed';
import { opened } from './opened';
import { overruled } from './overruled';
import { photo } from './photo';
import { pins } from './pins';
import { purged } from './purged';
import { reading } from './reading';
import { safed } from './safed';
import { series } from './series';
import { setting } from './setting';
import { signed } from './signed';
import { skipped } from './skipped';
import { symptom } from './symptom';
import { ticked } from './ticked';
import { variant } from './variant';
import { voided } from './voided';
import { voltsSeen } from './volts-seen';
import { watched } from './watched';
import { window } from './window';
import { withdrawn } from './withdrawn';
import { work } from './work';

const KINDS = [
  opened,
  arrived,
  variant,
  pins,
  observed,
  code,
  history,
  symptom,
  access,
  licence,
  safed,
  voltsSeen,
  energised,
  window,
  purged,
  clock,
  clockStopped,
  clockSet,
  lead,
  reading,
  series,
  given,
  meter,
  answer,
  found,
  skipped,
  contact,
  contradiction,
  voided,
  overruled,
  photo,
  decision,
  decided,
  asked,
  matched,
  accepted,
  fitted,
  setting,
  work,
  ticked,
  watched,
  looked,
  followUp,
  followedUp,
  countersigned,
  handed,
  signed,
  withdrawn,
] as const;

type Kinds = (typeof KINDS)[number];

export type EntryKind = Kinds['kind'];
export type BodyOf<K extends EntryKind> = Static<Extract<Kinds, { kind: K }>['body']>;
/** An entry as a device writes it. */
export type EntryOf<K extends EntryKind> = WrittenEntry<K, BodyOf<K>>;
export type LogEntry = { [K in EntryKind]: EntryOf<K> }[EntryKind];
/** An entry as the log keeps it. */
export type StoredEntry = LogEntry & Numbering;

export const ENTRY_KINDS: readonly EntryKind[] = KINDS.map(({ kind }) => kind);

const byName: ReadonlyMap<string, AnyKind> = new Map(
  KINDS.map((kind): [string, AnyKind] => [kind.kind, kind]),
);

/** Undefined for a kind that is newer than this program: stored logs may hold some. */
export const kindOf = ({ kind }: { readonly kind: string }): AnyKind | undefined =>
  byName.get(kind);

/** Whether an entry is of a kind, whose body it then has. */
export const isEntry = <K extends EntryKind, E extends WrittenEntry>(
  kind: K,
  entry: E,
): entry is E & EntryOf<K> => entry.kind === kind;
