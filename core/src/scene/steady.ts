import { kindOf, type Quantity } from '../catalog/index.js';
import type { Design, Scene } from '../design/index.js';
import { ambientOf } from './ambient.js';

/**
 * Whether what the parts of a design feel is the same at every moment of a scene, but for what happens. Lamps that flicker and a sun
 * that moves change nothing for parts that see neither.
 */
export function isSteadyFor(
  { parts }: Pick<Design, 'parts'>,
  scene: Pick<Scene, 'ambient'>,
): boolean {
  const { sky, swing, passing, lamp, ripple, tank, inflow } = ambientOf(scene);
  const felt = new Set<Quantity>(parts.flatMap((part) => kindOf(part).senses?.quantities ?? []));
  const flickers = felt.has('light') && lamp * ripple > 0;
  const seesDay = felt.has('light') || felt.has('infrared');
  const clouds = seesDay && (sky === 'the sun' || passing > 0);
  return !flickers && !clouds && swing + tank * inflow === 0;
}
