import { words } from '../../schema-words';
import { standingFinding } from '../admission/standing-finding';
import { refuse, type Refusal } from '../admission/refusal';
import { strict, Uuid } from '../log/words';
import { CONTACT_PROOFS, type ContactProof } from '../state/facts';
import { owesProof } from '../findings/owed';
import { defineKind } from './kind';

export const CONTACT_WORDS: Readonly<Record<ContactProof | 'unspecified', string>> = {
  unspecified: 'proven',
  'leads-touched': 'leads touched together, the meter answered',
  'scraped-to-metal': 'scraped to bare metal',
  'second-point': 'same at a second point',
  'known-source': 'proven on a known source',
  'means-known': 'what it was looked with is known to work',
};

/** Proven contact, added to a reading that found nothing. */
export const contact = defineKind({
  kind: 'contact',
  body: strict({ entry: Uuid, how: words(CONTACT_PROOFS) }),
  group: 'findings',
  admit({ sheet, state, entry: { body } }): Refusal | undefined {
    const target = standingFinding(state, body.entry);
    if ('code' in target) return target;
    return target.standing.kind === 'waits' && owesProof(sheet, target)
      ? undefined
      : refuse('contact-not-owed', 'That reading owes no proof of contact.');
  },
  apply(draft, { body }) {
    draft.contacts.set(body.entry, body.how);
  },
  words: ({ how }) => `Contact proven: ${CONTACT_WORDS[how]}`,
});
