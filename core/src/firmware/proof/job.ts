import { snake } from '../../code/index.js';
import type { Design } from '../../design/index.js';
import type { Board } from '../board.js';
import { writeFirmware } from '../firmware.js';
import { pinOf } from '../pin-of.js';
import type { Course } from './course.js';
import { turnsOf } from './stand-in-inputs.js';
import type { StandInJob } from './stand-in.js';

/** Nothing of the maker's own is run here: a design may come from anybody. */
const withoutOwn = ({ controller: { code: _, ...controller }, ...design }: Design): Design => ({
  ...design,
  controller,
});

/**
 * The program of a design, in Python, with a course that it is to play.
 *
 * @param moments when it makes a pass, ms; each millisecond of the course where they are left out
 */
export function standInJob(
  design: Design,
  board: Board,
  course: Course,
  moments: readonly number[] = Array.from({ length: course.length + 1 }, (_, at) => at),
): StandInJob {
  const { written, names } = writeFirmware(withoutOwn(design), board);
  const number = (pin: string): number => Number(board.pin(pinOf(pin)));
  const { length, clock, cuts } = course;
  const begins = [0, ...cuts];
  return {
    source: written.text,
    clock,
    runs: begins.map((from, i) => [from, begins[i + 1] ?? length + 1]),
    moments,
    changes: turnsOf(design, course, number),
    names: {
      channels: [...names.channels.values()].map(snake),
      modes: [...names.modes.values()].map((m) => snake(m.variable)),
      counters: [...names.counters.values()].map(snake),
      rules: [...names.rules.values()].map(snake),
      notices: design.notices.map((n) => n.name),
      pins: design.outputs.map((o) => number(o.pin)),
    },
  };
}
