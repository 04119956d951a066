import { Type } from '@sinclair/typebox';
import { mayUnplug } from '../../conditions/energy';
import { notDeadWords } from '../../conditions/next-safe';
import { findAccess } from '../../sheet/lookup';
import { refuse, type Refusal } from '../admission/refusal';
import { Id, strict } from '../log/words';
import { applyAccess } from '../state/apply-access';
import { defineKind } from './kind';

/** Access gained: a lid off, a plug out; or put back again. */
export const access = defineKind({
  kind: 'access',
  body: strict({ access: Id, back: Type.Optional(Type.Literal(true)) }),
  group: 'safety',
  /** A plug is pulled or put back only with the supply off and its charge gone. */
  admit({ sheet, state: { energy }, entry, blind }): Refusal | undefined {
    const known = findAccess(sheet, entry.body.access);
    if (!known)
      return refuse('unknown-access', `This job’s sheet has no access “${entry.body.access}”.`);
    if (known.energy !== 'dead' || energy.kind === 'dead' || blind) return undefined;
    if (mayUnplug(sheet, energy)) return undefined;
    return refuse(
      'dead-not-proven',
      `“${known.name ?? known.id}” wants the supply off. ${notDeadWords(sheet, energy)}`,
    );
  },
  apply: applyAccess,
  words({ access: id, back }, sheet) {
    const name = findAccess(sheet, id)?.name ?? id;
    return back ? `Put back: ${name}` : name;
  },
});
