/** Changing a row, with the database's own complaints turned into problems a person can act on. */
import type { Attributes, Model, ModelStatic } from 'sequelize';
import { notFound } from '../problem';
import { ownerProblem } from './create-once';
import { living } from './merge';
import type { Store } from './models/index';

/** @throws {ProblemError} 404 without the row; 422 when what it is to belong to is not there. */
export async function change<M extends Model & { id: string }>(
  store: Store,
  model: ModelStatic<M>,
  id: string,
  what: string,
  values: Partial<Attributes<M>>,
): Promise<M> {
  const row = await living(store, model, id);
  if (!row) throw notFound(`such ${what}`);
  try {
    return await row.update(values);
  } catch (error) {
    throw ownerProblem(error) ?? error;
  }
}
