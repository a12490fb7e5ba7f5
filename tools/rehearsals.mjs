import { readdirSync, readFileSync } from 'node:fs';
import { resolve } from 'node:path';
import { format } from 'prettier';
import { briefly, check, fiveQuestions, gatherEvidence } from '@yurei/core/check';
import { readDesign } from '@yurei/core/exchange';
import { runDown } from '@yurei/core/lifetime';
import { formatQuantity } from '@yurei/core/quantity';
import { rehearse, scoreRehearsal, tellTrouble } from '@yurei/core/rehearsal';
import { root } from './run.mjs';
import { keepWritten } from './written.mjs';

/**
 * Writes docs/rehearsals.md: every demo design rehearsed, with its score; and server/demo-answers.json: its five answers, for a
 * shelf on which it has not been opened yet. --check only compares.
 */
const cell = (text) => String(text).replaceAll('|', '\\|');

function designOf(file) {
  const read = readDesign(readFileSync(resolve(root, 'demo', file), 'utf8'));
  if (!read.ok) throw new Error(`${file}: ${JSON.stringify(read.problems)}`);
  return read.design;
}

const delay = (verdict) =>
  verdict.delay === undefined ? '' : `${formatQuantity(verdict.delay, 's')}`;

function scoreLine({ falses, chatter, relays, energy, blind }) {
  const blindest = [...blind].sort((a, b) => b.seconds - a.seconds)[0];
  const relayOperations = relays.map(
    (r) => `${r.name}${r.relay === 'relay' ? '' : ` ${r.relay}`} ${r.operations}`,
  );
  return `${[
    `False triggers: ${falses.count}`,
    chatter.length === 0
      ? 'no chatter'
      : `chatter: ${chatter.map((c) => `${c.name} ${c.changes}`).join(', ')}`,
    ...(blindest ? [`blind for at most ${formatQuantity(blindest.seconds, 's')}`] : []),
    ...(relayOperations.length > 0 ? [`relays pulled in: ${relayOperations.join(', ')}`] : []),
    energy
      ? `energy ${formatQuantity(energy.joules, 'J')}, ${formatQuantity(energy.watts, 'W')} on the average`
      : 'no energy taken',
  ].join('; ')}.`;
}

/** The five answers as the shelf shows them: of the first scene, as the workbench takes it. */
function answersOf(design, rehearsal) {
  const evidence = gatherEvidence(design, design.scenes[0]);
  const down = runDown(design, design.scenes[0], 1);
  return fiveQuestions(evidence, check(evidence), rehearsal, down).map(briefly);
}

function sceneLines(design, scene, rehearsal) {
  const { verdicts, spurious, troubles } = rehearsal;
  const rows = verdicts.map(
    (v) => `| ${cell(v.name)} | ${v.intent} | ${v.outcome} | ${delay(v)} | ${cell(v.because)} |`,
  );
  const besides =
    spurious.length > 0
      ? [`Besides it fired at ${spurious.map((t) => formatQuantity(t, 's')).join(', ')}.`, '']
      : [];
  return [
    `${scene.name}, ${formatQuantity(scene.duration, 's')}, seed ${scene.seed}:`,
    '',
    '| happening | it is | outcome | after | because |',
    '| --- | --- | --- | --- | --- |',
    ...rows,
    '',
    ...besides,
    ...troubles.flatMap((trouble) => [tellTrouble(design, trouble), '']),
    scoreLine(scoreRehearsal(design, rehearsal)),
    '',
  ];
}

const answers = {};

function section(file) {
  const design = designOf(file);
  const played = design.scenes.map((scene) => rehearse(design, scene, undefined, 'time'));
  answers[file] = answersOf(design, played[0]);
  return [
    `## ${design.title}`,
    '',
    `${design.purpose} (\`demo/${file}\`)`,
    '',
    ...design.scenes.flatMap((scene, i) => sceneLines(design, scene, played[i])),
  ];
}

const files = readdirSync(resolve(root, 'demo')).sort();
const text = await format(
  [
    '# Rehearsals',
    '',
    `Written by \`npm run rehearsals\`: each of the ${files.length} designs in demo/ rehearsed once in each of its scenes, as \`npx yurei rehearse\` does it. A delay counts from when a sensor first felt it.`,
    '',
    ...files.flatMap(section),
  ].join('\n'),
  { parser: 'markdown' },
);

keepWritten('docs/rehearsals.md', text, 'npm run rehearsals');
keepWritten(
  'server/demo-answers.json',
  await format(JSON.stringify(answers), { parser: 'json' }),
  'npm run rehearsals',
);
