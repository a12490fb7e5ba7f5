import { format } from 'prettier';
import { terms, topics } from '@yurei/core/help';
import { keepWritten } from './written.mjs';

/** Writes docs/glossary.md from the words and help pages of the program; --check only compares. */
const cell = (text) => String(text ?? '').replaceAll('|', '\\|');

const text = await format(
  [
    '# Words, and how each number is found',
    '',
    `Written by \`npm run glossary\` from core/src/help: ${terms.length} words, each with one meaning here; \`?\` in the program shows the same, and hovering over a field’s name its meaning.`,
    '',
    '| word | means | symbol | unit |',
    '| --- | --- | --- | --- |',
    ...terms.map((t) => `| ${[t.term, t.means, t.symbol, t.unit].map(cell).join(' | ')} |`),
    '',
    ...topics.flatMap((t) => [
      `## ${t.title}`,
      '',
      ...t.text.flatMap((p) => [p, '']),
      `\`${t.formula}\``,
      '',
      `Source: ${t.source}.`,
      '',
    ]),
  ].join('\n'),
  { parser: 'markdown' },
);

keepWritten('docs/glossary.md', text, 'npm run glossary');
