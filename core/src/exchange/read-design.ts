import { checkDesign, type Problem } from '../catalog/index.js';
import { migrate, mostReadingsInAll, outerConditions, type Design } from '../design/index.js';
import { checkScenes } from '../scene/index.js';
import { designShape, largestFile } from './design-shape.js';
import { conditionProblems } from './program-shape.js';

/** Lists and objects within each other; a condition twelve deep has less. */
const deepest = 32;

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
 * @returns every problem found at the first stage that finds any; never throws
 */
export function readDesign(text: string): ReadResult {
  if (text.length > largestFile) {
    const size = (text.length / 1e6).toFixed(1);
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
  if (deeper(document, deepest))
    return refuse(
      'file',
      `Something in it is nested more than ${deepest} deep`,
      'Choose a design file that was exported here, or put conditions less deep into each other.',
    );
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

/** Whether something is nested deeper than so many lists and objects. */
const deeper = (value: unknown, levels: number): boolean =>
  typeof value === 'object' &&
  value !== null &&
  (levels <= 0 || Object.values(value).some((inner) => deeper(inner, levels - 1)));

function checkCurrent(record: Record<string, unknown>): ReadResult {
  let current: Record<string, unknown>;
  try {
    current = migrate(record);
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    return refuse('version', error.message, 'Nothing was changed.');
  }
  const { error, value } = designShape.validate(current, { abortEarly: false, convert: false });
  if (error) {
    const problems = error.details.slice(0, 20).map((detail): Problem => {
      const place = placeOf(detail.path, current);
      return {
        place,
        reason: detail.message,
        cure: 'See docs/design-file.md for what belongs there.',
        severity: 'refuse',
      };
    });
    return { ok: false, problems };
  }
  const design = value as Design;
  const malformed = outerConditions(design).flatMap(([place, condition]) =>
    conditionProblems(condition).map(({ path, reason }): Problem => ({
      place: [place, placeOf(path, condition as unknown as Record<string, unknown>)]
        .filter((p) => p !== 'file')
        .join('.'),
      reason,
      cure: 'See docs/rules.md for what a condition of its kind needs.',
      severity: 'refuse',
    })),
  );
  if (malformed.length > 0) return { ok: false, problems: malformed.slice(0, 20) };
  const readings = design.readings.reduce((sum, set) => sum + set.counts.length, 0);
  if (readings > mostReadingsInAll)
    return refuse(
      'readings',
      `There are ${readings} readings; a design has at most ${mostReadingsInAll}`,
      'Remove sets that are no longer needed, or keep shorter ones.',
    );
  const found = [...checkDesign(design), ...checkScenes(design)];
  const problems = found.filter((p) => p.severity === 'refuse');
  if (problems.length > 0) return { ok: false, problems };
  return { ok: true, design, doubts: found };
}

/** ["parts", 3, "name"] → "parts[3] (R2).name". */
function placeOf(path: readonly (string | number)[], document: Record<string, unknown>): string {
  let at: unknown = document;
  let place = '';
  for (const key of path) {
    at = (at as Record<string | number, unknown> | undefined)?.[key];
    place += typeof key === 'number' ? `[${key}]` : `${place ? '.' : ''}${key}`;
    const id = (at as { id?: unknown } | undefined)?.id;
    if (typeof key === 'number' && typeof id === 'string') place += ` (${id.slice(0, 32)})`;
  }
  return place || 'file';
}

/** Line and column of a JSON error, where the engine tells a position. */
function jsonPlace(text: string, error: unknown): string {
  const position = /position (\d+)/.exec(String(error))?.[1];
  const at = position === undefined ? text.length : Number(position);
  const before = text.slice(0, at).split('\n');
  return `line ${before.length}, column ${before[before.length - 1].length + 1}`;
}
