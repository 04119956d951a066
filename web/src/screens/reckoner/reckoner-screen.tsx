/** The Reckoner: every formula of the trade, with its picture, in the units of the shop. */
import { findFormula, FORMULAS } from '@jeitinho/core';
import { useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { DeskFrame } from '../../parts/desk-frame';
import { FormulaCard } from './formula-card';
import { UnitSwitches } from './unit-switches';

export function ReckonerScreen() {
  const { formulaId } = useParams();
  const formula = findFormula(formulaId ?? '') ?? FORMULAS[0]!;
  return (
    <DeskFrame wide>
      <div className="flex flex-wrap items-center justify-between gap-3">
        <h1 className="m-0 text-[25px] font-bold">Reckoner</h1>
        <UnitSwitches />
      </div>
      <div className="mt-4 grid grid-cols-[minmax(0,1fr)] gap-6 lg:grid-cols-[240px_minmax(0,1fr)]">
        <FormulaList current={formula.id} />
        <FormulaCard key={formula.id} formula={formula} />
      </div>
    </DeskFrame>
  );
}

/** Where there is no room for the list. */
function FormulaSelect({ current }: { current: string }) {
  const navigate = useNavigate();
  return (
    <label className="block text-[14px] text-soft lg:hidden">
      Formula
      <select
        value={current}
        onChange={(event) => void navigate(`/reckoner/${event.target.value}`)}
        className="mt-0.5 block min-h-12 w-full border border-soft bg-card px-2 text-[18px] text-ink"
      >
        {FORMULAS.map(({ id, title }) => (
          <option key={id} value={id}>
            {title}
          </option>
        ))}
      </select>
    </label>
  );
}

function FormulaList({ current }: { current: string }) {
  const [words, setWords] = useState('');
  const wanted = words.trim().toLowerCase();
  const groups = [...new Set(FORMULAS.map(({ group }) => group))];
  const fits = (text: string) => text.toLowerCase().includes(wanted);
  return (
    <nav aria-label="Formulas" className="min-w-0">
      <FormulaSelect current={current} />
      <div className="max-lg:hidden">
        <input
          type="search"
          aria-label="Find a formula"
          placeholder="find"
          value={words}
          onChange={(event) => setWords(event.target.value)}
          className="min-h-11 w-full border border-soft bg-card px-3 text-ink"
        />
        <div>
          {groups.map((group) => {
            const list = FORMULAS.filter(
              (each) => each.group === group && (fits(each.title) || fits(each.use)),
            );
            if (list.length === 0) return null;
            return (
              <section key={group} className="mt-3 shrink-0">
                <h2 className="m-0 text-[14px] font-normal text-soft">{group}</h2>
                <ul className="m-0 list-none p-0">
                  {list.map(({ id, title }) => (
                    <li key={id}>
                      <Link
                        to={`/reckoner/${id}`}
                        aria-current={id === current ? 'page' : undefined}
                        className="flex min-h-11 items-center border-l-4 py-1 leading-snug border-transparent px-3 text-ink no-underline aria-[current=page]:border-jade aria-[current=page]:font-semibold"
                      >
                        {title}
                      </Link>
                    </li>
                  ))}
                </ul>
              </section>
            );
          })}
        </div>
      </div>
    </nav>
  );
}
