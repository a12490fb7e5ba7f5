import { checkStudy, largestFile, type StoredStudy } from '@yurei/core/exchange';
import express, { Router, type Request, type Response } from 'express';
import type { DesignStore } from '../designs/design-store.js';
import { mostRunning, type StudyDesk } from '../studies/study-desk.js';
import { demand, demandDesign, shapes } from './edge.js';
import { ProblemError } from './problem.js';

/** Endpoints for studies: many nights of a design, rehearsed by the server and kept. */
export function studyRoutes(designs: DesignStore, desk: StudyDesk): Router {
  const routes = Router();
  const json = express.json({ limit: 2 * largestFile });

  routes.post('/designs/:id/studies', json, async (req, res) => {
    const id = await designOf(req);
    const { design, study } = demand(shapes.study, req.body, 'The study');
    const document = demandDesign(design);
    const checked = checkStudy(document, study);
    if (!checked.ok) throw new ProblemError(422, 'The study cannot be run', checked.reason);
    if (desk.full)
      throw new ProblemError(
        429,
        'Too many at once',
        `${mostRunning} studies are under way. Wait for one, or cancel one.`,
      );
    res.status(201).json(await desk.start(id, document, checked.study));
  });

  routes.get('/designs/:id/studies', async (req, res) => {
    res.json(await desk.store.list(await designOf(req)));
  });

  routes.get('/studies/:id', async (req, res) => {
    res.json(await studyOf(req));
  });

  routes.get('/studies/:id/nights', async (req, res) => {
    await tell((await studyOf(req)).id, res);
  });

  routes.post('/studies/:id/cancel', async (req, res) => {
    const { id } = await studyOf(req);
    await desk.cancel(id);
    res.status(204).end();
  });

  routes.delete('/studies/:id', async (req, res) => {
    const { id } = await studyOf(req);
    await desk.cancel(id);
    await desk.store.remove(id);
    res.status(204).end();
  });

  return routes;

  async function designOf(req: Request): Promise<string> {
    const id = demand(shapes.id, req.params['id'], 'The design id');
    if (!(await designs.get(id)))
      throw new ProblemError(
        404,
        'No such design',
        'It is not on the shelf; it may have been removed.',
      );
    return id;
  }

  async function studyOf(req: Request): Promise<StoredStudy> {
    const study = await desk.store.get(demand(shapes.id, req.params['id'], 'The study id'));
    if (!study)
      throw new ProblemError(
        404,
        'No such study',
        'It is not kept here; it may have been removed.',
      );
    return study;
  }

  /** Nights as server-sent events: those done already, then more as they come, then how it ended. */
  async function tell(id: string, res: Response): Promise<void> {
    res.writeHead(200, {
      'Content-Type': 'text/event-stream',
      // Compressing would hold events back.
      'Cache-Control': 'no-cache, no-transform',
    });
    const send = (event: string, data: unknown): void =>
      void res.write(`event: ${event}\ndata: ${JSON.stringify(data)}\n\n`);
    const more = (nights: StoredStudy['nights']): void => send('nights', nights);
    const under = desk.follow(id);
    if (under) {
      more(under.nights);
      under.told.on('nights', more);
      await new Promise<void>((resolve) => {
        under.told.once('end', resolve);
        res.once('close', resolve);
      });
      under.told.off('nights', more);
    }
    const kept = await desk.store.get(id);
    if (!under) more(kept?.nights ?? []);
    send('end', { state: kept?.state ?? 'cancelled', trouble: kept?.trouble });
    res.end();
  }
}
