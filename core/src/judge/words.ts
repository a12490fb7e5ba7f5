import type { Channel } from '../design/index.js';
import type { Judgement } from './judgement.js';

/** An area this far below a half is no chance: the wanted lie on the other side. */
const reversedBelow = 0.4;
/** A set with more of its readings than this at an end of the range has run out of it. */
const saturatedAbove = 0.02;

/** What stands in the way of trusting the numbers, in plain words. */
export function words(judgement: Omit<Judgement, 'words'>, channel: Channel): string[] {
  const { sets, area, best, errors } = judgement;
  const lone = sets.filter((s) => s.readings === 1);
  const still = sets.filter((s) => s.readings > 1 && s.sd === 0);
  const full = sets.filter((s) => s.saturated > saturatedAbove);
  const said: (string | false)[] = [
    ...lone.map((s) => `“${s.name}” is one reading only: it says next to nothing.`),
    ...still.map(
      (s) =>
        `All ${s.readings} readings of “${s.name}” are ${s.low}: its noise cannot be told from them.`,
    ),
    ...full.map(
      (s) =>
        `${Math.round(100 * s.saturated)} % of “${s.name}” lie at the end of what can be read: how far it goes beyond is not known.`,
    ),
    area !== undefined &&
      area < reversedBelow &&
      channel.trips !== 'away' &&
      `Wanted readings mostly lie ${channel.trips === 'above' ? 'below' : 'above'} the others: it should trip the other way, or the labels are exchanged.`,
    best !== undefined &&
      best.misses.events + best.falses.events > 0 &&
      `The readings overlap: even the best line misses ${best.misses.events} of ${best.misses.tries} and fires on ${best.falses.events} of ${best.falses.tries}. Average more of them, or change the circuit.`,
    best === undefined &&
      errors.misses.tries > 0 &&
      errors.falses.tries > 0 &&
      'All readings are the same: no line parts them.',
  ];
  return said.filter((word): word is string => word !== false);
}
