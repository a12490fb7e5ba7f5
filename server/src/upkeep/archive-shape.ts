import type { StudyState, StudySummary } from '@yurei/core/exchange';
import Joi from 'joi';

/** What the file `archive.json` of an archive says: docs/archive.md. */
export interface Manifest {
  format: 'yurei-archive';
  version: 1;
  /** ISO 8601, UTC. */
  madeAt: string;
  designs: ArchivedDesign[];
}

export interface ArchivedDesign {
  id: string;
  title: string;
  version: number;
  createdAt: string;
  savedAt: string;
  /** The five answers as JSON; empty where they were not computed. */
  answers: string;
  /** Name of the file with the document. */
  file: string;
  /** Oldest first; `age`: for how long servers had run since, s. */
  revisions: { version: number; savedAt: string; age: number; file: string }[];
  /** Oldest first. */
  studies: ArchivedStudy[];
}

export interface ArchivedStudy {
  id: string;
  madeAt: string;
  state: Exclude<StudyState, 'running'>;
  scene: string;
  ask: StudySummary['ask'];
  done: number;
  wanted: number;
  trouble: string;
  /** Name of the file with `{ document, study, nights }`. */
  file: string;
}

const text = Joi.string().allow('').max(4000).required();
const count = Joi.number().integer().min(0).required();
const file = Joi.string().max(300).required();
const guid = Joi.string().guid().required();

export const manifestShape = Joi.object({
  format: Joi.valid('yurei-archive').required(),
  version: Joi.valid(1).required(),
  madeAt: text,
  designs: Joi.array()
    .max(20_000)
    .items(
      Joi.object({
        id: guid,
        title: text,
        version: count.min(1),
        createdAt: text,
        savedAt: text,
        answers: text,
        file,
        revisions: Joi.array()
          .max(100_000)
          .items(
            Joi.object({
              version: count.min(1),
              savedAt: text,
              age: Joi.number().required(),
              file,
            }),
          )
          .required(),
        studies: Joi.array()
          .max(10_000)
          .items(
            Joi.object({
              id: guid,
              madeAt: text,
              state: Joi.valid('done', 'cancelled', 'failed', 'stopped').required(),
              scene: text,
              ask: Joi.valid('nights', 'map', 'corners', 'beside').required(),
              done: count,
              wanted: count,
              trouble: text,
              file,
            }),
          )
          .required(),
      }),
    )
    .required(),
}).required();
