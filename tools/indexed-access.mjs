import { join, relative } from 'node:path';
import ts from 'typescript';
import { root } from './run.mjs';

const inCircuit = (file) => `circuit/${file}.ts`;

/**
 * Where places in vectors of the solver are handed out by the one who uses them, as unknowns and states to their devices:
 * to ask there whether each is there would hide the equations and slow them down. Everywhere else in core an element of a
 * list is asked for: `noUncheckedIndexedAccess`.
 */
const numerical = [
  'element',
  'equations',
  ...['network', 'newton', 'part-values', 'run-cycles', 'run-transient', 'sdirk'].map(inCircuit),
  ...['small-signal', 'stress', 'sweep', 'transient', 'wire-currents'].map(inCircuit),
  ...['charges', 'means', 'pulses', 'repeats', 'settling'].map((file) => `rehearsal/${file}.ts`),
];

const source = join(root, 'core/src');
const { config } = ts.readConfigFile(join(root, 'core/tsconfig.json'), ts.sys.readFile);
const { fileNames, options } = ts.parseJsonConfigFileContent(config, ts.sys, join(root, 'core'));
const program = ts.createProgram(fileNames, {
  ...options,
  noUncheckedIndexedAccess: true,
  noEmit: true,
  composite: false,
  incremental: false,
});
const found = program.getSemanticDiagnostics().flatMap(({ file, start, messageText }) => {
  if (!file) return [];
  const { line } = file.getLineAndCharacterOfPosition(start ?? 0);
  const place = relative(source, file.fileName);
  const text = ts.flattenDiagnosticMessageText(messageText, ' ');
  return [{ place, text: `core/src/${place}:${line + 1} ${text}` }];
});

const wrong = found.filter(({ place }) => !numerical.some((of) => place.startsWith(of)));
const done = numerical.filter((of) => !found.some(({ place }) => place.startsWith(of)));
for (const { text } of wrong) console.error(text);
for (const of of done) console.error(`${of} is clean: take it off the list here.`);
process.exit(wrong.length + done.length > 0 ? 1 : 0);
