import Joi from 'joi';
import { list } from './list-shape.js';

const text = Joi.string().max(120).required();

/** The five answers, as they are kept for the shelf. */
export const answersShape = list(
  Joi.object({
    id: Joi.valid('notices', 'quiet', 'survives', 'lasts', 'built').required(),
    label: text,
    state: Joi.valid('fine', 'caution', 'error', 'unknown').required(),
    value: text,
  }),
  5,
);
