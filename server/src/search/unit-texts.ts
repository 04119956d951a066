/** What a unit is found by, as one text: its plate, where it stands, whose it is. */
import type { Store } from '../store/models/index';
import { raw } from '../store/raw';

export interface UnitTexts {
  readonly id: string;
  readonly texts: string;
}

export const UNIT_TEXTS = `CONCAT_WS(' ', u.label, u.maker, u.model, u.serial, u.kind, s.name, s.address, s.town, c.name, c.phone)`;
export const UNITS_IN_PLACES = `FROM units u JOIN sites s ON s.id = u.siteId JOIN customers c ON c.id = s.customerId`;

interface JobTexts {
  readonly texts: string;
  readonly complaint: string;
  readonly openedAt: Date;
}

/** Of the unit of a job, with what the job was opened for. */
export async function textsOfJob(store: Store, jobId: string): Promise<JobTexts | undefined> {
  const [row] = await raw<JobTexts[]>(
    store.sequelize,
    `SELECT ${UNIT_TEXTS} AS texts, j.complaint, j.openedAt ${UNITS_IN_PLACES} JOIN jobs j ON j.unitId = u.id WHERE j.id = ?`,
    [jobId],
  );
  return row;
}
