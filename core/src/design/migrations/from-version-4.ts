import type { Migration } from '../migrate.js';

type Fields = Record<string, unknown>;
const isFields = (value: unknown): value is Fields =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** Version 5 has conditions of many kinds, modes, counters, sequences and notices; a rule drove one output. */
export const fromVersion4: Migration = (document) => ({
  ...document,
  rules: Array.isArray(document['rules']) ? document['rules'].map(moveRule) : document['rules'],
  counters: [],
  machines: [],
  sequences: [],
  notices: [],
});

/** What has not the shape of a rule is left for the check of the whole document. */
function moveRule(rule: unknown): unknown {
  if (!isFields(rule) || !Array.isArray(rule['channels'])) return rule;
  const { match, channels, output, ...rest } = rule;
  const of = channels.map((channel: unknown) => ({ is: 'channel', channel }));
  return {
    ...rest,
    when: of.length === 1 ? of[0] : { is: match === 'all' ? 'all' : 'any', of },
    then: [{ do: 'drive', output, drive: { as: 'on' } }],
  };
}
