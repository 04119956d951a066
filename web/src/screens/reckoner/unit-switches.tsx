/** °C or °F, kPa, bar or psi, metres or feet: for everything at once. */
import { UNIT_CHOICES, type UnitChoices } from './quantity-units';
import { chooseUnit, useUnits } from './use-units';

export function UnitSwitches() {
  const units = useUnits();
  return (
    <div className="flex flex-wrap gap-3">
      {(Object.keys(UNIT_CHOICES) as (keyof UnitChoices)[]).map((quantity) => (
        <fieldset key={quantity} className="m-0 flex border border-soft p-0">
          <legend className="sr-only">Unit of {quantity}</legend>
          {UNIT_CHOICES[quantity].map((unit) => (
            <button
              key={unit}
              type="button"
              aria-pressed={units[quantity] === unit}
              onClick={() => chooseUnit(quantity, unit as never)}
              className="min-h-11 min-w-11 cursor-pointer px-3 text-[15px] aria-pressed:bg-ink aria-pressed:text-paper"
            >
              {unit}
            </button>
          ))}
        </fieldset>
      ))}
    </div>
  );
}
