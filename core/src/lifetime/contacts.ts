import { kindOf } from '../catalog/index.js';
import type { Design } from '../design/index.js';
import type { Rehearsal } from '../rehearsal/index.js';
import { day } from './pace.js';

/** How long the contacts of one relay last. */
export interface ContactLife {
  part: string;
  relay: string;
  /** How often they were switched in the scene, and bear it in all. */
  operations: number;
  bear: number;
  /** Until they are worn, s; Infinity where the scene does not switch them. */
  lasts: number;
}

/**
 * How long the contacts of relays last where a scene comes some times a day.
 *
 * @param times how often the scene comes in a day; as often as it fits in where it is more
 */
export const contactLives = (
  { parts }: Design,
  { relayOperations, duration }: Pick<Rehearsal, 'relayOperations' | 'duration'>,
  times: number,
): ContactLife[] =>
  parts.flatMap((part) => {
    const { switchings: bear } = kindOf(part);
    if (bear === undefined) return [];
    const aDay = Math.min(times, day / duration);
    return Object.entries(relayOperations[part.id] ?? {}).map(([relay, operations]) => ({
      ...{ part: part.id, relay, operations, bear },
      lasts: operations > 0 ? (day * bear) / (operations * aDay) : Infinity,
    }));
  });
