import { fromVersion1 } from './migrations/from-version-1.js';
import { fromVersion2 } from './migrations/from-version-2.js';
import { fromVersion3 } from './migrations/from-version-3.js';
import { fromVersion4 } from './migrations/from-version-4.js';
import { fromVersion5 } from './migrations/from-version-5.js';
import { fromVersion6 } from './migrations/from-version-6.js';
import { fromVersion7 } from './migrations/from-version-7.js';
import { fromVersion8 } from './migrations/from-version-8.js';
import { fromVersion9 } from './migrations/from-version-9.js';
import { fromVersion10 } from './migrations/from-version-10.js';
import { fromVersion11 } from './migrations/from-version-11.js';
import { currentVersion } from './types.js';

/** Turns a document of one version into the next one. */
export type Migration = (document: Record<string, unknown>) => Record<string, unknown>;

/** By the version a migration starts from. Version 1 is the first that was ever written. */
export const migrations: Readonly<Record<number, Migration>> = {
  1: fromVersion1,
  2: fromVersion2,
  3: fromVersion3,
  4: fromVersion4,
  5: fromVersion5,
  6: fromVersion6,
  7: fromVersion7,
  8: fromVersion8,
  9: fromVersion9,
  10: fromVersion10,
  11: fromVersion11,
};

/**
 * Brings a document of any older version up to date.
 *
 * @param document with an integer `version`
 * @param steps, target replaceable for tests of the frame itself
 * @throws RangeError when the version is newer than this program, or no way leads up from it
 */
export function migrate(
  document: Record<string, unknown>,
  steps: Readonly<Record<number, Migration>> = migrations,
  target: number = currentVersion,
): Record<string, unknown> {
  let current = document;
  let version = Number(document['version']);
  if (version > target) {
    throw new RangeError(
      `The file has version ${version}; this program reads up to version ${target}. Update the program, or save the design there in an older version.`,
    );
  }
  while (version < target) {
    const step = steps[version];
    if (!step) throw new RangeError(`There is no design file version ${version}.`);
    version += 1;
    current = { ...step(current), version };
  }
  return current;
}
