import type { Section, Span, Written } from './code.js';
import { commented, lines } from './texts.js';

/** Letters of a line at most. */
export const width = 100;

/** Lines of a program as they come, with what they are about. */
export class Page {
  private readonly lines: string[] = [];
  private readonly spans: Span[] = [];

  /** @param apart empty lines between sections */
  constructor(
    private readonly sign: string,
    private readonly apart = 1,
  ) {}

  put(...lines: readonly string[]): void {
    this.lines.push(...lines);
  }

  /** Says something in a comment, in as many lines as it takes. */
  say(text: string, indent = ''): void {
    const start = `${indent}${this.sign} `;
    this.put(...lines(commented(text), width - start.length).map((line) => start + line));
  }

  /** A line with what is said of it after it, or before it where both are too long for one. */
  noted(line: string, note: string | undefined): void {
    const after = note ? `${line}  ${this.sign} ${commented(note)}` : line;
    if (after.length <= width) return this.put(after);
    if (note) this.say(note);
    this.put(line);
  }

  /** A section with its heading and a line before it. */
  section({ title, about, says }: Section, body: () => void): void {
    if (this.lines.length > 0) this.put(...Array<string>(this.apart).fill(''));
    const from = this.lines.length + 1;
    const heading = `${this.sign} ---- ${commented(title)} `;
    this.put(heading.padEnd(Math.min(width, 78), '-'));
    for (const text of says) this.say(text);
    body();
    this.spans.push({
      ...{ title, from, to: this.lines.length },
      ...(says[0] ? { says: says[0] } : {}),
      ...(about === undefined ? {} : { about }),
    });
  }

  get written(): Written {
    return { text: `${this.lines.join('\n')}\n`, spans: this.spans };
  }
}
