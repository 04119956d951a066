/** A figure with its unit and, where it has one, its own ±; typed as technicians type. */
import { PREFIXES, type NumberInput } from '@jeitinho/core';
import { useId, useState } from 'react';
import { Said } from '../../parts/said';
import { figureWords, shownUnit, toSi, type ShownUnit, type UnitChoices } from './quantity-units';

export interface NumberEntryProps {
  readonly input: NumberInput;
  /** SI; NaN while empty. */
  readonly value: number;
  /** Half-width, SI; undefined where none is asked. */
  readonly half: number | undefined;
  readonly units: UnitChoices;
  readonly onValue: (value: number) => void;
  readonly onHalf: (half: number) => void;
}

const FIELD =
  'figure min-h-12 border border-soft bg-card px-3 text-[20px] text-ink aria-invalid:border-2 aria-invalid:border-brick';

export function NumberEntry({ input, value, half, units, onValue, onHalf }: NumberEntryProps) {
  const id = useId();
  // The unit is chosen for the figure the field opened with, so that it does not jump while typing.
  const [unit] = useState(() =>
    shownUnit(input.quantity, units, Number.isFinite(value) && value !== 0 ? value : input.start),
  );
  const shown = Number.isFinite(value) ? plain(figureWords(value, unit, 7)) : '';
  const [typed, setTyped] = useState<string>();
  const [typedHalf, setTypedHalf] = useState<string>();
  const text = typed ?? shown;
  const parsed = readFigure(text, unit);
  const widthUnit = { ...unit, offset: 0 };
  const halfText = typedHalf ?? (half === undefined ? '' : plain(figureWords(half, widthUnit, 3)));
  return (
    <div>
      <label htmlFor={id} className="block text-[14px] text-soft">
        {input.label}
        {input.hint && ` (${input.hint})`}
        {input.optional && ' (may stay empty)'}
      </label>
      <span className="flex items-center gap-2">
        <input
          id={id}
          inputMode="decimal"
          autoComplete="off"
          value={text}
          maxLength={24}
          aria-invalid={parsed === undefined}
          onChange={(event) => {
            setTyped(event.target.value);
            const figure = readFigure(event.target.value, unit);
            if (figure !== undefined) onValue(figure);
          }}
          className={`${FIELD} min-w-0 flex-1`}
        />
        <span className="figure w-14 shrink-0 text-[18px] text-soft">{unit.symbol}</span>
        {half !== undefined && (
          <label className="flex shrink-0 items-center gap-1 text-soft">
            ±<span className="sr-only">uncertainty of {input.label}</span>
            <input
              inputMode="decimal"
              autoComplete="off"
              value={halfText}
              maxLength={12}
              onChange={(event) => {
                setTypedHalf(event.target.value);
                const figure = readFigure(event.target.value, widthUnit);
                if (figure !== undefined && !Number.isNaN(figure)) onHalf(Math.abs(figure));
              }}
              className={`${FIELD} w-24`}
            />
          </label>
        )}
      </span>
      <Said className="m-0 text-[14px] text-brick">
        {parsed === undefined && <> “{text.trim()}” is no figure yet.</>}
      </Said>
    </div>
  );
}

const plain = (text: string) => text.replace('\u2212', '-');

/** @returns SI; NaN for nothing typed; undefined for what is no figure. `4.7k` counts in the bare unit. */
export function readFigure(text: string, unit: ShownUnit): number | undefined {
  const bare = text.trim().replace('\u2212', '-');
  if (bare === '') return NaN;
  const found = /^([+-]?(?:\d+[.,]?\d*|[.,]\d+)(?:[eE][+-]?\d+)?)\s*([pnuµmkKMG]?)$/.exec(bare);
  if (!found) return undefined;
  const figure = Number(found[1]!.replace(',', '.'));
  const prefix = found[2] === '' ? undefined : PREFIXES[found[2]!];
  // A prefix of one’s own replaces the one that stands beside the field.
  return prefix === undefined ? toSi(figure, unit) : figure * prefix;
}
