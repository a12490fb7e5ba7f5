import { largestFile, type StudySummary } from '@yurei/core/exchange';
import { Router, type Request, type Response } from 'express';
import type { Gate } from '../checking/gate.js';
import type { DesignStore } from '../designs/design-store.js';
import { mostRunning, type StudyDesk } from '../studies/study-desk.js';
import { idOf, missing } from './design-routes.js';
import { demand, jsonBytes, shapes } from './edge.js';
import { ProblemError } from './problem.js';

/** How long an answer waits for a client that does not read before it is given up, ms. */
const slowest = 30_000;

/** Endpoints for studies: many nights of a design, rehearsed by the server and kept. */
export function studyRoutes(gate: Gate, designs: DesignStore, desk: StudyDesk): Router {
  const routes = Router();
  // A design, and perhaps another one beside it.
  const json = jsonBytes(2 * largestFile + 10_000);

  routes.post('/designs/:id/studies', json, async (req: Request, res: Response) => {
    const id = await designOf(req);
    const checked = await gate.pass('study', req.body);
    if (desk.full)
      throw new ProblemError(
        429,
        'Too many at once',
        `${mostRunning} studies are under way. Wait for one, or cancel one.`,
      );
    const made = await desk.start(id, checked);
    if (!made) throw missing();
    res.status(201).json(made);
  });

  routes.get('/designs/:id/studies', async (req, res) => {
    res.json(await desk.store.list(await designOf(req)));
  });

  routes.get('/studies/:id', async (req, res) => {
    const whole = await desk.store.whole(studyId(req));
    if (!whole) throw missingStudy();
    const packed = Buffer.from(`{"document":${whole.document.toString()},"study":${whole.study}}`);
    const { document, study } = await gate.pass('keptStudy', packed);
    const trials = whole.nights.map((list) => list.slice(1, -1)).filter((list) => list !== '');
    const about = JSON.stringify(whole.summary).slice(0, -1);
    res
      .type('application/json')
      .send(`${about},"document":${document},"study":${study},"nights":[${trials.join()}]}`);
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
    const id = idOf(req);
    if ((await designs.versionOf(id)) === undefined) throw missing();
    return id;
  }

  async function studyOf(req: Request): Promise<StudySummary> {
    const study = await desk.store.get(studyId(req));
    if (!study) throw missingStudy();
    return study;
  }

  /** Nights as server-sent events: those done already, then more as they come, then how it ended. */
  async function tell(id: string, res: Response): Promise<void> {
    res.writeHead(200, {
      'Content-Type': 'text/event-stream',
      // Compressing would hold events back.
      'Cache-Control': 'no-cache, no-transform',
    });
    const gone = new AbortController();
    res.once('close', () => gone.abort());
    const under = desk.follow(id, 0, gone.signal);
    if (under) for await (const trials of under) await send(res, 'nights', `[${trials.join()}]`);
    else for (const trials of await desk.store.nights(id, 0)) await send(res, 'nights', trials);
    const kept = await desk.store.get(id);
    const end = { state: kept?.state ?? 'cancelled', trouble: kept?.trouble };
    await send(res, 'end', JSON.stringify(end));
    res.end();
  }
}

const studyId = (req: Request): string => demand(shapes.id, req.params['id'], 'The study id');

const missingStudy = (): ProblemError =>
  new ProblemError(404, 'No such study', 'It is not kept here; it may have been removed.');

/** Sends an event, and waits until it is taken; a client that never takes it is let go. */
async function send(res: Response, event: string, data: string): Promise<void> {
  if (res.destroyed || res.write(`event: ${event}\ndata: ${data}\n\n`)) return;
  await new Promise<void>((go) => {
    const given = setTimeout(() => res.destroy(), slowest);
    const on = (): void => {
      clearTimeout(given);
      res.off('drain', on).off('close', on);
      go();
    };
    res.once('drain', on).once('close', on);
  });
}
