import { kindOf } from '../catalog/index.js';
import type { Design, Scene } from '../design/index.js';
import { findHappeningKind } from './happenings.js';

const tank = ['tank', 'inflow', 'brim'];
const room = ['room', 'airing', 'loss', 'holds'];

/** Which of the surroundings tell how much water or air there is, where parts or happenings of a scene move any. */
export function worldParams({ parts }: Pick<Design, 'parts'>, { happenings }: Scene): string[] {
  const moves = parts.flatMap((part) => kindOf(part).moves ?? []);
  const fills = happenings.some(({ kind }) => findHappeningKind(kind)?.filled);
  return [
    ...(fills || moves.some((m) => m.water) ? tank : []),
    ...(moves.some((m) => m.air ?? m.heat) ? room : []),
  ];
}
