import { fileNameFor, largestFile, writeDesign } from '@yurei/core/exchange';
import type { Design } from '@yurei/core/design';
import compression from 'compression';
import { Router, type Request, type Response } from 'express';
import type { Gate } from '../checking/gate.js';
import type { KeptDesigns, ReadableDesign } from '../checking/kept-designs.js';
import { StaleSave, type DesignStore } from '../designs/design-store.js';
import type { StudyDesk } from '../studies/study-desk.js';
import { demand, jsonBytes, shapes } from './edge.js';
import { ProblemError } from './problem.js';

export interface DesignParts {
  gate: Gate;
  store: DesignStore;
  kept: KeptDesigns;
  desk: StudyDesk;
}

/** Endpoints for designs: the shelf, one design, its revisions, import and export. */
export function designRoutes({ gate, store, kept, desk }: DesignParts): Router {
  const routes = Router();
  // A save holds a design and little else.
  const json = jsonBytes(largestFile + 10_000);

  // A shelf is six times smaller packed, and is asked for once.
  routes.get('/designs', compression(), async (_req, res) => {
    await kept.lookedThrough();
    res.type('application/json').send(await store.list());
  });

  routes.post('/designs', json, async (req: Request, res: Response) => {
    const { id, version, savedAt, document } = await store.create(
      await gate.pass('create', req.body),
    );
    sendDesign(res.status(201), { id, version, savedAt, text: document.toString() });
  });

  routes.post('/import', json, async (req: Request, res: Response) => {
    const { accept, as } = demand(shapes.importQuery, req.query, 'The query');
    const { doubts, ...checked } = await gate.pass('import', req.body);
    if (doubts.length > 0 && accept !== 'doubts')
      throw new ProblemError(422, 'The design has doubtful values', 'Nothing was imported yet.', {
        doubts,
      });
    const { id, version, savedAt, document } = await store.create(checked, as === 'example');
    sendDesign(res.status(201), { id, version, savedAt, text: document.toString() });
  });

  routes.get('/designs/:id', async (req, res) => {
    sendDesign(res, found(await kept.get(idOf(req))));
  });

  routes.put('/designs/:id', json, async (req: Request, res: Response) => {
    const id = idOf(req);
    const { version, ...checked } = await gate.pass('save', req.body);
    const saved = found(await store.save(id, version, checked).catch(asConflict));
    kept.trust(id, checked.text);
    res.json({ id, ...saved });
  });

  routes.put('/designs/:id/answers', jsonBytes(10_000), async (req: Request, res: Response) => {
    const id = idOf(req);
    const { version, answers } = await gate.pass('answers', req.body);
    await store.answer(id, version, answers);
    res.status(204).end();
  });

  routes.delete('/designs/:id', async (req, res) => {
    const id = idOf(req);
    await desk.cancelOf(id);
    if (!(await store.putInBin(id))) throw missing();
    res.status(204).end();
  });

  routes.post('/designs/:id/opened', async (req, res) => {
    await store.opened(idOf(req));
    res.status(204).end();
  });

  routes.get('/bin', async (_req, res) => {
    res.json(await store.bin());
  });

  routes.post('/bin/:id/put-back', async (req, res) => {
    if (!(await store.putBack(idOf(req)))) throw notInBin();
    res.status(204).end();
  });

  routes.delete('/bin/:id', async (req, res) => {
    const id = idOf(req);
    if (!(await store.bin()).some((d) => d.id === id)) throw notInBin();
    await store.remove(id);
    res.status(204).end();
  });

  routes.get('/designs/:id/export', async (req, res) => {
    const { text } = found(await kept.get(idOf(req)));
    const design = JSON.parse(text) as Design;
    res.attachment(fileNameFor(design)).type('application/json').send(writeDesign(design));
  });

  routes.get('/designs/:id/as-it-is', async (req, res) => {
    const id = idOf(req);
    const { document } = found(await store.get(id));
    res.attachment(`${id}.yurei.json`).type('application/octet-stream').send(document);
  });

  routes.get('/designs/:id/revisions', async (req, res) => {
    const id = idOf(req);
    if ((await store.versionOf(id)) === undefined) throw missing();
    res.json(await store.revisions(id));
  });

  routes.get('/designs/:id/revisions/:version', async (req, res) => {
    const version = demand(shapes.version, req.params['version'], 'The version');
    sendDesign(res, found(await kept.revision(idOf(req), version)));
  });

  return routes;
}

export const idOf = (req: Request): string => demand(shapes.id, req.params['id'], 'The design id');

export const missing = (): ProblemError =>
  new ProblemError(404, 'No such design', 'It is not on the shelf; it may have been removed.');

const notInBin = (): ProblemError =>
  new ProblemError(
    404,
    'Not in the bin',
    'It was had back already, or was removed for good after its 30 days.',
  );

function found<T>(what: T | undefined): T {
  if (what === undefined) throw missing();
  return what;
}

/** The document is sent as it is kept, without being read again. */
function sendDesign(res: Response, { text, ...about }: ReadableDesign): void {
  res.type('application/json').send(`${JSON.stringify(about).slice(0, -1)},"design":${text}}`);
}

function asConflict(error: unknown): never {
  if (!(error instanceof StaleSave)) throw error;
  throw new ProblemError(409, 'Saved elsewhere', error.message, { current: error.current });
}
