import express, { type RequestHandler } from 'express';
import Joi from 'joi';
import { ProblemError } from './problem.js';

/**
 * Holds something small that came in from outside against its shape.
 *
 * @throws ProblemError 400 naming the place
 */
export function demand<T>(shape: Joi.Schema<T>, value: unknown, what: string): T {
  const result = shape.validate(value);
  if (!result.error) return result.value;
  // Naming a shape takes longer than looking at something small: only what is refused is named.
  const reason = shape.label(what).validate(value).error?.message ?? '';
  throw new ProblemError(400, `${what} makes no sense`, `${reason.slice(0, 400)}.`);
}

export const shapes = {
  id: Joi.string().guid().required() as Joi.Schema<string>,
  version: Joi.number().integer().min(1).required() as Joi.Schema<number>,
  importQuery: Joi.object({ accept: Joi.valid('doubts'), as: Joi.valid('example') }) as Joi.Schema<{
    accept?: 'doubts';
    as?: 'example';
  }>,
  passcode: Joi.object({ passcode: Joi.string().max(200).required() }).required() as Joi.Schema<{
    passcode: string;
  }>,
};

/**
 * Reads a body that must be JSON in UTF-8, as bytes. That it must say so keeps pages of other sites out: a browser asks
 * before it sends such a body, and is told no.
 */
export function jsonBytes(limit: number): RequestHandler[] {
  return [
    (req, _res, next) => {
      const [type = '', ...params] = (req.headers['content-type'] ?? '').toLowerCase().split(';');
      const charset = params
        .map((p) => /^\s*charset\s*=\s*"?([^"\s]*)/.exec(p)?.[1])
        .find((c) => c);
      const known = charset === undefined || charset === 'utf-8' || charset === 'utf8';
      if (type.trim() === 'application/json' && known) return next();
      throw new ProblemError(
        415,
        'Not JSON',
        'Send the header Content-Type: application/json, and the body in UTF-8. Nothing was changed.',
      );
    },
    express.raw({ limit, type: () => true }),
    (req, _res, next) => {
      if (!Buffer.isBuffer(req.body)) req.body = Buffer.alloc(0);
      next();
    },
  ];
}
