import type { Problem } from '@yurei/core/catalog';
import { type Design, migrate, withoutAttachments } from '@yurei/core/design';
import {
  answersShape,
  checkDocument,
  checkStudy,
  designShape,
  largestFile,
  misshapes,
  placeOf,
  readDesign,
  type ReadResult,
} from '@yurei/core/exchange';
import { casesOf } from '@yurei/core/trials';
import Joi from 'joi';
import type { CheckedDesign } from '../designs/design-store.js';
import { NotText, textFrom } from '../keeping/bytes.js';
import { factsIn } from '../keeping/design-facts.js';
import { packNow } from '../keeping/packing.js';
import type { CheckedStudy } from '../studies/study-store.js';

/** What comes in, by its form, and what it is once it has been checked. */
export interface Examined {
  /** A design file, with what is doubtful in it. */
  import: CheckedDesign & { doubts: Problem[] };
  /** A new design: `{ design }`. */
  create: CheckedDesign;
  /** A save: `{ version, design }`. */
  save: CheckedDesign & { version: number };
  /** The five answers of a save: `{ version, answers }`. */
  answers: { version: number; answers: string };
  /** A study: `{ design, study }`. */
  study: CheckedStudy;
  /** A design as it was kept here: the document of the current version. */
  kept: { text: string };
  /** A study as it was kept here: `{ document, study }`, both with designs of the current version. */
  keptStudy: { document: string; study: string };
}

export type Form = keyof Examined;

/** Why something was refused, as data that can cross from a worker thread. */
export interface Refusal {
  status: number;
  title: string;
  detail: string;
  problems?: Problem[];
}

export type Examination<F extends Form> =
  { ok: true; value: Examined[F] } | { ok: false; refusal: Refusal };

class Refused extends Error {
  constructor(readonly refusal: Refusal) {
    super(refusal.detail);
  }
}

const refuse = (status: number, title: string, detail: string): never => {
  throw new Refused({ status, title, detail });
};

/** Checks what came in, from its bytes on. Never throws for anything that bytes can be. */
export function examine<F extends Form>(form: F, body: Uint8Array): Examination<F> {
  try {
    return { ok: true, value: examiners[form](textOf(body)) };
  } catch (error) {
    if (error instanceof Refused) return { ok: false, refusal: error.refusal };
    throw error;
  }
}

const object = Joi.object().unknown().required();
const version = Joi.number().integer().min(1).required();
const form = (what: string, fields: Joi.SchemaMap): Joi.ObjectSchema =>
  Joi.object(fields).required().label(what).prefs({ convert: false });
const forms = {
  create: form('The new design', { design: object }),
  save: form('The save', { version, design: object }),
  answers: form('What was answered', { version, answers: answersShape.required() }),
  study: form('The study', { design: object, study: object }),
};

const examiners: { [F in Form]: (text: string) => Examined[F] } = {
  import: (text) => {
    const { design, doubts } = accepted(readDesign(text));
    return { ...checked(design), doubts };
  },
  create: (text) => {
    const { design } = shaped<{ design: unknown }>('create', text);
    return checked(accepted(checkDocument(design)).design);
  },
  save: (text) => {
    const body = shaped<{ version: number; design: unknown }>('save', text);
    const { design } = accepted(checkDocument(body.design));
    return { ...checked(design), version: body.version };
  },
  answers: (text) => {
    const { version, answers } = shaped<{ version: number; answers: unknown[] }>('answers', text);
    return { version, answers: JSON.stringify(answers) };
  },
  study: (text) => {
    const body = shaped<{ design: unknown; study: unknown }>('study', text);
    const { design } = accepted(checkDocument(body.design));
    const result = checkStudy(design, body.study);
    if (!result.ok) return refuse(422, 'The study cannot be run', result.reason);
    const { study } = result;
    return {
      document: JSON.stringify(withoutAttachments(design)),
      study: JSON.stringify(study),
      scene: design.scenes.find((s) => s.id === study.scene)?.name ?? '',
      ask: study.ask.for,
      first: study.first,
      count: study.count,
      cases: casesOf(design, study).length,
    };
  },
  kept: (text) => {
    const document = parsed(text, 'What is kept', '');
    const current = readable(document);
    const same = current.version === (document as Fields)['version'];
    return { text: same ? text : JSON.stringify(current) };
  },
  keptStudy: (text) => {
    const { document, study } = fieldsOf(parsed(text, 'What is kept', ''));
    const design = readable(document);
    const { ask, ...rest } = fieldsOf(study);
    const { other, ...asked } = fieldsOf(ask);
    const whole = other === undefined ? asked : { ...asked, other: readable(other) };
    const result = checkStudy(design, { ...rest, ask: whole });
    if (!result.ok) return refuse(422, 'The study cannot be read', result.reason);
    return { document: JSON.stringify(design), study: JSON.stringify(result.study) };
  },
};

type Fields = Record<string, unknown>;

const fieldsOf = (value: unknown): Fields =>
  typeof value === 'object' && value !== null ? (value as Fields) : {};

/**
 * A design document of any version as one of the present. Its shape must be sound; what the catalogue says of it may
 * have changed since it was saved.
 */
function readable(document: unknown): Design {
  const { format, version } = fieldsOf(document);
  if (format !== 'yurei-design' || !Number.isInteger(version))
    return refuse(422, 'The design cannot be read', 'What is kept is no design document.');
  const current = broughtUp(document as Fields);
  const [wrong] = misshapes(designShape, current);
  if (wrong) {
    const place = placeOf(wrong.path, current);
    return refuse(422, 'The design cannot be read', `${place}: ${wrong.message}.`);
  }
  return current as unknown as Design;
}

function broughtUp(document: Fields): Fields {
  try {
    return migrate(document);
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    return refuse(422, 'The design cannot be read', error.message);
  }
}

function textOf(body: Uint8Array): string {
  try {
    return textFrom(body).replace(/^\uFEFF/, '');
  } catch (error) {
    if (!(error instanceof NotText)) throw error;
    return refuse(
      400,
      'Not text',
      'What was sent is no text in UTF-8. Save the file as UTF-8, then try again. Nothing was changed.',
    );
  }
}

function parsed(text: string, what: string, end = ' Nothing was changed.'): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return refuse(400, 'Not JSON', `${what} is not complete JSON.${end}`);
  }
}

function shaped<T>(form: keyof typeof forms, text: string): T {
  const body = parsed(text, 'What was sent');
  const { error } = forms[form].validate(body);
  if (error)
    refuse(400, 'It makes no sense', `${error.message.slice(0, 400)}. Nothing was changed.`);
  return body as T;
}

function accepted(result: ReadResult): { design: Design; doubts: Problem[] } {
  if (result.ok) return result;
  throw new Refused({
    status: 422,
    title: 'The design cannot be used',
    detail: 'Nothing was changed.',
    problems: result.problems,
  });
}

function checked(design: Design): CheckedDesign {
  const text = JSON.stringify(design);
  if (text.length > largestFile)
    refuse(
      413,
      'The design is too large',
      `It has ${(text.length / 1e6).toFixed(1)} MB; a design has at most ${largestFile / 1e6} MB. Remove readings or recordings that are no longer needed. Nothing was changed.`,
    );
  return { text, packed: packNow(text), facts: factsIn(design) };
}
