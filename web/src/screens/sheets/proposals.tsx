/** Sheets that somebody proposed: what would change, taken or declined by a lead, with the reason. */
import type { ProposalResource } from '@jeitinho/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { ask } from '../../data/api';
import { useMay, useMe } from '../../data/me';
import { momentWords } from '../../data/now';
import { sheetOptions } from '../../data/queries';
import { Button } from '../../parts/button';
import { Notice } from '../../parts/notice';
import { ReasonDialog } from '../../parts/reason-dialog';
import { Changes } from './compare';

/** Decided ones that their author still sees. */
const LATELY = 3;

export function Proposals() {
  const me = useMe();
  const proposals = useQuery({
    queryKey: ['sheets', 'proposals'],
    queryFn: () => ask('proposals', {}),
  });
  const all = proposals.data ?? [];
  const waiting = all.filter(({ state }) => state === 'waiting');
  const mine = all
    .filter(({ state, author }) => state !== 'waiting' && author === me?.name)
    .slice(0, LATELY);
  if (waiting.length + mine.length === 0) return null;
  return (
    <section
      aria-labelledby="proposals"
      className="mt-3 mb-5 border-l-4 border-jade bg-jade-tint px-4 py-3"
    >
      <h2 id="proposals" className="m-0 text-[18px] font-bold">
        Proposed
      </h2>
      <ul className="m-0 list-none p-0">
        {waiting.map((proposal) => (
          <Waiting key={proposal.id} proposal={proposal} />
        ))}
        {mine.map(({ id, title, revision, state, decidedBy, reason }) => (
          <li key={id} className="border-t border-hair py-2 first:border-t-0">
            <strong>{title}</strong>, revision {revision}: {decidedBy}{' '}
            {state === 'taken' ? 'took it.' : `declined it: “${reason}”`}
          </li>
        ))}
      </ul>
    </section>
  );
}

function Waiting({ proposal }: { readonly proposal: ProposalResource }) {
  const queries = useQueryClient();
  const mayDecide = useMay('decideProposal');
  const [looking, setLooking] = useState(false);
  const [declining, setDeclining] = useState(false);
  const { id, sheetId, title, revision, author, at, note } = proposal;
  const deciding = useMutation({
    networkMode: 'always',
    mutationFn: (body: { take: boolean; reason: string }) =>
      ask('decideProposal', { params: { id }, body }),
    onSuccess: () => queries.invalidateQueries({ queryKey: ['sheets'] }),
  });
  return (
    <li className="border-t border-hair py-2 first:border-t-0">
      <div className="flex flex-wrap items-center gap-x-4">
        <span className="min-w-0 flex-1">
          <strong>{title}</strong>, as revision {revision}
          <span className="block text-[15px] text-soft">
            {author}, {momentWords(at)}
            {note && `: “${note}”`}
          </span>
        </span>
        <Button kind="quiet" aria-expanded={looking} onClick={() => setLooking(!looking)}>
          {looking ? 'Hide what changes' : 'What changes'}
          <span className="sr-only"> in {title}</span>
        </Button>
        {mayDecide && (
          <>
            <Button disabled={deciding.isPending} onClick={() => setDeclining(true)}>
              Decline
            </Button>
            <Button
              kind="go"
              disabled={deciding.isPending}
              onClick={() => deciding.mutate({ take: true, reason: '' })}
            >
              Take it
            </Button>
          </>
        )}
      </div>
      <Notice text={deciding.error?.message} />
      {looking && <Difference id={id} sheetId={sheetId} />}
      <ReasonDialog
        open={declining}
        title={`Decline ${title}`}
        reasons={['It is not so on the machines we have.', 'Another proposal says it better.']}
        act="Decline"
        leave="Leave it waiting"
        onClose={() => setDeclining(false)}
        onReason={(reason) => {
          setDeclining(false);
          deciding.mutate({ take: false, reason });
        }}
      />
    </li>
  );
}

function Difference({ id, sheetId }: { readonly id: string; readonly sheetId: string }) {
  const newest = useQuery(sheetOptions(sheetId));
  const proposed = useQuery({
    queryKey: ['sheets', 'proposals', id],
    queryFn: () => ask('proposal', { params: { id } }),
  });
  const problem = newest.error ?? proposed.error;
  if (problem) return <Notice text={problem.message} />;
  if (!newest.data || !proposed.data) return <p className="m-0 text-soft">One moment …</p>;
  return (
    <div className="mt-2 max-h-80 overflow-y-auto bg-card px-3">
      <Changes before={newest.data} after={proposed.data.sheet} />
    </div>
  );
}
