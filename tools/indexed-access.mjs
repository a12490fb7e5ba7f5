import { join, relative } from 'node:path';
import ts from 'typescript';
import { root } from './run.mjs';

/**
 * Folders of core in which an element of a list may still be taken for there without asking; the list only gets shorter.
 * Everywhere else `noUncheckedIndexedAccess` holds.
 */
const open = ['circuit', 'element', 'equations', 'rehearsal'];

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
  const [folder] = relative(source, file.fileName).split('/');
  const where = `${relative(root, file.fileName)}:${line + 1}`;
  return [{ folder, text: `${where} ${ts.flattenDiagnosticMessageText(messageText, ' ')}` }];
});

const wrong = found.filter(({ folder }) => !open.includes(folder));
const done = open.filter((folder) => !found.some((f) => f.folder === folder));
for (const { text } of wrong) console.error(text);
for (const folder of done) console.error(`${folder} is clean: take it off the list here.`);
process.exit(wrong.length + done.length > 0 ? 1 : 0);
