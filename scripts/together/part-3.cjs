require('./together.cjs').part(3);
