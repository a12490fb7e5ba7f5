import { checkDesign, type Problem } from '../catalog/index.js';
import { migrate, mostReadingsInAll, outerConditions, type Design } from '../design/index.js';
import { checkScenes } from '../scene/index.js';
import { designShape, largestFile } from './design-shape.js';
import { cut, firstOf, misshapes, mostProblems, placeOf } from './list-shape.js';
import { decimals } from '../quantity/index.js';
import { conditionProblems } from './program-shape.js';

/** Lists and objects within each other; a condition twelve deep has less. */
const deepest = 32;
/** Fields of one object; the one with most has less than twenty, and names are at most 64. */
const mostFields = 100;

/** A design read from a file, or why it cannot be; doubts do not stand in the way but want a look. */
export type ReadResult =
  { ok: true; design: Design; doubts: Problem[] } | { ok: false; problems: Problem[] };

const refuse = (place: string, reason: string, cure: string): ReadResult => ({
  ok: false,
  problems: [{ place, reason, cure, severity: 'refuse' }],
});

/**
 * Reads a design file: size, JSON, format, version and migration, shape, then what it says.
 *
 * @param text the whole file
 * @returns the first problems of the first stage that finds any; never throws, and takes no longer than the file is long
 */
export function readDesign(text: string): ReadResult {
  if (text.length > largestFile) {
    const size = decimals(text.length / 1e6, 1);
    return refuse(
      'file',
      `The file has ${size} MB; a design has at most ${largestFile / 1e6} MB`,
      'Choose a design file that was exported here.',
    );
  }
  let document: unknown;
  try {
    document = JSON.parse(text.replace(/^\uFEFF/, ''));
  } catch (error) {
    return refuse(
      jsonPlace(text, error),
      'The file is not complete JSON',
      'Export it again, or mend it at that place with a text editor.',
    );
  }
  return checkDocument(document);
}

/** The same for a document that is parsed already, as the server receives it. */
export function checkDocument(document: unknown): ReadResult {
  if (typeof document !== 'object' || document === null || Array.isArray(document)) {
    return refuse(
      'file',
      'The file holds no design',
      'Choose a file whose format is "yurei-design".',
    );
  }
  const shape = oddity(document, deepest);
  if (shape) return refuse('file', shape.reason, shape.cure);
  const record = document as Record<string, unknown>;
  if (record['format'] !== 'yurei-design') {
    const found =
      record['format'] === undefined
        ? 'no format'
        : `the format ${JSON.stringify(record['format']).slice(0, 60)}`;
    return refuse(
      'format',
      `The file states ${found}, not "yurei-design"`,
      'Choose a design file that was exported here.',
    );
  }
  if (!Number.isInteger(record['version']) || (record['version'] as number) < 1) {
    return refuse(
      'version',
      'The version must be a whole number from 1 up',
      'Export the design again.',
    );
  }
  return checkCurrent(record);
}

/** What makes something no design at first sight, before any of it is understood. */
function oddity(value: unknown, levels: number): { reason: string; cure: string } | undefined {
  if (typeof value !== 'object' || value === null) return undefined;
  if (levels <= 0)
    return {
      reason: `Something in it is nested more than ${deepest} deep`,
      cure: 'Choose a design file that was exported here, or put conditions less deep into each other.',
    };
  const inner = Array.isArray(value) ? value : Object.values(value);
  if (!Array.isArray(value) && inner.length > mostFields)
    return {
      reason: `Something in it has ${inner.length} fields; at most ${mostFields} make sense`,
      cure: 'Choose a design file that was exported here.',
    };
  for (const one of inner) {
    const odd = oddity(one, levels - 1);
    if (odd) return odd;
  }
  return undefined;
}

function checkCurrent(record: Record<string, unknown>): ReadResult {
  let current: Record<string, unknown>;
  try {
    current = migrate(record);
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    return refuse('version', error.message, 'Nothing was changed.');
  }
  const wrong = misshapes(designShape, current);
  if (wrong.length > 0)
    return refuseAll(wrong.map(({ path, message }) => problemAt(placeOf(path, current), message)));
  const design = current as unknown as Design;
  const malformed = firstOf(outerConditions(design), ([place, condition]) =>
    conditionProblems(condition).map(({ path, message }) => {
      const within = placeOf(path, condition as unknown as Record<string, unknown>);
      return problemAt(within === 'file' ? place : `${place}.${within}`, message, 'docs/rules.md');
    }),
  );
  if (malformed.length > 0) return refuseAll(malformed);
  const readings = design.readings.reduce((sum, set) => sum + set.counts.length, 0);
  if (readings > mostReadingsInAll)
    return refuse(
      'readings',
      `There are ${readings} readings; a design has at most ${mostReadingsInAll}`,
      'Remove sets that are no longer needed, or keep shorter ones.',
    );
  const found = [...checkDesign(design), ...checkScenes(design)];
  const problems = found.filter((p) => p.severity === 'refuse');
  if (problems.length > 0) return refuseAll(problems);
  return { ok: true, design, doubts: told(found) };
}

const problemAt = (place: string, reason: string, where = 'docs/design-file.md'): Problem => ({
  place,
  reason,
  cure: `See ${where} for what belongs there.`,
  severity: 'refuse',
});

const refuseAll = (problems: readonly Problem[]): ReadResult => ({
  ok: false,
  problems: told(problems),
});

/** The first problems in words of sensible length. */
const told = (problems: readonly Problem[]): Problem[] =>
  problems.slice(0, mostProblems).map(({ place, reason, cure, severity }) => ({
    place: cut(place),
    reason: cut(reason),
    cure: cut(cure),
    severity,
  }));

/** Line and column of a JSON error, where the engine tells a position. */
function jsonPlace(text: string, error: unknown): string {
  const position = /position (\d+)/.exec(String(error))?.[1];
  const at = position === undefined ? text.length : Number(position);
  const before = text.slice(0, at).split('\n');
  return `line ${before.length}, column ${(before.at(-1) ?? '').length + 1}`;
}
