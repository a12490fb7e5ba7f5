import Joi from 'joi';
import { conditionKinds, type Field, type NumberField } from '../condition/index.js';
import { firstOf, list, misshapes, prepared, type Misshape } from './list-shape.js';

const number = Joi.number().unsafe();
const name = Joi.string().max(32).required();
const id = Joi.string()
  .pattern(/^[A-Za-z][A-Za-z0-9_-]{0,31}$/, 'id')
  .required();
const label = Joi.string().allow('').max(120).required();
const seconds = number.min(0).max(1e7);
const count = number.integer().min(-1e9).max(1e9).required();

/** A condition is looked at by `conditionProblems`, as conditions hold conditions. */
const condition = Joi.object().unknown();
const within = condition.required();
const several = list(condition, 64).min(1);

/** The shape of a field of a condition. */
function fieldShape(field: Field): Joi.Schema {
  switch (field.type) {
    case 'condition':
      return within;
    case 'conditions':
      return several;
    case 'name':
    case 'mode':
      return name;
    case 'choice':
      return Joi.valid(...field.options).required();
    case 'time':
      return number.min(0).max(86400).required();
    default:
      return numberShape(field);
  }
}

function numberShape({ min, max, above, from, whole, nonzero }: NumberField): Joi.Schema {
  let shape = number.min(from === undefined ? min : Joi.ref(from)).max(max);
  if (above) shape = shape.greater(min);
  if (whole) shape = shape.integer();
  return (nonzero ? shape.invalid(0) : shape).required();
}

const kindShape = prepared(
  Joi.object({ is: Joi.valid(...conditionKinds.map(({ is }) => is)).required() }).unknown(),
);
const shapes = new Map(
  conditionKinds.map(({ is, fields }) => [
    String(is),
    prepared(
      Joi.object({
        is,
        ...Object.fromEntries(
          Object.entries<Field>(fields).map(([field, one]) => [field, fieldShape(one)]),
        ),
      }),
    ),
  ]),
);

/**
 * What is wrong with a condition of a document, and with those that it holds: where in it, and why; the first
 * things only, as there may be very many.
 */
export function conditionProblems(value: unknown): Misshape[] {
  const kind = (value as { is?: unknown } | null)?.is;
  const wrong = misshapes(shapes.get(String(kind)) ?? kindShape, value);
  if (wrong.length > 0) return wrong;
  return firstOf(Object.entries(value as object), ([key, inner]: [string, unknown]) =>
    Array.isArray(inner)
      ? firstOf(inner.entries(), ([i, one]) => heldProblems([key, i], one))
      : typeof inner === 'object' && inner !== null
        ? heldProblems([key], inner)
        : [],
  );
}

const heldProblems = (path: (string | number)[], inner: unknown): Misshape[] =>
  conditionProblems(inner).map((p) => ({ ...p, path: [...path, ...p.path] }));

const amount = Joi.alternatives(
  number.min(0).max(1),
  Joi.object({ counter: name, of: number.integer().min(1).max(1e9).required() }),
  Joi.object({
    channel: name,
    from: number.required(),
    to: number.invalid(Joi.ref('from')).required(),
  }),
);

const drive = Joi.object({ as: Joi.valid('on', 'off', 'level', 'pattern').required() }).when(
  '.as',
  {
    switch: [
      { is: 'level', then: Joi.object({ level: amount.required() }) },
      {
        is: 'pattern',
        then: Joi.object({
          beats: list(number.min(0.001).max(86400), 64).min(1),
          times: Joi.alternatives(number.integer().min(1).max(1e6), Joi.object({ counter: name })),
          pause: seconds,
        }),
      },
    ],
  },
);

const acts = [
  Joi.object({ do: Joi.valid('count').required(), counter: name, by: count }),
  Joi.object({ do: Joi.valid('set').required(), counter: name, to: count }),
  Joi.object({ do: Joi.valid('play', 'stop').required(), sequence: name }),
];

const act = Joi.alternatives(...acts);
const action = Joi.alternatives(
  ...acts,
  Joi.object({ do: Joi.valid('drive').required(), output: name, drive: drive.required() }),
);

/** One rule of a program. */
const rule = Joi.object({
  id,
  when: condition.required(),
  while: condition,
  hold: number.min(0).max(86400).required(),
  atLeast: seconds,
  atMost: seconds,
  lockOut: seconds,
  once: Joi.boolean(),
  latch: Joi.boolean().required(),
  until: condition,
  then: list(action, 32).min(1),
});

const machine = Joi.object({
  id,
  name: label,
  modes: list(Joi.object({ id, name: label }), 64).min(1),
  start: name,
  kept: Joi.boolean(),
  transitions: list(
    Joi.object({
      from: Joi.string().max(32),
      to: name,
      when: condition,
      after: seconds,
      then: list(act, 32).optional(),
    }).or('when', 'after'),
    256,
  ),
});

const counter = Joi.object({
  id,
  name: label,
  start: count,
  least: count,
  most: count,
  wraps: Joi.boolean(),
  kept: Joi.boolean(),
});

const sequence = Joi.object({
  id,
  name: label,
  length: seconds.greater(0).required(),
  times: number.integer().min(0).max(1e6).required(),
  lanes: list(
    Joi.object({
      output: name,
      ambient: drive,
      blocks: list(
        Joi.object({
          start: seconds.required(),
          length: seconds.greater(0).required(),
          drive: drive.required(),
        }),
        500,
      ),
    }),
    32,
  ),
});

const notice = Joi.object({
  id,
  name: label,
  tells: Joi.alternatives(
    Joi.object({ tell: Joi.valid('condition').required(), condition: condition.required() }),
    Joi.object({ tell: Joi.valid('counter').required(), counter: name }),
    Joi.object({ tell: Joi.valid('mode').required(), machine: name }),
    Joi.object({
      tell: Joi.valid('reading').required(),
      channel: name,
      by: number.greater(0).required(),
    }),
  ).required(),
  heartbeat: seconds.greater(0),
  gap: seconds,
});

/** How the controller sleeps. */
export const sleepShape = Joi.object({
  every: seconds.greater(0).required(),
  awake: seconds.greater(0).less(Joi.ref('every')).required(),
  unless: condition,
});

/** The lists of a design that run on its controller. */
export const programShape = {
  counters: list(counter, 64),
  machines: list(machine, 16),
  rules: list(rule, 200),
  sequences: list(sequence, 32),
  notices: list(notice, 64),
};
