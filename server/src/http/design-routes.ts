import {
  fileNameFor,
  largestFile,
  readDesign,
  writeDesign,
  type StoredDesign,
} from '@yurei/core/exchange';
import express, { Router, type Request } from 'express';
import { StaleSave, type DesignStore } from '../designs/design-store.js';
import { demand, demandDesign, shapes } from './edge.js';
import { ProblemError, refusedDesign } from './problem.js';

/** Endpoints for designs: the shelf, one design, its revisions, import and export. */
export function designRoutes(store: DesignStore): Router {
  const routes = Router();
  const json = express.json({ limit: largestFile });
  const text = express.text({ limit: largestFile, type: () => true });

  routes.get('/designs', async (_req, res) => {
    res.json(await store.list());
  });

  routes.post('/designs', json, async (req, res) => {
    const { design } = demand(shapes.create, req.body, 'The new design');
    res.status(201).json(await store.create(demandDesign(design)));
  });

  routes.post('/import', text, async (req, res) => {
    const { accept } = demand(shapes.importQuery, req.query, 'The query');
    const result = readDesign(typeof req.body === 'string' ? req.body : '');
    if (!result.ok) throw refusedDesign(result.problems);
    if (result.doubts.length > 0 && accept !== 'doubts') {
      throw new ProblemError(422, 'The design has doubtful values', 'Nothing was imported yet.', {
        doubts: result.doubts,
      });
    }
    res.status(201).json(await store.create(result.design));
  });

  routes.get('/designs/:id', async (req, res) => {
    res.json(found(await store.get(idOf(req))));
  });

  routes.put('/designs/:id', json, async (req, res) => {
    const { version, design } = demand(shapes.save, req.body, 'The save');
    const saved = await store.save(idOf(req), version, demandDesign(design)).catch(asConflict);
    const { id, version: now, savedAt } = found(saved);
    res.json({ id, version: now, savedAt });
  });

  routes.delete('/designs/:id', async (req, res) => {
    if (!(await store.remove(idOf(req)))) throw missing();
    res.status(204).end();
  });

  routes.get('/designs/:id/export', async (req, res) => {
    const { design } = found(await store.get(idOf(req)));
    res.attachment(fileNameFor(design)).type('application/json').send(writeDesign(design));
  });

  routes.get('/designs/:id/revisions', async (req, res) => {
    const id = idOf(req);
    found(await store.get(id));
    res.json(await store.revisions(id));
  });

  routes.get('/designs/:id/revisions/:version', async (req, res) => {
    const version = demand(shapes.version, req.params['version'], 'The version');
    res.json(found(await store.revision(idOf(req), version)));
  });

  return routes;
}

const idOf = (req: Request): string => demand(shapes.id, req.params['id'], 'The design id');

const missing = (): ProblemError =>
  new ProblemError(404, 'No such design', 'It is not on the shelf; it may have been removed.');

function found(design: StoredDesign | undefined): StoredDesign {
  if (!design) throw missing();
  return design;
}

function asConflict(error: unknown): never {
  if (!(error instanceof StaleSave)) throw error;
  throw new ProblemError(409, 'Saved elsewhere', error.message, { current: error.current });
}
