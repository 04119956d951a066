/** The people of the shop: what each may do, their licences, and for an owner how they come in. */
import type { PersonKept, PersonResource } from '@jeitinho/core';
import { rolesWords } from '@jeitinho/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { ask } from '../../data/api';
import { useMay, useMe } from '../../data/me';
import { momentWords } from '../../data/now';
import { Button } from '../../parts/button';
import { DeskFrame } from '../../parts/desk-frame';
import { many } from '../../parts/many';
import { Notice } from '../../parts/notice';
import { ShopPlaces } from '../shop/shop-places';
import { DeviceList } from './device-list';
import { LinkNotice, type FreshLink } from './link-notice';
import { useEnded } from '../../parts/people/ended';
import { initialsOf } from '../../parts/people/initials';
import { PersonForm } from './person-form';

const isKept = (person: PersonResource): person is PersonKept => 'hasPassword' in person;

export function PeopleScreen() {
  const people = useQuery({ queryKey: ['people'], queryFn: () => ask('people', {}) });
  const mayAdd = useMay('addPerson');
  const [link, setLink] = useState<FreshLink>();
  const all: readonly PersonResource[] = people.data ?? [];
  const here = all.filter(({ removedAt }) => removedAt === null);
  const gone = all.filter(({ removedAt }) => removedAt !== null);
  return (
    <DeskFrame>
      <ShopPlaces />
      <div className="flex flex-wrap items-start justify-between gap-3">
        <div>
          <h1 className="m-0 text-[25px] font-bold">People</h1>
          <p className="m-0 text-soft">
            Who belongs to the shop, and what each may do. {many(here.length, 'person', 'people')}.
          </p>
        </div>
        {mayAdd && <PersonForm onLink={setLink} />}
      </div>
      <Notice
        text={
          people.isError ? 'The people cannot be fetched: the server does not answer.' : undefined
        }
      />
      {link && <LinkNotice link={link} onClose={() => setLink(undefined)} />}
      <ul className="m-0 mt-4 list-none border-t border-ink p-0" aria-label="People">
        {here.map((person) => (
          <PersonRow key={person.id} person={person} onLink={setLink} />
        ))}
      </ul>
      {gone.length > 0 && (
        <section className="mt-7">
          <h2 className="m-0 text-[18px] font-bold">Left the shop</h2>
          <p className="m-0 text-soft">
            {gone.map(({ name }) => name).join(', ')}. What they measured stays under their names.
          </p>
        </section>
      )}
    </DeskFrame>
  );
}

function PersonRow({
  person,
  onLink,
}: {
  readonly person: PersonResource;
  readonly onLink: (link: FreshLink) => void;
}) {
  const ended = useEnded();
  const mayChange = useMay('editPerson');
  return (
    <li className="border-b border-hair py-3">
      <div className="flex flex-wrap items-start gap-x-5 gap-y-2">
        <span
          aria-hidden="true"
          className="figure flex h-12 w-12 shrink-0 items-center justify-center border-2 border-ink text-[17px]"
        >
          {initialsOf(person.name)}
        </span>
        <div className="min-w-0 flex-1">
          <strong className="block text-[19px]">{person.name}</strong>
          <span className="block first-letter:uppercase">{rolesWords(person.roles)}</span>
          {person.licences.map(({ name, until }) => {
            const over = ended(until);
            return (
              <span
                key={`${name} ${until}`}
                className={`mr-3 inline-block text-[15px] ${over ? 'font-semibold text-brick' : 'text-soft'}`}
              >
                {over ? '▲ ' : ''}
                {name}
                {until === null ? '' : over ? `, ended ${until}` : `, until ${until}`}
              </span>
            );
          })}
          {isKept(person) && <WaysInWords person={person} />}
        </div>
        {mayChange && isKept(person) && <Acts person={person} onLink={onLink} />}
      </div>
    </li>
  );
}

const WaysInWords = ({ person }: { readonly person: PersonKept }) => (
  <span className="block text-[14px] text-soft">
    {person.madeUp
      ? 'made up: comes in by one press, on this machine alone'
      : person.login === null
        ? 'has not come in yet: they need a link'
        : [
            `signs in as ${person.login}`,
            person.hasPassword && 'password',
            person.passkeys > 0 && many(person.passkeys, 'passkey', 'passkeys'),
          ]
            .filter(Boolean)
            .join(', ')}
    {person.devices > 0 &&
      ` · ${many(person.devices, 'device', 'devices')}, seen ${momentWords(person.seenAt ?? '')}`}
  </span>
);

interface ActsProps {
  readonly person: PersonKept;
  readonly onLink: (link: FreshLink) => void;
}

function Acts({ person, onLink }: ActsProps) {
  const me = useMe();
  const queries = useQueryClient();
  const [sure, setSure] = useState(false);
  const [looking, setLooking] = useState(false);
  const again = () => queries.invalidateQueries();
  const devices = useQuery({
    queryKey: ['devices', person.id],
    queryFn: () => ask('personDevices', { params: { id: person.id } }),
    enabled: looking,
  });
  const linking = useMutation({
    networkMode: 'always',
    mutationFn: () => ask('linkForPerson', { params: { id: person.id }, body: undefined }),
    onSuccess: async ({ path, until }) => {
      onLink({ name: person.name, path, until });
      await again();
    },
  });
  const removing = useMutation({
    networkMode: 'always',
    mutationFn: () => ask('removePerson', { params: { id: person.id } }),
    onSuccess: again,
  });
  const called = <span className="sr-only"> {person.name}</span>;
  return (
    <div className="flex flex-wrap items-center gap-x-1 max-lg:w-full">
      <PersonForm person={person} onLink={onLink} />
      <Button kind="quiet" aria-expanded={looking} onClick={() => setLooking(!looking)}>
        Devices{called}
      </Button>
      {!person.madeUp && (
        <Button kind="quiet" onClick={() => linking.mutate()} disabled={linking.isPending}>
          {person.login === null ? 'Another link' : 'A way back in'}
          {called}
        </Button>
      )}
      {person.id !== me?.id &&
        (sure ? (
          <Button kind="danger" onClick={() => removing.mutate()} disabled={removing.isPending}>
            Yes, {person.name} leaves
          </Button>
        ) : (
          <Button kind="quiet" onClick={() => setSure(true)}>
            Leaves the shop{called}
          </Button>
        ))}
      <Notice text={(linking.error ?? removing.error)?.message} />
      {looking && (
        <div className="w-full">
          {devices.data?.length === 0 && <p className="m-0 text-soft">Signed in nowhere.</p>}
          <DeviceList devices={devices.data ?? []} />
        </div>
      )}
    </div>
  );
}
