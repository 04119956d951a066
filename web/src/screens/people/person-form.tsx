/** Somebody new, or somebody changed: name, what they may do, licences with their days. */
import {
  ROLE_WORDS,
  ROLES,
  type LicenceHeld,
  type PersonResource,
  type Role,
} from '@jeitinho/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { Dialog } from 'radix-ui';
import { useState } from 'react';
import { ask } from '../../data/api';
import { Button } from '../../parts/button';
import { DialogFrame, DialogRoot } from '../../parts/dialog-frame';
import { FIELD } from '../../parts/field';
import { Notice } from '../../parts/notice';
import { TickLine } from '../../parts/tick-line';
import type { FreshLink } from './link-notice';

interface PersonFormProps {
  /** Absent for somebody new. */
  readonly person?: PersonResource;
  readonly onLink: (link: FreshLink) => void;
}

export function PersonForm({ person, onLink }: PersonFormProps) {
  const [open, setOpen] = useState(false);
  return (
    <DialogRoot open={open} onOpenChange={setOpen}>
      <Dialog.Trigger asChild>
        {person ? (
          <Button kind="quiet">
            Change<span className="sr-only"> {person.name}</span>
          </Button>
        ) : (
          <Button kind="go">Somebody new</Button>
        )}
      </Dialog.Trigger>
      <DialogFrame title={person ? person.name : 'Somebody new'}>
        <Fields
          {...(person && { person })}
          onDone={(link) => {
            setOpen(false);
            if (link) onLink(link);
          }}
        />
      </DialogFrame>
    </DialogRoot>
  );
}

interface FieldsProps {
  readonly person?: PersonResource;
  readonly onDone: (link?: FreshLink) => void;
}

function Fields({ person, onDone }: FieldsProps) {
  const queries = useQueryClient();
  const [name, setName] = useState(person?.name ?? '');
  const [roles, setRoles] = useState<readonly Role[]>(person?.roles ?? ['technician']);
  const [licences, setLicences] = useState<readonly LicenceHeld[]>(person?.licences ?? []);
  const keeping = useMutation({
    networkMode: 'always',
    mutationFn: async (): Promise<FreshLink | undefined> => {
      const body = {
        name: name.trim(),
        roles: [...roles],
        licences: licences.filter((each) => each.name.trim() !== ''),
      };
      if (person) {
        await ask('editPerson', { params: { id: person.id }, body });
        return undefined;
      }
      const { link } = await ask('addPerson', { body });
      return { name: body.name, ...link };
    },
    onSuccess: async (link) => {
      await queries.invalidateQueries();
      onDone(link);
    },
  });
  const turn = (role: Role, on: boolean) =>
    setRoles(ROLES.filter((each) => (each === role ? on : roles.includes(each))));
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        keeping.mutate();
      }}
    >
      <label className="mt-3 block font-semibold">
        Name
        <span className="block text-[14px] font-normal text-soft">
          {person
            ? 'What they wrote until now keeps the old one.'
            : 'As it stands under readings and on reports.'}
        </span>
        <input
          value={name}
          maxLength={120}
          onChange={(event) => setName(event.target.value)}
          className={FIELD}
        />
      </label>
      <fieldset className="m-0 mt-3 border-0 p-0">
        <legend className="font-semibold">May do</legend>
        {ROLES.map((role) => (
          <TickLine key={role} checked={roles.includes(role)} onChange={(on) => turn(role, on)}>
            <span>
              <strong className="capitalize">{role}</strong>{' '}
              <span className="text-soft">{ROLE_WORDS[role]}</span>
            </span>
          </TickLine>
        ))}
      </fieldset>
      <fieldset className="m-0 mt-3 border-0 p-0">
        <legend className="font-semibold">Licences</legend>
        {licences.map((licence, i) => (
          <LicenceLine
            // They have no other name than their place while they are typed.
            key={i}
            n={i + 1}
            licence={licence}
            onChange={(next) =>
              setLicences(
                next
                  ? licences.map((each, k) => (k === i ? next : each))
                  : licences.filter((_, k) => k !== i),
              )
            }
          />
        ))}
        <Button kind="quiet" onClick={() => setLicences([...licences, { name: '', until: null }])}>
          Add a licence
        </Button>
      </fieldset>
      <Notice text={keeping.error?.message} />
      <div className="mt-4 flex flex-wrap gap-2">
        <Button
          kind="go"
          type="submit"
          disabled={name.trim() === '' || roles.length === 0 || keeping.isPending}
        >
          {person ? 'Keep' : 'Add, and make a link'}
        </Button>
        <Dialog.Close asChild>
          <Button kind="quiet">Leave it</Button>
        </Dialog.Close>
      </div>
    </form>
  );
}

interface LicenceLineProps {
  readonly n: number;
  readonly licence: LicenceHeld;
  /** Undefined to take it out. */
  readonly onChange: (licence: LicenceHeld | undefined) => void;
}

const LicenceLine = ({ n, licence, onChange }: LicenceLineProps) => (
  <div className="mt-1 flex flex-wrap items-end gap-2">
    <label className="min-w-0 flex-1 text-[14px] text-soft">
      Licence {n}
      <input
        value={licence.name}
        maxLength={120}
        placeholder="Gas work"
        onChange={(event) => onChange({ ...licence, name: event.target.value })}
        className={FIELD}
      />
    </label>
    <label className="text-[14px] text-soft">
      Last day
      <input
        type="date"
        value={licence.until ?? ''}
        onChange={(event) => onChange({ ...licence, until: event.target.value || null })}
        className={FIELD}
      />
    </label>
    <Button kind="quiet" onClick={() => onChange(undefined)}>
      Out<span className="sr-only"> with licence {n}</span>
    </Button>
  </div>
);
