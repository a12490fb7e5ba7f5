import { readFileSync } from 'node:fs';
import type { Design } from '../design/index.js';
import { readDesign } from '../exchange/index.js';

export const demoText = readFileSync('demo/slipway-beam.yurei.json', 'utf8');

/** A demo design, read afresh. */
export function demo(name: string): Design {
  const result = readDesign(readFileSync(`demo/${name}.yurei.json`, 'utf8'));
  if (!result.ok) throw new Error(JSON.stringify(result.problems));
  return result.design;
}

export const slipwayBeam = (): Design => demo('slipway-beam');
