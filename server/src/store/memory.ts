/**
 * What this process keeps of the database to be quick. Nothing here is the truth: all of it can be dropped
 * at any moment, and another server may write beside this one.
 */
import type { PatternResource } from '@jeitinho/core';
import type { JobFold } from '@jeitinho/core/job';
import type { WrittenSheet } from '@jeitinho/core/sheet';
import { KnownSessions } from '../auth/known-sessions';
import { Vocabulary } from '../search/vocabulary';
import { InsertQueue } from './insert-queue';
import { Kept } from './kept';
import { Turns } from './turns';

/** A job as far as its log is known here. */
export interface HotJob {
  /** Null without one; as it is for this machine, the fold has it. */
  readonly written: WrittenSheet | null;
  readonly fold: JobFold;
  /** Bytes of its entries. */
  weight: number;
}

export interface FrozenSheet {
  readonly document: WrittenSheet;
  /** The same as JSON. */
  readonly text: string;
}

const MOST_LOG_BYTES = 64 * 1024 * 1024;
const MOST_SHEET_BYTES = 64 * 1024 * 1024;

/** Failures that come together, as they were reckoned last. */
export interface Patterns {
  readonly patterns: PatternResource[];
  readonly currency: string;
  /** Repairs that were looked at. */
  readonly repairs: number;
}

export class StoreMemory {
  readonly sessions = new KnownSessions();
  readonly turns = new Turns();
  readonly vocabulary = new Vocabulary();
  readonly inserts = new InsertQueue();
  readonly jobs = new Kept<HotJob>(MOST_LOG_BYTES);
  /** Revisions never change. By id and revision. */
  readonly sheets = new Kept<FrozenSheet>(MOST_SHEET_BYTES);
  /** Jobs whose projection is behind their log. */
  readonly dirty = new Set<string>();
  /** Runs until the dirty ones are looked at. */
  timer: NodeJS.Timeout | undefined;
  patterns: { readonly at: number; readonly found: Promise<Patterns> } | undefined;

  /** The database was away, and may be another one now. */
  forget(): void {
    this.jobs.clear();
    this.sheets.clear();
    this.sessions.forget();
    this.vocabulary.forget();
    this.patterns = undefined;
  }
}
