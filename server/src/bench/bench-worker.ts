import { performance } from 'node:perf_hooks';
import { parentPort } from 'node:worker_threads';
import { StandInBoard } from '@yurei/core/bench';
import type { Design } from '@yurei/core/design';
import { readHappening } from '@yurei/core/exchange';

/** What the thread of the boards is told. `t` of a board runs from its opening. */
export type ToBoards =
  | { do: 'open' | 'rebuild'; board: number; design: string }
  | { do: 'line'; board: number; line: string }
  | { do: 'close'; board: number }
  | { do: 'ping' };

/** What it says: lines of a board, that a board has failed, or that it is there. */
export type FromBoards =
  | { say: 'lines'; board: number; lines: string[] }
  | { say: 'failed'; board: number; reason: string }
  | { say: 'pong' };

/** How often boards look for readings that are due, ms, and how much of that all of them may use. */
const turn = 20;
const budget = 15;
/** Readings a second of all boards together. */
const mostReadings = 5000;
/** Usual surroundings, where a design has no scene. */
const nowhere = { ambient: {}, seed: 1 };

interface Open {
  board: StandInBoard;
  began: number;
  circuit: string;
}

/** Boards in the order in which their turn comes. */
const boards = new Map<number, Open>();
const say = (message: FromBoards): void => parentPort?.postMessage(message);

parentPort?.on('message', (message: ToBoards) => {
  if (message.do === 'ping') return say({ say: 'pong' });
  attempt(message.board, () => told(message));
});
setInterval(takeTurns, turn);

function told(message: Exclude<ToBoards, { do: 'ping' }>): string[] {
  const { board: id } = message;
  if (message.do === 'close') {
    boards.delete(id);
    return [];
  }
  if (message.do === 'open') {
    const design = JSON.parse(message.design) as Design;
    const board = new StandInBoard(design, design.scenes[0] ?? nowhere, readHappening);
    boards.set(id, { board, began: performance.now(), circuit: circuitOf(design) });
    return [];
  }
  const open = boards.get(id);
  if (!open) return [];
  if (message.do === 'line')
    return tooFast(id, message.line) ?? open.board.hear(message.line, timeOf(open));
  const design = JSON.parse(message.design) as Design;
  const circuit = circuitOf(design);
  if (circuit === open.circuit) return [];
  open.circuit = circuit;
  return open.board.rebuild(design);
}

/** All boards together take only so many readings. */
function tooFast(id: number, line: string): string[] | undefined {
  const [, wish] = /^\s*rate\s+(\d+(?:\.\d+)?)\s*$/.exec(line) ?? [];
  if (wish === undefined) return undefined;
  const others = [...boards].reduce(
    (sum, [other, { board }]) => sum + (other === id ? 0 : board.rate),
    0,
  );
  const left = Math.max(0, Math.floor(mostReadings - others));
  if (Number(wish) <= left) return undefined;
  return [`# no: all boards together take ${mostReadings} readings a second; ${left} are left`];
}

/** Boards take their readings in turn; those for which there was no time come first the next time. */
function takeTurns(): void {
  const until = performance.now() + budget;
  const inTime = (): boolean => performance.now() < until;
  for (const [id, open] of [...boards]) {
    attempt(id, () => open.board.goOn(timeOf(open), inTime));
    if (!boards.has(id)) continue;
    boards.delete(id);
    boards.set(id, open);
    if (!inTime()) return;
  }
}

const timeOf = ({ began }: Open): number => (performance.now() - began) / 1000;

function attempt(board: number, work: () => string[]): void {
  try {
    const lines = work();
    if (lines.length > 0) say({ say: 'lines', board, lines });
  } catch (error) {
    boards.delete(board);
    say({ say: 'failed', board, reason: String(error) });
  }
}

/** What a board is built from: thresholds and readings do not matter to it. */
function circuitOf(design: Design): string {
  const { parts, wires, controller, channels, outputs, plan, recordings } = design;
  const pins = channels.map((c) => c.pin);
  return JSON.stringify([parts, wires, controller, pins, outputs, plan, recordings]);
}
