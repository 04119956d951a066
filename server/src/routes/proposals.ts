/** Sheets that anybody proposes and a lead takes or declines. */
import { decideProposalInput, type ProposalResource } from '@jeitinho/core';
import type { WrittenSheet } from '@jeitinho/core/sheet';
import { Hono } from 'hono';
import { v7 as uuidv7 } from 'uuid';
import { me } from '../auth/guard';
import type { HeavyWork } from '../heavy/heavy-work';
import { jsonBody, jsonBytes } from '../json-body';
import { notFound, ProblemError } from '../problem';
import { audit } from '../store/audit';
import type { Store } from '../store/models/index';
import type { Proposal } from '../store/models/proposal';
import { saveSheetText } from '../store/save-sheet';
import { unreadable } from './sheets';

const MOST_SHOWN = 100;
const MOST_WAITING = 50;

const proposalResource = (row: Proposal): ProposalResource => ({
  id: row.id,
  sheetId: row.sheetId,
  title: row.title,
  revision: row.revision,
  author: row.author,
  at: row.at.toISOString(),
  note: row.note,
  state: row.state ?? 'waiting',
  decidedBy: row.decidedBy ?? null,
  reason: row.reason ?? '',
});

export const proposalRoutes = (store: Store, heavy: HeavyWork) =>
  new Hono()
    .get('/', async (c) => {
      const rows = await store.proposals.findAll({
        attributes: { exclude: ['document'] },
        order: [
          [store.sequelize.literal(`state = 'waiting'`), 'DESC'],
          ['at', 'DESC'],
        ],
        limit: MOST_SHOWN,
      });
      return c.json(rows.map(proposalResource));
    })
    .post('/', async (c) => {
      const read = await heavy.read({ kind: 'sheet', bytes: await jsonBytes(c) });
      if (!('sheet' in read)) throw unreadable(read, 'the sheet has problems');
      const waiting = await store.proposals.count({
        where: { author: me(c).name, state: 'waiting' },
      });
      if (waiting >= MOST_WAITING)
        throw new ProblemError(
          409,
          'too-many',
          'Fifty of your proposals wait already: a lead looks at them first.',
        );
      const { id: sheetId, revision, title, text } = read.sheet;
      const row = await store.proposals.create({
        ...{ id: uuidv7(), sheetId, title, revision, document: text },
        author: me(c).name,
        at: new Date(),
        note: (c.req.query('note') ?? '').slice(0, 1000),
      });
      await audit(store, me(c).name, 'sheet-proposed', { sheet: sheetId, revision });
      return c.json(proposalResource(row), 201);
    })
    .get('/:id', async (c) => {
      const row = await store.proposals.findByPk(c.req.param('id'));
      if (!row) throw notFound('such proposal');
      return c.json({
        proposal: proposalResource(row),
        sheet: JSON.parse(row.document) as WrittenSheet,
      });
    })
    .post('/:id/decide', async (c) => {
      const { take, reason } = await jsonBody(c, decideProposalInput);
      const row = await store.proposals.findByPk(c.req.param('id'));
      if (!row) throw notFound('such proposal');
      if (row.state !== 'waiting')
        throw new ProblemError(
          409,
          'decided',
          `${row.decidedBy ?? 'Somebody'} has decided on it already.`,
        );
      if (!take && reason.trim() === '')
        throw new ProblemError(422, 'no-reason', 'Say why: whoever proposed it reads that.', {
          errors: [{ path: '/reason', message: 'is empty.' }],
        });
      if (take) {
        const read = await heavy.read({
          kind: 'sheet',
          bytes: new TextEncoder().encode(row.document).buffer,
        });
        if (!('sheet' in read)) throw unreadable(read, 'the sheet has problems');
        await saveSheetText(store, read.sheet, row.author);
      }
      await row.update({ state: take ? 'taken' : 'declined', decidedBy: me(c).name, reason });
      const { sheetId, revision } = row;
      await audit(store, me(c).name, 'proposal-decided', { sheet: sheetId, revision, taken: take });
      return c.json(proposalResource(row));
    });
