/** People, ways in and keeping, as one lazy piece. */
export { KeepingScreen } from './keeping-screen';
export { MeScreen } from './me-screen';
export { PeopleScreen } from './people-screen';
export { TrailScreen } from './trail-screen';
export { WelcomeScreen } from './welcome';
