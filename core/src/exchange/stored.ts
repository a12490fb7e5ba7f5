import type { Design } from '../design/index.js';

/** A design as a server keeps it: with an identity and the count of its saves. */
export interface StoredDesign {
  id: string;
  version: number;
  /** ISO 8601, UTC. */
  savedAt: string;
  design: Design;
}

/** What the shelf shows of a stored design. */
export interface DesignSummary {
  id: string;
  title: string;
  purpose: string;
  site: string;
  parts: number;
  scenes: number;
  version: number;
  savedAt: string;
}
