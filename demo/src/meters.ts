/** The shop's instruments, invented. The first is the one a job is opened with. */
import type { MeterProfile } from '@jeitinho/core';
import clampMeter from '../meters/clamp-meter.json';
import houseMeter from '../meters/house-meter.json';
import insulationTester from '../meters/insulation-tester.json';
import pocketMeter from '../meters/pocket-meter.json';
import thermometer from '../meters/reference-thermometer.json';

export const meters = [
  houseMeter,
  clampMeter,
  insulationTester,
  pocketMeter,
  thermometer,
] as readonly MeterProfile[];
