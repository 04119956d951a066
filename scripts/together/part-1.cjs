require('./together.cjs').part(1);
