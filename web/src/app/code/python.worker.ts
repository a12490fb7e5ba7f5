import type { Design } from '@yurei/core/design';
import {
  askProof,
  boardOf,
  judgeProof,
  standIn,
  type Played,
  type Proof,
} from '@yurei/core/firmware';
import * as Comlink from 'comlink';

/** What is used of the MicroPython that is served beside the app. */
interface MicroPython {
  runPython(source: string): void;
  registerJsModule(name: string, holds: object): void;
  globals: { get(name: string): unknown; set(name: string, value: unknown): void };
}
interface Loader {
  loadMicroPython(options: { url: string; heapsize: number }): Promise<MicroPython>;
}

const heap = 2 ** 26;

/** What is to be proven. */
export interface Asked {
  design: Design;
  played: Played;
  /** Time of day at the beginning, s after midnight. */
  clock: number;
  /** Where MicroPython is served. */
  from: string;
}

/**
 * Compares the program of a design, run by MicroPython in a stand-in for its board, with what was rehearsed.
 *
 * @param passed is told now and then how many passes have been made, and of how many
 */
async function prove(
  { design, played, clock, from }: Asked,
  passed: (passes: number, of: number) => void,
): Promise<Proof> {
  const target = boardOf(design);
  if (!('board' in target)) throw new Error(`${target.reason}.`);
  const asked = askProof(design, target.board, played, clock);
  const { length } = asked.job.moments;
  const { loadMicroPython } = (await import(`${from}micropython.mjs`)) as Loader;
  const python = await loadMicroPython({ url: `${from}micropython.wasm`, heapsize: heap });
  python.registerJsModule('progress', { passed: (passes: number) => passed(passes, length) });
  python.runPython(standIn);
  python.globals.set('text', JSON.stringify(asked.job));
  python.runPython('told = play(text)');
  return judgeProof(asked, python.globals.get('told') as string);
}

const prover = { prove };
export type Prover = typeof prover;

Comlink.expose(prover);
