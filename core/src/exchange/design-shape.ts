import Joi from 'joi';
import {
  answers,
  controllers,
  currentVersion,
  deadSupplies,
  feeds,
  materials,
  largestBackdrop,
  longestCode,
  mostReadings,
  openingKinds,
  sceneStarts,
  workTimes,
} from '../design/index.js';
import { list, numbers, prepared } from './list-shape.js';
import { programShape, sleepShape } from './program-shape.js';

/** Larger files are no designs: the largest sensible one is a few hundred kilobytes. */
export const largestFile = 2_000_000;
/** Most readings a recording in a design may have. */
export const largestRecording = 20_000;

const id = Joi.string()
  .pattern(/^[A-Za-z][A-Za-z0-9_-]{0,31}$/, 'id')
  .required();
const terminal = Joi.string()
  .pattern(/^[A-Za-z][A-Za-z0-9_-]{0,31}\.[A-Za-z0-9_+-]{1,16}$/, 'terminal')
  .required();
/** Lines of a program: nothing in them but letters, signs, tabs and line ends. */
const ownCode = Joi.string()
  .max(longestCode)
  .pattern(/^[\P{Cc}\t\n]*$/u)
  .messages({
    'string.pattern.base': '{{#label}} has control characters other than tabs and line ends',
  });
const text = (most: number): Joi.StringSchema => Joi.string().allow('').max(most).required();
const number = Joi.number().unsafe();
const params = Joi.object().pattern(Joi.string().max(32), number).max(64).required();
const point = { x: number.min(-1e5).max(1e5).required(), y: number.min(-1e5).max(1e5).required() };

/** Over the ground, m. */
const height = number.min(0).max(1000);

const part = Joi.object({
  id,
  kind: Joi.string().max(64).required(),
  name: text(120),
  params,
  place: Joi.object({
    ...point,
    z: height,
    facing: number.min(-360).max(360).required(),
    tilt: number.min(-90).max(90),
    on: Joi.string().max(32),
  }),
  indicates: Joi.boolean(),
  recording: Joi.string().max(32),
});

const wire = Joi.object({
  id,
  from: terminal,
  to: terminal,
  colour: Joi.string().max(32),
  length: number.min(0).max(1e4),
  gauge: number.min(0).max(1),
});

const group = Joi.object({
  id,
  name: text(120),
  parts: list(Joi.string().max(32), 2000).min(1),
  collapsed: Joi.boolean().required(),
});

const skills = [
  'analogue',
  'pwm',
  'interrupt',
  'data',
  'clock',
  'serial in',
  'serial out',
  'touch',
];

const filter = Joi.object({
  by: Joi.valid('mean', 'median', 'exponential').required(),
  n: number.integer().min(1).max(1000).required(),
});

const baseline = Joi.alternatives(
  Joi.object({
    kind: Joi.valid('fixed').required(),
    counts: number.min(0).max(4294967295).required(),
  }),
  Joi.object({
    kind: Joi.valid('learnt').required(),
    learn: number.integer().min(1).max(10000).required(),
    follow: number.min(0).max(1e7).required(),
    freeze: Joi.boolean().required(),
    unit: Joi.valid('counts', 'per cent').required(),
  }),
);

const channel = Joi.object({
  id,
  name: text(120),
  pin: terminal,
  trips: Joi.valid('above', 'below', 'away').required(),
  threshold: number.integer().min(0).max(4294967295).required(),
  hysteresis: number.integer().min(0).max(4294967295).required(),
  every: number.min(1e-4).max(86400).required(),
  hits: number.integer().min(1).max(10000).required(),
  misses: number.integer().min(1).max(10000).required(),
  edge: Joi.valid('rising', 'falling', 'change', 'low'),
  remembers: Joi.boolean(),
  powerUp: number.min(0).max(86400),
  filter,
  baseline,
  stretch: number.min(0).max(86400),
  lockOut: number.min(0).max(86400),
  invert: Joi.boolean(),
  missCost: number.greater(0).max(1e6),
});

const counts = numbers(mostReadings);

const readings = Joi.object({
  id,
  name: text(120),
  channel: Joi.string().max(32).required(),
  intent: Joi.valid('wanted', 'quiet', 'nuisance').required(),
  origin: Joi.valid('stand-in', 'board', 'file', 'typed').required(),
  taken: Joi.string().isoDate().required(),
  every: number.greater(0).max(1e7).required(),
  counts,
  excluded: list(
    Joi.object({ at: number.integer().min(0).required(), reason: text(400) }),
    mostReadings,
  ),
  conditions: Joi.object({
    distance: number.min(0).max(1e5),
    angle: number.min(-180).max(180),
    light: number.min(0).max(1e6),
    temperature: number.min(-100).max(1000),
    supply: number.min(0).max(1000),
    surface: Joi.string().allow('').max(120),
  }).required(),
  notes: text(4000),
});

const output = Joi.object({
  id,
  name: text(120),
  pin: terminal,
  active: Joi.valid('high', 'low').required(),
  feeds: Joi.boolean(),
  fade: Joi.object({
    up: number.min(0).max(86400).required(),
    down: number.min(0).max(86400).required(),
    curve: Joi.valid('straight', 'eye').required(),
  }),
});

const named = Joi.string().max(32).required();
const sign = Joi.object({ by: Joi.valid('part', 'counter', 'mode', 'notice').required() }).when(
  '.by',
  {
    switch: [
      { is: 'part', then: Joi.object({ part: named }) },
      {
        is: 'counter',
        then: Joi.object({ counter: named, step: number.integer().invalid(0).required() }),
      },
      { is: 'mode', then: Joi.object({ machine: named, mode: named }) },
      { is: 'notice', then: Joi.object({ notice: named }) },
    ],
  },
);

/** One happening of a scene. */
export const happeningShape = Joi.object({
  id,
  kind: Joi.string().max(64).required(),
  name: text(120),
  intent: Joi.valid('wanted', 'nuisance').required(),
  start: number.min(0).max(1e7).required(),
  params,
  need: Joi.string().max(32),
  signs: list(sign, 16).optional(),
  within: number.greater(0).max(1e7),
  target: Joi.object({
    part: named.optional(),
    param: text(32).optional(),
    wire: named.optional(),
  }),
  path: list(Joi.object(point), 100).min(1).optional(),
  z: height,
});

const scene = Joi.object({
  id,
  name: text(120),
  seed: number.integer().min(0).max(2147483647).required(),
  duration: number.greater(0).max(1e7).required(),
  ambient: params,
  modes: Joi.object().pattern(Joi.string().max(32), Joi.string().max(32)).max(16),
  starts: Joi.valid(...sceneStarts),
  happenings: list(happeningShape, 1000),
});

const accepted = Joi.object({
  finding: Joi.string().min(1).max(200).required(),
  severity: Joi.valid('error', 'caution', 'note').required(),
  reason: Joi.string().trim().min(1).max(400).required(),
});

const need = Joi.object({
  id,
  intent: Joi.valid('wanted', 'nuisance').required(),
  kind: Joi.string().max(64).required(),
  name: text(120),
  params,
  far: number.min(0).max(1e4),
  within: number.greater(0).max(1e7),
});

const brief = Joi.object({
  needs: list(need, 100),
  outdoors: Joi.boolean(),
  by: Joi.valid(...workTimes),
  feed: Joi.valid(...feeds),
  controller: Joi.valid(...controllers),
  answer: Joi.valid(...answers),
  lasts: number.greater(0).max(1e7),
  withoutPower: Joi.valid(...deadSupplies),
  tells: text(400),
  read: list(Joi.string().max(32), 50).optional(),
  children: Joi.boolean(),
  animals: Joi.boolean(),
});

const recording = Joi.object({
  id,
  name: text(120),
  times: numbers(largestRecording).min(1),
  values: numbers(largestRecording).min(1),
});

const metres = number.greater(0).max(1000).required();

const opening = Joi.object({
  kind: Joi.valid(...openingKinds).required(),
  along: number.min(0).max(1e5).required(),
  width: metres,
  bottom: height.required(),
  top: height.required(),
});

const plan = Joi.object({
  width: number.greater(0).max(1e4).required(),
  depth: number.greater(0).max(1e4).required(),
  walls: list(
    Joi.object({
      from: Joi.object(point).required(),
      to: Joi.object(point).required(),
      material: Joi.valid(...materials),
      height,
      openings: list(opening, 20).optional(),
    }),
    500,
  ),
  north: number.min(-360).max(360),
  rooms: list(
    Joi.object({ name: text(120), outline: list(Joi.object(point), 100).min(3).required() }),
    100,
  ).optional(),
  trees: list(
    Joi.object({
      at: Joi.object(point).required(),
      radius: metres,
      height: metres,
    }),
    200,
  ).optional(),
  backdrop: Joi.object({
    image: Joi.string()
      .max(largestBackdrop)
      .pattern(/^data:image\/(png|jpeg|svg\+xml);base64,[A-Za-z0-9+/]+=*$/, 'picture')
      .required(),
    ...point,
    width: metres.max(1e5),
  }),
  entrances: list(Joi.object(point), 50).optional(),
  guarded: Joi.object(point),
  spots: list(
    Joi.object({
      name: text(120),
      at: Joi.object({ ...point, z: height }).required(),
      background: number.min(0).max(120).required(),
    }),
    50,
  ).optional(),
});

/**
 * The shape of a design document of the current version. What it says is held against the catalogue
 * afterwards; the published JSON Schema says the same and the tests keep the two in step.
 */
export const designShape = prepared(
  Joi.object({
    format: Joi.valid('yurei-design').required(),
    version: Joi.valid(currentVersion).required(),
    title: Joi.string().min(1).max(120).required(),
    purpose: text(4000),
    site: text(4000),
    brief: brief.required(),
    plan: plan.required(),
    parts: list(part, 2000),
    wires: list(wire, 10000),
    groups: list(group, 500),
    controller: Joi.object({
      pins: list(
        Joi.object({
          pin: terminal,
          mode: Joi.valid('analogue', 'input', 'pull-up', 'output').required(),
          skill: Joi.valid(...skills),
        }),
        500,
      ),
      sleep: sleepShape,
      watchdog: number.min(0.01).max(86400),
      code: Joi.object({ top: ownCode, start: ownCode, pass: ownCode, event: ownCode }).min(1),
    }).required(),
    channels: list(channel, 200),
    outputs: list(output, 200),
    ...programShape,
    scenes: list(scene, 200),
    recordings: list(recording, 50),
    readings: list(readings, 500),
    accepted: list(accepted, 500),
    notes: text(100000),
  }),
);
