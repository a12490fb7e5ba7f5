import type { Design } from '../../design/index.js';
import type { Board } from '../board.js';
import { radioBoard } from '../boards/radio-board.js';
import { followCourse, type Stand } from './course.js';
import { firstDifference, standOf } from './difference.js';
import { standInJob } from './job.js';
import { courseOf, momentsOf, type Played } from './scene-course.js';
import type { StandInJob } from './stand-in.js';

/** A program and what it is to be compared with. */
export interface ProofAsked {
  job: StandInJob;
  rehearsed: readonly Stand[];
  /** When modes or rules went round in a circle, ms. */
  circles?: number;
}

/** What came of comparing. */
export interface Proof {
  /** How many passes were compared. */
  passes: number;
  /** Where both first stand otherwise; left out where they never do. */
  difference?: string;
  /** When modes or rules go round in a circle, ms: nothing is compared from there on. */
  circles?: number;
}

/**
 * The program of a design against its rehearsed logic, on what its pins read in a rehearsal, from power-on.
 *
 * A program in C++ is written once more in Python for this, from the same statements.
 *
 * @param clock time of day at the beginning, s after midnight
 */
export function askProof(design: Design, board: Board, played: Played, clock: number): ProofAsked {
  const course = courseOf(design, played, clock);
  const { stands: rehearsed, circles } = followCourse(design, course);
  const job = standInJob(design, inPython(board), course, momentsOf(course, rehearsed));
  return { job, rehearsed, ...(circles === undefined ? {} : { circles }) };
}

/** @param told what the stand-in told */
export function judgeProof({ rehearsed, circles }: ProofAsked, told: string): Proof {
  const { lines } = JSON.parse(told) as { lines: string[] };
  const difference = firstDifference(rehearsed, lines.map(standOf));
  return {
    passes: rehearsed.length,
    ...(difference ? { difference } : {}),
    ...(circles === undefined ? {} : { circles }),
  };
}

/** The same board programmed in Python. */
const inPython = (board: Board): Board =>
  board.language === 'python'
    ? board
    : { ...radioBoard, id: board.id, label: board.label, pin: numbered };

/** The number of a pin that is called by letters and a number, as "A0", "D8" or "PB3". */
function numbered(terminal: string): string {
  const [, letters = '', digits = ''] = /^(\D*)(\d+)$/.exec(terminal) ?? [];
  const port = /^P([A-D])$/.exec(letters)?.[1];
  const first = port ? 8 * 'ABCD'.indexOf(port) : letters === 'A' ? 14 : 0;
  return String(first + Number(digits));
}
