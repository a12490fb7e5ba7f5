import { unzipSync } from 'fflate';
import { areTrials } from '@yurei/core/exchange';
import { examine } from '../checking/examine.js';
import { NotText, textFrom } from '../keeping/bytes.js';
import { factsOf, noFacts, type DesignFacts } from '../keeping/design-facts.js';
import { packNow } from '../keeping/packing.js';
import {
  manifestShape,
  type ArchivedDesign,
  type ArchivedStudy,
  type Manifest,
} from './archive-shape.js';

/** An archive with more than this unpacked is not taken in, bytes. */
const largest = 2e9;
const largestManifest = 100e6;
const largestDocument = 8e6;

/** Why a file is not taken in as an archive. */
export class BadArchive extends Error {
  override readonly name = 'BadArchive';
}

/** One design of an archive, ready to be kept. */
export interface DesignToTakeIn {
  about: ArchivedDesign;
  facts: DesignFacts;
  document: Buffer;
  revisions: { version: number; savedAt: string; age: number; document: Buffer }[];
  studies: (Omit<ArchivedStudy, 'file'> & { document: Buffer; study: Buffer; nights: Buffer })[];
}

/** @throws BadArchive when the file is none */
export function manifestOf(archive: Uint8Array): Manifest {
  const [text] = filesOf(archive, (name) => name === 'archive.json', largestManifest).values();
  if (!text)
    throw new BadArchive(
      'It holds no archive.json: choose a file that was exported here as a whole shelf.',
    );
  const { error, value } = manifestShape.validate(json(text), { convert: false });
  if (error) throw new BadArchive(`archive.json: ${error.message.slice(0, 300)}.`);
  return value as Manifest;
}

/**
 * The files of one design. A document that cannot be read is taken along as it is; what else is not whole is left out.
 *
 * @throws BadArchive when the design itself is missing
 */
export function designOf(archive: Uint8Array, about: ArchivedDesign): DesignToTakeIn {
  const names = new Set([
    about.file,
    ...about.revisions.map((r) => r.file),
    ...about.studies.map((s) => s.file),
  ]);
  const files = filesOf(archive, (name) => names.has(name), largest);
  const document = files.get(about.file);
  if (!document || document.length > largestDocument)
    throw new BadArchive(`The design “${about.title}” is not in it, or is too large.`);
  const read = examine('import', document);
  const kept = read.ok ? Buffer.from(read.value.text) : Buffer.from(document);
  return {
    about,
    facts: factsOf(kept) ?? { ...noFacts, title: about.title },
    document: kept,
    revisions: about.revisions.flatMap(({ file, ...revision }) => {
      const content = files.get(file);
      return content && content.length <= largestDocument
        ? [{ ...revision, document: packNow(content) }]
        : [];
    }),
    studies: about.studies.flatMap(({ file, ...study }) => {
      const parts = studyIn(files.get(file));
      return parts ? [{ ...study, ...parts }] : [];
    }),
  };
}

function studyIn(
  content: Uint8Array | undefined,
): Record<'document' | 'study' | 'nights', Buffer> | undefined {
  if (!content) return undefined;
  const { document, study, nights: trials } = (json(content) ?? {}) as Record<string, unknown>;
  const checked = examine('keptStudy', Buffer.from(JSON.stringify({ document, study })));
  if (!checked.ok || !areTrials(trials)) return undefined;
  return {
    document: packNow(checked.value.document),
    study: packNow(checked.value.study),
    nights: packNow(JSON.stringify(trials)),
  };
}

/** Some files of an archive, unpacked; what it says to hold is counted before anything is. */
function filesOf(
  archive: Uint8Array,
  wanted: (name: string) => boolean,
  most: number,
): Map<string, Uint8Array> {
  let size = 0;
  try {
    const files = unzipSync(archive, {
      filter: ({ name, originalSize }) => {
        if (!wanted(name)) return false;
        size += originalSize;
        if (size > most) throw new BadArchive('It holds more than an archive may.');
        return true;
      },
    });
    return new Map(Object.entries(files));
  } catch (error) {
    if (error instanceof BadArchive) throw error;
    throw new BadArchive('It is no whole ZIP file.');
  }
}

function json(content: Uint8Array): unknown {
  try {
    return JSON.parse(textFrom(content));
  } catch (error) {
    if (error instanceof SyntaxError || error instanceof NotText) return undefined;
    throw error;
  }
}
