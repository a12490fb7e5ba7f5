import { makeupOf } from './design-makeup.js';
import { NotText, textFrom } from './bytes.js';

/** What the shelf shows of a design document. */
export interface DesignFacts {
  title: string;
  purpose: string;
  site: string;
  parts: number;
  scenes: number;
  /** Of what it is made, a DesignMakeup as JSON; empty where that cannot be told. */
  makeup: string;
}

export const noFacts: DesignFacts = {
  title: '',
  purpose: '',
  site: '',
  parts: 0,
  scenes: 0,
  makeup: '',
};

/** The facts of a parsed document, of any version. */
export function factsIn(document: unknown): DesignFacts {
  const record = (document ?? {}) as Record<string, unknown>;
  const text = (field: string): string => (typeof record[field] === 'string' ? record[field] : '');
  const count = (field: string): number =>
    Array.isArray(record[field]) ? record[field].length : 0;
  return {
    title: text('title'),
    purpose: text('purpose'),
    site: text('site'),
    parts: count('parts'),
    scenes: count('scenes'),
    makeup: JSON.stringify(makeupOf(record['parts'], record['wires'])),
  };
}

/** The facts of a document as it is kept; undefined where it cannot be read. */
export function factsOf(document: Uint8Array): DesignFacts | undefined {
  try {
    return factsIn(JSON.parse(textFrom(document)));
  } catch (error) {
    if (error instanceof SyntaxError || error instanceof NotText) return undefined;
    throw error;
  }
}
