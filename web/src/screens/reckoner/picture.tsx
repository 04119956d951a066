/** The picture of a relation: one output against one input, with the present place marked. */
import { outputAt, pictureOf, type Formula, type FormulaValues } from '@jeitinho/core';
import {
  Chart,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  ScatterController,
  Tooltip,
} from 'chart.js';
import { useEffect, useRef } from 'react';
import { figureWords, shownUnit, toShown, type UnitChoices } from './quantity-units';

Chart.register(LinearScale, LineController, LineElement, PointElement, ScatterController, Tooltip);

export interface PictureProps {
  readonly formula: Formula;
  readonly values: FormulaValues;
  readonly halfWidths: Readonly<Record<string, number>>;
  readonly units: UnitChoices;
}

export default function Picture({ formula, values, units }: PictureProps) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const picture = formula.picture!;
  const input = formula.inputs.find(({ id }) => id === picture.input)!;
  const here = values.numbers[picture.input]!;
  const now = outputAt(formula, values, picture.output);
  const output = formula.compute(values).outputs.find(({ id }) => id === picture.output);
  const xUnit = shownUnit(input.kind === 'number' ? input.quantity : 'count', units, here);
  const yUnit = shownUnit(output?.quantity ?? 'count', units, now);
  const points = pictureOf(formula, values).map(([x, y]) => ({
    x: toShown(x, xUnit),
    y: toShown(y, yUnit),
  }));
  const xLabel = [input.label, xUnit.symbol].filter(Boolean).join(', ');
  const yLabel = [output?.label, yUnit.symbol].filter(Boolean).join(', ');
  const mark = { x: toShown(here, xUnit), y: toShown(now, yUnit) };
  const drawn = JSON.stringify([points, mark, xLabel, yLabel]);

  useEffect(() => {
    const paint = (name: string) =>
      getComputedStyle(document.documentElement).getPropertyValue(name);
    const axis = (text: string) => ({
      type: 'linear' as const,
      title: { display: true, text, color: paint('--soft') },
      ticks: { color: paint('--soft') },
      grid: { color: paint('--hair') },
    });
    const [line, dot, x, y] = JSON.parse(drawn) as [typeof points, typeof mark, string, string];
    const chart = new Chart(canvas.current!, {
      type: 'scatter',
      data: {
        datasets: [
          { data: [dot], pointRadius: 7, pointStyle: 'rectRot', backgroundColor: paint('--jade') },
          {
            type: 'line',
            data: line,
            borderColor: paint('--ink'),
            borderWidth: 1.8,
            pointRadius: 0,
            pointHitRadius: 6,
          },
        ],
      },
      options: {
        animation: false,
        maintainAspectRatio: false,
        scales: { x: axis(x), y: axis(y) },
      },
    });
    return () => chart.destroy();
  }, [drawn]);

  return (
    <figure className="m-0 mt-5 border border-hair bg-card p-3">
      <div className="h-72">
        <canvas
          ref={canvas}
          role="img"
          aria-label={`${yLabel} against ${xLabel}: now ${figureWords(here, xUnit)} gives ${figureWords(now, yUnit)}; drawn from ${round(points[0]?.x)} to ${round(points.at(-1)?.x)}.`}
        />
      </div>
    </figure>
  );
}

const round = (value: number | undefined) =>
  value === undefined ? '' : Number(value.toPrecision(3));
