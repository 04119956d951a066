/** Creating a row, with the database's own complaints turned into problems a person can act on. */
import {
  ForeignKeyConstraintError,
  UniqueConstraintError,
  type Attributes,
  type CreationAttributes,
  type Model,
  type ModelStatic,
} from 'sequelize';
import { ProblemError } from '../problem';

/** @throws {ProblemError} 409 when the id is taken; 422 when what it belongs to is not there. */
export async function createOnce<M extends Model>(
  model: ModelStatic<M>,
  values: CreationAttributes<M> & Partial<Attributes<M>>,
): Promise<M> {
  try {
    const row = await model.create(values);
    // Read back, so that the answer has what the database filled in.
    return await row.reload();
  } catch (error) {
    if (error instanceof UniqueConstraintError)
      throw new ProblemError(409, 'id-used', 'Nothing was stored: this id is taken.');
    throw ownerProblem(error) ?? error;
  }
}

/** 422 where what a row belongs to is not there; undefined for anything else. */
export function ownerProblem(error: unknown): ProblemError | undefined {
  if (!(error instanceof ForeignKeyConstraintError)) return undefined;
  return new ProblemError(
    422,
    'unknown-owner',
    'Nothing was stored: what it belongs to is not there.',
    {
      errors: [{ path: `/${String(error.fields?.[0] ?? '')}`, message: 'There is no such thing.' }],
    },
  );
}
