import { readdirSync, readFileSync } from 'node:fs';
import { check, gatherEvidence, isOpen } from '@yurei/core/check';
import { applyEdit } from '@yurei/core/design';
import { diagnose, distance } from '@yurei/core/diagnosis';
import { readDesign } from '@yurei/core/exchange';
import { slipKinds } from '@yurei/core/slip';

/**
 * Two slips at once in demo designs, drawn by a seed, each of which changes what the design does: the first cure that is told is
 * taken, up to five times. Tells in how many pairs nothing is left and the design does what it did, and how often a cure took it
 * farther from that. `node tools/findings-pairs.mjs [seed] [pairs]`
 */
let seed = Number(process.argv[2] ?? 1);
const pairs = Number(process.argv[3] ?? 40);
const mostCures = 5;

/** The minimal standard generator: 0 … 1. */
const random = () => (seed = (seed * 48271) % 2147483647) / 2147483647;
const oneOf = (list) => list[Math.floor(random() * list.length)];

const demos = readdirSync('demo').map((file) => ({
  file,
  design: readDesign(readFileSync(`demo/${file}`, 'utf8')).design,
}));
const evidenceOf = (design) => gatherEvidence(design, design.scenes[0]);
const openIn = (evidence) => check(evidence).filter(isOpen);

/** What left-out parts stood for only their maker knows. */
const slipsOf = (design) =>
  slipKinds
    .flatMap((kind) => kind.all(design))
    .filter(({ says }) => !says.startsWith('No ') || says.startsWith('No wire'));

function drawn() {
  for (;;) {
    const { file, design } = oneOf(demos);
    const slips = slipsOf(design);
    const [one, other] = [oneOf(slips), oneOf(slips)];
    if (one === other) continue;
    const sound = evidenceOf(design);
    const changes = ({ edit }) => distance(sound, evidenceOf(applyEdit(design, edit))) > 0;
    try {
      const both = applyEdit(applyEdit(design, one.edit), other.edit);
      if (changes(one) && changes(other)) return { file, sound, both, one, other };
    } catch {
      // The second cannot be made any more.
    }
  }
}

let cured = 0;
let farther = 0;
for (let pair = 0; pair < pairs; pair++) {
  const { file, sound, both, one, other } = drawn();
  const known = new Set(openIn(sound).map((f) => f.id));
  const isNew = (f) => !known.has(f.id);
  let design = both;
  let away = distance(sound, evidenceOf(design));
  const taken = [];
  for (let k = 0; k < mostCures; k++) {
    const { roots } = diagnose(design, design.scenes[0]);
    const cure = roots.find((r) => isNew(r.finding) && r.cures.length > 0)?.cures[0];
    if (!cure) break;
    design = applyEdit(design, cure.edit);
    const now = distance(sound, evidenceOf(design));
    if (now > away) farther += 1;
    away = now;
    taken.push(cure.label);
  }
  if (away === 0 && !openIn(evidenceOf(design)).some(isNew)) cured += 1;
  else console.log(`${file}: ${one.says}, ${other.says}: ${taken.join('; ') || 'no cure'}`);
}
console.log(`${cured} of ${pairs} pairs cured; ${farther} cures took a design farther away`);
