/** Paths, drawn by pressing what the current goes through, in order. */
import { locate, placeName, stopsOf, type WrittenSheet } from '@jeitinho/core/sheet';
import { useState } from 'react';
import { Button } from '../../../parts/button';
import { PathStrip } from '../../../parts/path-strip';
import type { FormContext } from '../../../parts/schema-form/schema-form';

type SheetPath = NonNullable<WrittenSheet['paths']>[number];

export interface PathsSectionProps {
  readonly sheet: WrittenSheet;
  readonly context: FormContext;
}

export function PathsSection({ sheet, context }: PathsSectionProps) {
  const paths = sheet.paths ?? [];
  const [at, setAt] = useState(0);
  const index = Math.min(at, paths.length - 1);
  const path = paths[index];
  const add = () => {
    let n = paths.length + 1;
    while (paths.some(({ id }) => id === `path${n}`)) n += 1;
    context.change(['paths'], [...paths, { id: `path${n}`, carries: 'New path', through: [] }]);
    setAt(paths.length);
  };
  return (
    <>
      <div className="mb-3 flex flex-wrap items-center gap-2">
        {paths.map((each, i) => (
          <Button
            key={i}
            aria-pressed={i === index}
            className="aria-pressed:border-2 aria-pressed:border-jade aria-pressed:font-semibold"
            onClick={() => setAt(i)}
          >
            {each.carries || each.id}
          </Button>
        ))}
        <Button kind="quiet" onClick={add}>
          + path
        </Button>
      </div>
      {path && <OnePath key={index} sheet={sheet} context={context} path={path} index={index} />}
    </>
  );
}

interface OnePathProps extends PathsSectionProps {
  readonly path: SheetPath;
  readonly index: number;
}

function OnePath({ sheet, context, path, index }: OnePathProps) {
  const here = ['paths', index] as const;
  const through = (next: readonly string[]) => context.change([...here, 'through'], next);
  const add = (ref: string) => through([...path.through, ref]);
  const problem = context.problems.get(`/paths/${index}/through`);
  const field = (key: 'id' | 'carries', label: string) => (
    <label className="text-[14px] text-soft">
      {label}
      <input
        value={path[key]}
        maxLength={200}
        onChange={(event) => context.change([...here, key], event.target.value)}
        className="mt-0.5 block min-h-11 w-full border border-soft bg-card px-2 text-[16px] text-ink"
      />
    </label>
  );
  return (
    <section aria-label={`Path ${path.carries}`}>
      <div className="grid gap-3 sm:grid-cols-[1fr_3fr]">
        {field('id', 'id')}
        {field('carries', 'what it carries, and for what')}
      </div>
      <div className="my-3">
        <PathStrip label={path.carries} stops={stopsOf(sheet, path)} />
        <p role="status" className="m-0 mt-1 flex flex-wrap items-center gap-2 text-[15px]">
          {path.through.length === 0
            ? 'Press the places below in the order in which the current passes them.'
            : `${path.through.length} stops.`}
          {path.through.length > 0 && (
            <Button kind="quiet" onClick={() => through(path.through.slice(0, -1))}>
              Take back {path.through.at(-1)}
            </Button>
          )}
          <Button kind="quiet" onClick={() => context.change(here, undefined)}>
            Remove this path
          </Button>
        </p>
        {problem !== undefined && <p className="m-0 text-brick">{problem}</p>}
      </div>
      <Places sheet={sheet} taken={path.through} onPress={add} />
    </section>
  );
}

const PLACE =
  'min-h-11 cursor-pointer border border-soft bg-card px-3 text-[15px] aria-pressed:border-2 aria-pressed:border-jade aria-pressed:bg-jade-tint';

interface PlacesProps {
  readonly sheet: WrittenSheet;
  readonly taken: readonly string[];
  readonly onPress: (ref: string) => void;
}

/** Every place, harness and joint, board by board. */
function Places({ sheet, taken, onPress }: PlacesProps) {
  const key = (ref: string, words: string) => (
    <button
      key={ref}
      type="button"
      aria-pressed={taken.includes(ref)}
      onClick={() => onPress(ref)}
      className={PLACE}
    >
      {words}
    </button>
  );
  return (
    <div className="grid gap-3">
      {sheet.boards.map((board) => (
        <fieldset key={board.id} className="m-0 min-w-0 border border-hair p-3">
          <legend className="px-1 text-[14px] font-semibold">{board.name}</legend>
          <div className="flex flex-wrap gap-2">
            {(board.connectors ?? []).flatMap((connector) =>
              connector.pins.map((pin) =>
                key(
                  `${board.id}.${connector.id}.${pin.n}`,
                  [`${connector.id} pin ${pin.n}`, pin.signal].filter(Boolean).join(', '),
                ),
              ),
            )}
            {(board.points ?? []).map((point) => {
              const ref = `${board.id}.${point.id}`;
              const place = locate(sheet, ref);
              return key(ref, place ? placeName(place) : point.id);
            })}
            {(board.marks ?? []).map((mark) =>
              key(`${board.id}.${mark.id}`, `${mark.name ?? mark.id} (${mark.kind})`),
            )}
          </div>
        </fieldset>
      ))}
      {(sheet.harnesses ?? []).map((harness) => (
        <fieldset key={harness.id} className="m-0 min-w-0 border border-hair p-3">
          <legend className="px-1 text-[14px] font-semibold">{harness.name ?? harness.id}</legend>
          <div className="flex flex-wrap gap-2">
            {key(harness.id, 'the wire')}
            {(harness.joints ?? []).map((joint) => key(`${harness.id}#${joint}`, joint))}
          </div>
        </fieldset>
      ))}
    </div>
  );
}
