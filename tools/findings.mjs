import { format } from 'prettier';
import { rules } from '@yurei/core/check';
import { keepWritten } from './written.mjs';

/** Writes docs/findings.md from the rules; --check only compares. */
const cell = (text) => String(text).replaceAll('|', '\\|');

const section = (rule) => [
  `### \`${rule.code}\``,
  '',
  `**${rule.title}** (${rule.severity}: ${rule.consequence}; ${rule.concern})`,
  '',
  `On the bench: ${rule.bench}`,
  '',
  `Source: ${cell(rule.source)}`,
  '',
];

const text = await format(
  [
    '# Findings',
    '',
    `Written by \`npm run findings\` from core/src/check/rules: ${rules.length} rules. Each reads the circuit solved at rest, with every output on, and in the middle of each happening of the scene, and the worst case of all tolerances where a number is held against a limit. After the severity stands what comes of it: danger, burns, unnoticed, cries wolf, wears out, untidy; in that order they are told. Severities may be lower at a place where only the worst case is beyond the limit. “Common practice” is the trade’s; values “from memory” have no published source.`,
    '',
    ...rules.flatMap(section),
  ].join('\n'),
  { parser: 'markdown' },
);

keepWritten('docs/findings.md', text, 'npm run findings');
