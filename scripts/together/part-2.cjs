require('./together.cjs').part(2);
