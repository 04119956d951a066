/** The Reckoner in a dialog: one formula at a time, the last one used first. */
import { findFormula, FORMULAS } from '@jeitinho/core';
import { useDraft } from '../../data/draft';
import { FormulaCard } from './formula-card';
import { UnitSwitches } from './unit-switches';

export default function PocketReckoner() {
  const [chosen, choose] = useDraft('reckoner.chosen');
  const formula = findFormula(chosen) ?? FORMULAS[0]!;
  return (
    <div className="mt-3 flex flex-col gap-3">
      <label className="block text-[14px] text-soft">
        Formula
        <select
          value={formula.id}
          onChange={(event) => choose(event.target.value)}
          className="mt-0.5 block min-h-12 w-full border border-soft bg-paper px-2 text-[16px] text-ink"
        >
          {FORMULAS.map(({ id, title }) => (
            <option key={id} value={id}>
              {title}
            </option>
          ))}
        </select>
      </label>
      <UnitSwitches />
      <FormulaCard key={formula.id} formula={formula} />
    </div>
  );
}
