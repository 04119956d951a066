/** The screens of a job in one piece, fetched when the first job is opened. */
export { Arrive } from '../arrive/arrive';
export { Decide } from '../decide/decide';
export { MakeSafe } from '../make-safe/make-safe';
export { Measure } from '../measure/measure';
export { Read } from '../read/read';
export { Sign } from '../sign/sign';
export { JobScreen } from './job-screen';
export { StageRedirect } from './stage-redirect';
