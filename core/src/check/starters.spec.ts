/** Every design that is shown: what it must notice and must not, and that it is built without a fault. */
import { readdirSync, readFileSync } from 'node:fs';
import { demo } from '../testing/demo.js';
import { truthsOf } from '../logic/index.js';
import { check, gatherEvidence } from './index.js';

const names = readdirSync('demo').map((file) => file.replace('.yurei.json', ''));

/** What came of every scene, by design: `npm test` rehearses them all for this file, and fails where it is another. */
const sections = readFileSync('docs/rehearsals.md', 'utf8').split('\n## ').slice(1);
const rehearsed = (name: string): string =>
  sections.find((s) => s.includes(`(\`demo/${name}.yurei.json\`)`)) ?? '';

/** The lines of a scene: from its heading to its score. */
function linesOf(name: string, scene: string): string[] {
  const lines = rehearsed(name).split('\n');
  const from = lines.findIndex((line) => line.startsWith(`${scene}, `) && line.includes(', seed '));
  const to = lines.findIndex((line, i) => i > from && line.startsWith('False triggers: '));
  return from < 0 ? [] : lines.slice(from, to + 1);
}

describe.each(names)('%s', (name) => {
  const design = demo(name);
  it.each(design.scenes.map((scene) => [scene.name, scene] as const))(
    '%s: notices what it must, and nothing else',
    (_, scene) => {
      const lines = linesOf(name, scene.name);
      const came = lines
        .filter((line) => line.startsWith('| ') && !/^\| (?:happening|---)/.test(line))
        .map((line) => line.split('|').map((cell) => cell.trim()))
        .map(([, happening, , outcome]) => [happening, outcome]);
      const must = scene.happenings.map((h) => [
        h.name,
        h.intent === 'wanted' ? 'noticed' : 'quiet',
      ]);
      expect(came).toEqual(must);
      expect(lines.at(-1)).toMatch(/^False triggers: 0;/);
    },
  );
  it('has no error, and nothing to be careful of that it does not say why', () => {
    const findings = check(gatherEvidence(design, design.scenes[0]));
    const open = findings.filter((f) => f.severity === 'error' || f.severity === 'caution');
    expect(open.map((f) => f.title)).toEqual([]);
  });
  it('has a scene with at least two things to notice and two to leave alone', () => {
    const fewest = design.scenes.map(({ happenings }) => {
      const wanted = happenings.filter((h) => h.intent === 'wanted').length;
      return Math.min(wanted, happenings.length - wanted);
    });
    expect(Math.max(...fewest)).toBeGreaterThanOrEqual(2);
  });
  it('its modes can all be reached and left, and no rule fights another', () => {
    const found = truthsOf(design);
    const wrong = found.ok ? found.truths.filter((t) => t.kind !== 'left at once') : [];
    expect(wrong.map((t) => t.text)).toEqual([]);
  });
});
