/** The screen of each stage of the trail. */
import { isStage, type Stage } from '@jeitinho/core/job';
import type { ComponentType } from 'react';
import { useParams } from 'react-router';
import { Arrive } from '../arrive/arrive';
import { Decide } from '../decide/decide';
import { MakeSafe } from '../make-safe/make-safe';
import { Measure } from '../measure/measure';
import { Mend } from '../mend/mend';
import { Prove } from '../prove/prove';
import { Read } from '../read/read';
import { Sign } from '../sign/sign';
import { StageRedirect } from './stage-redirect';

const SCREENS: Readonly<Record<Stage, ComponentType>> = {
  arrive: Arrive,
  read: Read,
  safe: MakeSafe,
  measure: Measure,
  decide: Decide,
  mend: Mend,
  prove: Prove,
  sign: Sign,
};

/** What stands on no trail leads to where the work stands. */
export function StageScreen() {
  const { stage = '' } = useParams();
  if (!isStage(stage)) return <StageRedirect />;
  const Screen = SCREENS[stage];
  return <Screen />;
}
