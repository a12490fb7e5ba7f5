import type { Design } from './types.js';

/**
 * The design without its captured readings and the picture under its plan: nothing that is solved or rehearsed looks at them, and they
 * may be long.
 */
export function withoutAttachments(design: Design): Design {
  const { backdrop, ...plan } = design.plan;
  return { ...design, readings: [], plan: backdrop ? plan : design.plan };
}
