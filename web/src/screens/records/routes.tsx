/** Records, patterns, how right we were, sites and models, as one lazy piece. */
export { LearntPage } from './learnt-page';
export { PatternsScreen } from './patterns-screen';
export { RecordsScreen } from './records-screen';
export { RightScreen } from './right-screen';
export { SharedReport } from './shared-report';
export { SitePage } from './site-page';
