/** The screens of a job in one piece, fetched when the first job is opened. */
export { JobScreen } from './job-screen';
export { StageRedirect } from './stage-redirect';
export { StageScreen } from './stage-screens';
export { SuspectsInFull } from '../suspects/suspects-in-full';
export { HistoryPage } from '../history/history-page';
