/** Every `@example` in the core runs: `call // what comes out`, a number to as many digits as it is written with. */
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { runInNewContext } from 'node:vm';

type Example = [where: string, call: string, result: string, file: string];

const sources = readdirSync('core/src', { recursive: true, encoding: 'utf8' }).filter(
  (file) => file.endsWith('.ts') && !file.endsWith('.spec.ts') && !file.includes('testing'),
);
const examples = sources.flatMap((name): Example[] => {
  const file = join('core/src', name);
  const found = readFileSync(file, 'utf8').matchAll(/^ \* @example (.+?) \/\/ (.+)$/gm);
  return [...found].map(([, call, result]) => [name, call, result, file]);
});

/** Significant digits a number is written with; undefined for what is no number. */
const digitsOf = (written: string): number | undefined =>
  /^-?\d*\.?\d+$/.test(written)
    ? Math.max(3, written.replace(/^-?[0.]*/, '').replace('.', '').length)
    : undefined;

it('finds them', () => {
  const written = sources.flatMap(
    (name) => readFileSync(join('core/src', name), 'utf8').match(/@example/g) ?? [],
  );
  expect(examples.length).toBe(written.length);
});

it.each(examples)('%s: %s is %s', (_, call, result, file) => {
  const module = jest.requireActual<Record<string, unknown>>(join(process.cwd(), file));
  const plain = (of: unknown): unknown =>
    typeof of === 'string'
      ? of.replace(/\u00a0/g, ' ')
      : (JSON.parse(JSON.stringify(of)) as unknown);
  const value = plain(runInNewContext(call, { ...module, Math }));
  const digits = digitsOf(result);
  if (digits === undefined) expect(value).toEqual(plain(runInNewContext(`(${result})`, { Math })));
  else expect(Number(Number(value).toPrecision(digits))).toBe(Number(result));
});
