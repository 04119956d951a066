/** Customers, units and the week, as one lazy piece. */
export { CustomerPage } from './customer-page';
export { Customers } from './customers';
export { ImportPlaces } from './import-places';
export { UnitLabel } from './unit-label';
export { UnitPage } from './unit-page';
export { Month } from '../month/month';
export { Week } from '../week/week';
