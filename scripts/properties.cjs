// fast-check, as every test gets it. With PROPERTY_SEED the samples are the same at every run of the same
// code, so that a whole test that passed once passes again; without it they wander, and find more.
// Jest hands tests CommonJS, and a package of that name would be this file again.
const check = require('../node_modules/fast-check/lib/cjs/fast-check.js');

if (process.env.PROPERTY_SEED) check.configureGlobal({ seed: Number(process.env.PROPERTY_SEED) });

module.exports = check;
