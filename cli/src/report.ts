/** What a command prints and how it ends: 0 fine, 1 findings or misses. */
export interface Report {
  text: string;
  json: unknown;
  /** 3 where there is only something to be careful of; 2 is for bad input. */
  exitCode: 0 | 1 | 3;
  /** What `--csv` writes, for those that can. */
  csv?: string;
  /** What `--vcd` writes. */
  vcd?: string;
}
