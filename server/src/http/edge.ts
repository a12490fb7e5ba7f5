import type { Design } from '@yurei/core/design';
import { checkDocument } from '@yurei/core/exchange';
import Joi from 'joi';
import { ProblemError, refusedDesign } from './problem.js';

/**
 * Holds something that came in from outside against its shape.
 *
 * @throws ProblemError 400 naming the place
 */
export function demand<T>(shape: Joi.Schema<T>, value: unknown, what: string): T {
  const result = shape.label(what).validate(value, { abortEarly: false });
  if (result.error)
    throw new ProblemError(400, `${what} makes no sense`, `${result.error.message}.`);
  return result.value;
}

/**
 * Holds a document against the design shape and the catalogue; doubts pass.
 *
 * @throws ProblemError 422 with every problem
 */
export function demandDesign(document: unknown): Design {
  const result = checkDocument(document);
  if (!result.ok) throw refusedDesign(result.problems);
  return result.design;
}

export const shapes = {
  id: Joi.string().guid().required() as Joi.Schema<string>,
  version: Joi.number().integer().min(1).required() as Joi.Schema<number>,
  save: Joi.object({
    version: Joi.number().integer().min(1).required(),
    design: Joi.object().unknown().required(),
  }).required() as Joi.Schema<{ version: number; design: unknown }>,
  create: Joi.object({ design: Joi.object().unknown().required() }).required() as Joi.Schema<{
    design: unknown;
  }>,
  study: Joi.object({
    design: Joi.object().unknown().required(),
    study: Joi.object().unknown().required(),
  }).required() as Joi.Schema<{ design: unknown; study: unknown }>,
  importQuery: Joi.object({ accept: Joi.valid('doubts') }) as Joi.Schema<{ accept?: 'doubts' }>,
};
