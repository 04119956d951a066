/** Of the program, as its package has it. */
export { version as VERSION } from '../package.json';
