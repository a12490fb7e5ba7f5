/** What a command prints and how it ends: 0 fine, 1 findings or misses. */
export interface Report {
  text: string;
  json: unknown;
  exitCode: 0 | 1;
  /** What `--csv` writes, for those that can. */
  csv?: string;
  /** What `--vcd` writes. */
  vcd?: string;
}
