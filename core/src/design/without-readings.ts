import type { Design } from './types.js';

/** The design without its captured readings: nothing that is solved or rehearsed looks at them, and they may be long. */
export const withoutReadings = (design: Design): Design => ({ ...design, readings: [] });
