import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

/** Letters on drawings are as large as their layout reckons with. */
const drawings = ['picture/picture.css', 'act/mode-chart.css', 'site/site-plan.css'];

const styles = readdirSync('web/src/app', { recursive: true, encoding: 'utf8' }).filter(
  (name) =>
    /\.(css|ts)$/.test(name) &&
    !name.endsWith('.spec.ts') &&
    !drawings.some((d) => name.endsWith(d)),
);

it('letters and corners come in the sizes of the tokens', () => {
  const raw = styles.flatMap((name) =>
    readFileSync(join('web/src/app', name), 'utf8')
      .split('\n')
      .filter((line) => /(?:font(?:-size)?|border-radius): [^;]*\dpx/.test(line))
      .map((line) => `${name}: ${line.trim()}`),
  );
  expect(styles.length).toBeGreaterThan(100);
  expect(raw).toEqual([]);
});
