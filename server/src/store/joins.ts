/** The joins that a job is shown with. */
import type { Includeable } from 'sequelize';

export const withSiteAndCustomer: Includeable = { association: 'site', include: ['customer'] };
export const withUnit: Includeable = { association: 'unit', include: [withSiteAndCustomer] };
