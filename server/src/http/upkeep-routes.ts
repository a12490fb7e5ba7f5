import { createReadStream, createWriteStream } from 'node:fs';
import { Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { Router, type Request, type RequestHandler, type Response } from 'express';
import { StartError } from '../config.js';
import { dateOf } from '../keeping/copies.js';
import { StoreTrouble } from '../keeping/trouble.js';
import type { Upkeep } from '../upkeep/upkeep.js';
import { ProblemError } from './problem.js';

/** Larger files are not received, bytes. */
const largest = 1e9;

/** Endpoints for everything at once: backup and putting it back, archive and taking it in. */
export function upkeepRoutes(upkeep: Upkeep): Router {
  const routes = Router();

  routes.get('/backup', async (_req, res) => {
    await upkeep.give('copy', (file) => send(res, file, 'application/vnd.sqlite3', 'sqlite'));
  });

  routes.post('/backup', ofType('application/vnd.sqlite3'), async (req, res) => {
    await upkeep.putBack((file) => receive(req, file)).catch(asProblem);
    res.status(204).end();
  });

  routes.get('/archive', async (_req, res) => {
    await upkeep.give('archive', (file) => send(res, file, 'application/zip', 'zip'));
  });

  routes.post('/archive', ofType('application/zip'), async (req, res) => {
    res.json(await upkeep.takeIn((file) => receive(req, file)));
  });

  return routes;
}

/** A body of one type only: a page of another site cannot send it without asking. */
const ofType =
  (type: string): RequestHandler =>
  (req, _res, next) => {
    if (req.headers['content-type']?.split(';')[0]?.trim().toLowerCase() === type) return next();
    throw new ProblemError(415, 'Another kind of file', `Send the header Content-Type: ${type}.`);
  };

async function send(res: Response, file: string, type: string, end: string): Promise<void> {
  res.attachment(`yurei-${dateOf(new Date())}.${end}`).type(type);
  // A reader that goes away is no fault of ours.
  await pipeline(createReadStream(file), res).catch(() => undefined);
}

async function receive(req: Request, file: string): Promise<void> {
  let size = 0;
  const counted = new Transform({
    transform(chunk: Buffer, _encoding, done) {
      size += chunk.length;
      if (size <= largest) done(null, chunk);
      else
        done(
          new ProblemError(
            413,
            'The file is too large',
            'It has more than 1 GB. Nothing was changed.',
          ),
        );
    },
  });
  await pipeline(req, counted, createWriteStream(file)).catch((error: NodeJS.ErrnoException) => {
    if (error.code === 'ENOSPC') throw new StoreTrouble('full', error);
    if (error.code === 'ERR_STREAM_PREMATURE_CLOSE' || error.code === 'ECONNRESET')
      throw new ProblemError(400, 'Cut off', 'The file ended too early. Nothing was changed.');
    throw error;
  });
}

function asProblem(error: unknown): never {
  if (!(error instanceof StartError)) throw error;
  // What it is called on the server means nothing to whoever sent it.
  const reason = error.message.replace(/(The (?:database|backup)) \S+/, '$1');
  throw new ProblemError(422, 'The backup cannot be used', reason);
}
