/** What a test, or one point of it, wants of the machine before a figure taken there means anything. */
import { Type, type Static } from '@sinclair/typebox';
import { PARALLEL_EFFECTS } from '../../judge/isolation';
import { Id, list, Ref, Text, words } from './common';

export const wantedEnergySchema = words(['dead', 'live', 'any']);

/** Where an access must be: a plug that is in, a lid that is off. */
export const accessWantSchema = Type.Record(Id, words(['in', 'out']));

export const wantsSchema = {
  /** Where it differs from that of its state: `any` for a look at a closed set, a torch, a remote. */
  energy: Type.Optional(wantedEnergySchema),
  access: Type.Optional(accessWantSchema),
  /** Of these, what must be out for the whole figure to be believed. */
  isolates: list(Id),
  /** Tests, points or rules that must be good for this one to mean anything. */
  fedBy: list(Ref),
  /** Tests that must have been taken at all. */
  after: list(Ref),
  /** Whether proof of contact is owed: for an absence that accuses, also for one that clears, or never. */
  contact: Type.Optional(words(['absence', 'clears', 'never'])),
  /** The known-good thing that proves the means of a look: a remote that is known to work. */
  means: Type.Optional(Text),
  /** How a path beside it falsifies a figure of it. */
  parallel: Type.Optional(words(PARALLEL_EFFECTS)),
  /** Measured in the hand, whatever the machine is in. */
  offMachine: Type.Optional(Type.Boolean()),
};

/** What a live state needs before it may be entered. */
export const stateNeedsSchema = Type.Object({
  access: Type.Optional(accessWantSchema),
  /** Tests whose latest figure must be good, and taken since what they protect was changed. */
  passed: list(Ref),
});

export type WantedEnergy = Static<typeof wantedEnergySchema>;
export type AccessWant = Static<typeof accessWantSchema>;
export type StateNeeds = Static<typeof stateNeedsSchema>;
