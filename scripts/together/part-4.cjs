require('./together.cjs').part(4);
