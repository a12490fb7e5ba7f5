import { readFileSync } from 'node:fs';
import type { Design } from '../design/index.js';
import { readDesign } from '../exchange/index.js';

export const demoText = readFileSync('demo/slipway-beam.yurei.json', 'utf8');

/** The demo design, read afresh. */
export function slipwayBeam(): Design {
  const result = readDesign(demoText);
  if (!result.ok) throw new Error(JSON.stringify(result.problems));
  return result.design;
}
