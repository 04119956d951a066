/** Of which thing the next figures are, where it is not this machine; and what they said. */
import { formatQuantity, sentence, type Unit } from '@jeitinho/core';
import {
  type KeptTwin,
  SPECIMEN_WORDS,
  SPECIMENS,
  type Specimen,
  twinAt,
} from '@jeitinho/core/job';
import { readingWords, verdictWords } from '@jeitinho/core/judge';
import { expectOf, observableId, type MeasureTest, type TestPoint } from '@jeitinho/core/sheet';
import { Dialog } from 'radix-ui';
import { useState } from 'react';
import { useDraft } from '../../data/draft';
import { longDay } from '../../data/now';
import { Button } from '../../parts/button';
import { DialogFrame, DialogRoot } from '../../parts/dialog-frame';
import { FIELD } from '../../parts/field';
import { VERDICT_TEXT } from '../../parts/verdict-mark';
import { useJob } from '../job/job-context';
import { CHIP } from './wants';

export interface SpecimenInHand {
  readonly specimen: Specimen | undefined;
  readonly choose: (specimen: Specimen | undefined) => void;
}

/** Good for one test: the next one is of this machine again. */
export function useSpecimen(test: string): SpecimenInHand {
  const [chosen, setChosen] = useState<{ test: string; specimen: Specimen }>();
  return {
    specimen: chosen?.test === test ? chosen.specimen : undefined,
    choose: (specimen) => setChosen(specimen && { test, specimen }),
  };
}

/** On a phone it stands below the card until another thing was chosen: see {@link SpecimenBelow}. */
export const SpecimenChip = (props: SpecimenInHand) => (
  <li className={props.specimen ? '' : 'max-lg:hidden'}>
    <SpecimenChoice {...props} />
  </li>
);

export const SpecimenBelow = (props: SpecimenInHand) =>
  props.specimen ? null : (
    <div className="mt-3 lg:hidden">
      <SpecimenChoice {...props} />
    </div>
  );

function SpecimenChoice({ specimen, choose }: SpecimenInHand) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <DialogRoot open={open} onOpenChange={setOpen}>
        <Dialog.Trigger
          className={`${CHIP} min-h-11 cursor-pointer ${specimen ? 'border-2 border-brick bg-brick-tint font-bold' : 'border-hair bg-card'}`}
        >
          of <strong>{specimen ? SPECIMEN_WORDS[specimen.kind] : 'this machine'}</strong>
        </Dialog.Trigger>
        <DialogFrame title="Of which thing is the figure?">
          <SpecimenForm
            onChoose={(made) => {
              choose(made);
              setOpen(false);
            }}
          />
          <p className="m-0 mt-4">
            <Dialog.Close asChild>
              <Button kind="quiet">Close</Button>
            </Dialog.Close>
          </p>
        </DialogFrame>
      </DialogRoot>
    </>
  );
}

function SpecimenForm({ onChoose }: { readonly onChoose: SpecimenInHand['choose'] }) {
  const { job, sheet } = useJob();
  const [part, setPart] = useDraft(`specimen-part.${job.id}`);
  const [name, setName] = useDraft(`specimen-name.${job.id}`);
  const make = (kind: Specimen['kind']): Specimen => ({
    kind,
    ...(part !== '' && { part }),
    ...(name.trim() !== '' && { name: name.trim() }),
  });
  return (
    <div className="mt-2 flex flex-col gap-2">
      <p className="m-0 text-[15px] text-soft">
        Only figures of this machine are evidence about it. The others are judged, kept apart and
        compared; the machine’s own part taken out is still this machine.
      </p>
      <label className="text-[15px]">
        Which part
        <select value={part} onChange={(event) => setPart(event.target.value)} className={FIELD}>
          <option value="">the whole of it</option>
          {sheet.parts.map((each) => (
            <option key={each.id} value={each.id}>
              {each.name}
            </option>
          ))}
        </select>
      </label>
      <label className="text-[15px]">
        Which one, or what was altered
        <input
          autoComplete="off"
          value={name}
          maxLength={120}
          onChange={(event) => setName(event.target.value)}
          className={FIELD}
        />
      </label>
      <Button className="text-left" onClick={() => onChoose(undefined)}>
        This machine
      </Button>
      {SPECIMENS.map((kind) => (
        <Button key={kind} className="text-left" onClick={() => onChoose(make(kind))}>
          {sentence(SPECIMEN_WORDS[kind])}
        </Button>
      ))}
    </div>
  );
}

interface ComparedLinesProps {
  readonly test: MeasureTest;
  readonly point: TestPoint;
}

/** What other things read at this placement, the latest of each; a good twin’s stands beside the limit. */
export function ComparedLines({ test, point }: ComparedLinesProps) {
  const { sheet, state } = useJob();
  const observable = observableId(test, point.id);
  const here = state.compared.filter((each) => each.observable === observable);
  const kept = state.twins?.get(observable);
  if (here.length === 0 && !kept) return null;
  const twin = twinAt(state.compared, observable);
  const latest = new Map(
    here.map((each) => [`${each.specimen.kind} ${each.specimen.part} ${each.specimen.name}`, each]),
  );
  return (
    <ul aria-label="Compared" className="m-0 mt-2 list-none border-l-4 border-hair p-0 pl-3">
      {[...latest.values()].map((each) => {
        const { kind, part, name } = each.specimen;
        const of = sheet.parts.find(({ id }) => id === part)?.name;
        const figure = readingWords(
          each.reading,
          expectOf(each.test, each.point).unit,
          each.judgement.corrected,
        );
        return (
          <li key={each.entry} className="text-[15px]">
            {sentence(SPECIMEN_WORDS[kind])}
            {of && `, ${of}`}
            {name && ` (${name})`}: <strong className="figure">{figure}</strong>
            {', '}
            <span className={VERDICT_TEXT[each.judgement.verdict]}>
              {verdictWords(each.judgement).toLowerCase()}
            </span>
            {each === twin && (
              <span className="text-soft">: this one should read about the same</span>
            )}
          </li>
        );
      })}
      {kept && !twin && <KeptTwinLine kept={kept} unit={expectOf(test, point).unit} />}
    </ul>
  );
}

/** Of an earlier job on this model. */
const KeptTwinLine = ({ kept, unit }: { readonly kept: KeptTwin; readonly unit: Unit }) => (
  <li className="text-[15px]">
    A good twin{kept.name && ` (${kept.name})`}, {longDay(kept.at)}:{' '}
    <strong className="figure">{formatQuantity(kept.value, unit)}</strong>
    <span className="text-soft">: this one should read about the same</span>
  </li>
);
