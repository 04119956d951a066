/** Boards of a sheet: drawn, and every field of the piece in hand. */
import { MARK_KINDS, pastePins, type Board, type WrittenSheet } from '@jeitinho/core/sheet';
import { useState } from 'react';
import { Button } from '../../../parts/button';
import { SchemaField, type FormContext } from '../../../parts/schema-form/schema-form';
import { controlOf, type Schema } from '../../../parts/schema-form/schema';
import { BoardCanvas, type Piece } from './board-canvas';
import { PasteInto } from './paste-into';

export interface BoardsSectionProps {
  readonly sheet: WrittenSheet;
  readonly schema: Schema;
  readonly context: FormContext;
}

export function BoardsSection({ sheet, schema, context }: BoardsSectionProps) {
  const [at, setAt] = useState(0);
  const [picked, setPicked] = useState<Piece>();
  const index = Math.min(at, sheet.boards.length - 1);
  const board = sheet.boards[index];
  const boardSchema = itemOf(schema);
  const add = () => {
    const id = free(sheet.boards, 'board');
    context.change(['boards'], [...sheet.boards, { id, name: 'New board', size: [160, 100] }]);
    setAt(sheet.boards.length);
    setPicked(undefined);
  };
  return (
    <>
      <div className="mb-3 flex flex-wrap items-center gap-2">
        {sheet.boards.map((each, i) => (
          <Button
            key={i}
            aria-pressed={i === index}
            className="aria-pressed:border-2 aria-pressed:border-jade aria-pressed:font-semibold"
            onClick={() => {
              setAt(i);
              setPicked(undefined);
            }}
          >
            {each.name || each.id}
          </Button>
        ))}
        <Button kind="quiet" onClick={add}>
          + board
        </Button>
      </div>
      {board && (
        <OneBoard
          key={index}
          board={board}
          index={index}
          schema={boardSchema}
          context={context}
          picked={picked}
          onPick={setPicked}
        />
      )}
    </>
  );
}

const itemOf = (schema: Schema): Schema => {
  const control = controlOf(schema);
  return control.kind === 'list' ? control.item : schema;
};

function free(list: readonly { id: string }[], stem: string): string {
  let n = list.length + 1;
  while (list.some(({ id }) => id === `${stem}${n}`)) n += 1;
  return `${stem}${n}`;
}

interface OneBoardProps {
  readonly board: Board;
  readonly index: number;
  readonly schema: Schema;
  readonly context: FormContext;
  readonly picked: Piece | undefined;
  readonly onPick: (piece: Piece | undefined) => void;
}

function OneBoard({ board, index, schema, context, picked, onPick }: OneBoardProps) {
  const path = ['boards', index] as const;
  const properties = schema.properties!;
  const put = (list: Piece['list'], thing: object) => {
    const before = board[list] ?? [];
    context.change([...path, list], [...before, thing]);
    onPick({ list, index: before.length });
  };
  const [w, h] = board.size;
  const middle: [number, number] = [Math.round(w / 2), Math.round(h / 2)];
  const thing = picked && board[picked.list]?.[picked.index];
  const remove = () => {
    if (!picked) return;
    const rest = (board[picked.list] ?? []).filter((_, i) => i !== picked.index);
    context.change([...path, picked.list], rest.length > 0 ? rest : undefined);
    onPick(undefined);
  };
  return (
    <>
      <div className="grid gap-3 sm:grid-cols-4">
        {(['id', 'name', 'part', 'size'] as const).map((key) => (
          <SchemaField
            key={key}
            schema={properties[key]!}
            value={board[key]}
            path={[...path, key]}
            context={context}
            label={key === 'size' ? 'width and height, mm' : key}
            required={key !== 'part'}
          />
        ))}
      </div>
      <div className="my-3 flex flex-wrap gap-2">
        <PasteInto
          what="pins"
          columns="connector, pin, signal, wire"
          read={(table) => pastePins(board, table)}
          onTake={(next) => context.change([...path, 'connectors'], next.connectors)}
        />
        <Button
          onClick={() =>
            put('connectors', {
              id: free(board.connectors ?? [], 'CN'),
              at: middle,
              pins: [{ n: 1 }, { n: 2 }],
            })
          }
        >
          + connector
        </Button>
        <Button
          onClick={() =>
            put('points', { id: free(board.points ?? [], 'TP'), at: middle, shape: 'pad' })
          }
        >
          + point
        </Button>
        <Button
          onClick={() =>
            put('marks', {
              id: free(board.marks ?? [], 'M'),
              kind: MARK_KINDS[0],
              at: middle,
              size: [14, 8],
            })
          }
        >
          + mark
        </Button>
      </div>
      <BoardCanvas
        board={board}
        picked={thing ? picked : undefined}
        onPick={onPick}
        onMove={(piece, place) => context.change([...path, piece.list, piece.index, 'at'], place)}
      />
      {thing && picked ? (
        <section aria-label={`Piece ${thing.id}`} className="mt-3">
          <SchemaField
            schema={itemOf(properties[picked.list]!)}
            value={thing}
            path={[...path, picked.list, picked.index]}
            context={context}
            label={thing.id}
            required
          />
          <Button kind="quiet" onClick={remove}>
            Remove {thing.id} from the board
          </Button>
        </section>
      ) : (
        <p className="mt-3 text-soft">Touch a piece to move it and to fill in its pins.</p>
      )}
    </>
  );
}
