import { readFileSync } from 'node:fs';
import type { Answer, ChildServer } from './child-server.js';

export const demo = JSON.parse(readFileSync('demo/slipway-beam.yurei.json', 'utf8')) as Record<
  string,
  unknown
>;

/** A design that is saved again and again, with what was acknowledged. */
export class Saver {
  /** The title that was acknowledged last, and with which version. */
  acknowledged = '';
  version = 0;
  count = 0;
  private turn = 0;

  constructor(
    public server: ChildServer,
    readonly id: string,
    readonly name: string,
  ) {}

  static async begin(server: ChildServer, name: string): Promise<Saver> {
    const { status, body } = await server.call('POST', '/designs', {
      design: { ...demo, title: name },
    });
    if (status !== 201) throw new Error(`could not begin: ${status}`);
    const saver = new Saver(server, body['id'] as string, name);
    saver.version = 1;
    saver.acknowledged = name;
    return saver;
  }

  /** Saves once; throws when the connection breaks. */
  async save(): Promise<Answer> {
    const title = `${this.name} ${++this.turn}`;
    const design = { ...demo, title };
    const answer = await this.server.call('PUT', `/designs/${this.id}`, {
      version: this.version,
      design,
    });
    if (answer.status === 200) {
      this.version = answer.body['version'] as number;
      this.acknowledged = title;
      this.count += 1;
    }
    return answer;
  }

  /**
   * What a maker's browser does when it opens the design again: what is there may be newer than what was acknowledged,
   * by a save whose answer was lost, never older.
   *
   * @returns why not; empty when all is well
   */
  async verify(): Promise<string> {
    const { status, body } = await this.server.call('GET', `/designs/${this.id}`);
    if (status !== 200) return `${this.name}: ${status}`;
    const version = Number(body['version']);
    const { title } = body['design'] as { title: string };
    const same = version === this.version && title === this.acknowledged;
    const turnOf = (text: string): number => Number(/ (\d+)$/.exec(text)?.[1] ?? 0);
    const next = version === this.version + 1 && turnOf(title) > turnOf(this.acknowledged);
    if (!same && !next)
      return `${this.name}: ${title} (${version}) in place of ${this.acknowledged} (${this.version})`;
    this.version = version;
    this.acknowledged = title;
    return '';
  }
}
