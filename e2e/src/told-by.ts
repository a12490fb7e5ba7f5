import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { readDesign } from '@yurei/core/exchange';
import { rehearse } from '@yurei/core/rehearsal';
import { demoOf } from './merged.js';

/** A file with what the board of a demo design would tell through a scene, as it was rehearsed; the path. */
export function toldBy(name: string, scene: string): string {
  const read = readDesign(JSON.stringify(demoOf(name)));
  if (!read.ok) throw new RangeError(`${name} cannot be read.`);
  const { design } = read;
  const played = design.scenes.find((s) => s.name === scene);
  if (!played) throw new RangeError(`There is no scene “${scene}”.`);
  const named = (list: readonly { id: string; name: string }[], id: string): string =>
    list.find((one) => one.id === id)?.name ?? id;
  const lines = rehearse(design, played).logic.flatMap(({ t, events }) =>
    events.flatMap((event) => {
      const at = `# event ${t.toFixed(3)}`;
      if (event.kind === 'rule')
        return [`${at} rule ${event.id}: ${event.begins ? 'begins' : 'ends'}`];
      if (event.kind === 'notice')
        return [`${at} notice ${named(design.notices, event.id)}: ${event.told}`];
      if (event.kind !== 'mode') return [];
      const modes = design.machines.find((m) => m.id === event.id)?.modes ?? [];
      return [`${at} mode ${named(design.machines, event.id)}: ${named(modes, event.to)}`];
    }),
  );
  const file = join(mkdtempSync(join(tmpdir(), 'yurei-told-')), 'evening.txt');
  writeFileSync(file, lines.join('\n'));
  return file;
}
