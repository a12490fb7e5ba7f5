import Joi from 'joi';
import { formatQuantity } from '../quantity/index.js';
import type { Design } from '../design/index.js';
import { casesOf, sweptFacts, type Axis, type Study } from '../trials/index.js';
import { list, misshapes, placeOf, prepared } from './list-shape.js';
import { checkDocument } from './read-design.js';

/** Nights of all cases together that one study may have. */
export const mostTrials = 20_000;
const mostSteps = 15;

const number = Joi.number().unsafe();
const text = Joi.string().max(200).required();
const swept = Joi.alternatives(
  Joi.object({ of: Joi.valid('part').required(), part: text, param: text }),
  Joi.object({ of: Joi.valid('channel').required(), channel: text, field: text }),
).required();
const axis = Joi.object({
  dial: swept,
  from: number.required(),
  to: number.required(),
  steps: number.integer().min(2).max(mostSteps).required(),
});
const studyShape = prepared(
  Joi.object({
    scene: text,
    vary: Joi.object({
      tolerances: Joi.boolean().required(),
      temperature: number.min(0).max(100).required(),
      supply: number.min(0).max(0.5).required(),
      start: number.min(0).max(1e5).required(),
      strength: number.min(0).max(0.99).required(),
      place: number.min(0).max(100).required(),
    }).required(),
    first: number
      .integer()
      .min(0)
      .max(2 ** 31)
      .required(),
    count: number.integer().min(1).max(10_000).required(),
    ask: Joi.object({ for: Joi.valid('nights', 'corners', 'map', 'beside').required() })
      .when('.for', {
        switch: [
          { is: 'map', then: Joi.object({ axes: list(axis, 2).length(2) }) },
          {
            is: 'beside',
            then: Joi.object({ other: Joi.object().unknown().required(), label: text }),
          },
        ],
      })
      .required(),
  }).label('The study'),
);

const outcomes = ['noticed', 'missed', 'quiet', 'fired falsely', 'not tried'];
const trialShape = prepared(
  Joi.object({
    case: number.integer().min(0).max(mostTrials).required(),
    night: Joi.object({
      seed: number.integer().min(0).required(),
      outcomes: Joi.object()
        .pattern(
          Joi.string().max(32),
          Joi.object({ outcome: Joi.valid(...outcomes).required(), delay: number }),
        )
        .max(1000)
        .required(),
      strays: number.integer().min(0).required(),
      circuit: Joi.valid('in time'),
      trouble: Joi.string().max(4000),
    }).required(),
  }),
);

/** Whether a value is the nights of a study, as they are kept. */
export const areTrials = (value: unknown): boolean =>
  Array.isArray(value) &&
  value.length <= mostTrials &&
  value.every((trial) => misshapes(trialShape, trial).length === 0);

export type StudyResult = { ok: true; study: Study } | { ok: false; reason: string };

/** Holds a study that came in from outside against its shape and against the design it is of. Never throws. */
export function checkStudy(design: Design, value: unknown): StudyResult {
  const [wrong] = misshapes(studyShape, value);
  if (wrong) return { ok: false, reason: `${placeOf(wrong.path, value)}: ${wrong.message}.` };
  const study = { ...(value as Study) };
  if (!design.scenes.some((s) => s.id === study.scene))
    return { ok: false, reason: `The design has no scene “${study.scene}”. Choose one it has.` };
  if (study.ask.for === 'beside') {
    const other = checkDocument(study.ask.other);
    if (!other.ok)
      return {
        ok: false,
        reason: `The other design cannot be used: ${other.problems[0]?.reason ?? ''}.`,
      };
    study.ask = { ...study.ask, other: other.design };
  }
  const fault = study.ask.for === 'map' ? axesProblem(design, study.ask.axes) : undefined;
  if (fault) return { ok: false, reason: fault };
  const trials = casesOf(design, study).length * study.count;
  if (trials > mostTrials)
    return {
      ok: false,
      reason: `These are ${trials} nights; one study has at most ${mostTrials}. Give fewer nights or fewer steps.`,
    };
  return { ok: true, study };
}

function axesProblem(design: Design, axes: readonly Axis[]): string | undefined {
  const [across, upwards] = axes;
  if (JSON.stringify(across?.dial) === JSON.stringify(upwards?.dial))
    return 'Both sides of the map turn the same value. Choose two different ones.';
  for (const { dial: turns, from, to } of axes) {
    const facts = sweptFacts(design, turns);
    if (!facts) return 'The map turns a value that the design does not have. Choose another.';
    const { min, max, unit } = facts.param;
    if (Math.min(from, to) < min || Math.max(from, to) > max)
      return `${facts.label} goes from ${formatQuantity(min, unit)} to ${formatQuantity(max, unit)}. Give ends within that.`;
    if (from === to) return `Both ends for ${facts.label} are the same. Give two different ones.`;
  }
  return undefined;
}
