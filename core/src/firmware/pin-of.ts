import { splitRef, type TerminalRef } from '../design/index.js';

/** The name of a terminal on its part. */
export const pinOf = (ref: TerminalRef): string => splitRef(ref).terminal;
