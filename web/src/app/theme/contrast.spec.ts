import { readFileSync } from 'node:fs';

const css = readFileSync('web/src/styles.css', 'utf8');

/** Tokens of a rule, by its selector; with those of the rules before it that it builds on. */
function tokens(...selectors: string[]): Record<string, string> {
  const found = selectors.flatMap((selector) => {
    const at = css.indexOf(`${selector} {`);
    if (at < 0) throw new Error(`No rule for ${selector}`);
    const body = css.slice(at, css.indexOf('}', at));
    return [...body.matchAll(/--([\w-]+):\s*(#[0-9a-f]{3,6})/g)].map(([, k, v]) => [k, v] as const);
  });
  return Object.fromEntries(found);
}

/** Relative luminance of a colour (WCAG 2.2, definition "relative luminance"). */
function luminance(hex: string): number {
  const full = hex.length === 4 ? `#${[...hex.slice(1)].map((c) => c + c).join('')}` : hex;
  const [r, g, b] = [1, 3, 5].map((i) => {
    const c = parseInt(full.slice(i, i + 2), 16) / 255;
    return c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4;
  });
  return 0.2126 * r + 0.7152 * g + 0.0722 * b;
}
const contrast = (a: string, b: string): number => {
  const [light, dark] = [luminance(a), luminance(b)].sort((x, y) => y - x);
  return (light + 0.05) / (dark + 0.05);
};

it('black on white has 21 to 1', () => {
  expect(contrast('#000', '#ffffff')).toBeCloseTo(21, 6);
});

describe.each([
  ['by day', [':root'], ["contrast: more) {\n  :root,\n  :root[data-theme='day']"]],
  ['by night', [":root[data-theme='night']"], ["  :root[data-theme='night']"]],
])('%s, where more contrast is asked for', (_, base, more) => {
  const usual = tokens(...base);
  const strong = { ...usual, ...tokens(...more) };

  it('every ink has 7 to 1 on every ground, and every line 3 to 1 (WCAG 2.2, 1.4.6 and 1.4.11)', () => {
    for (const ground of ['paper', 'raised'])
      for (const ink of ['ink', 'soft', 'lantern-ink', 'amber-ink', 'moss-ink', 'indigo-ink'])
        expect([ground, ink, contrast(strong[ink], strong[ground]) >= 7]).toEqual([
          ground,
          ink,
          true,
        ]);
    expect(contrast(strong['rule'], strong['paper'])).toBeGreaterThanOrEqual(3);
  });

  it('is more than usual', () => {
    expect(contrast(strong['soft'], strong['paper'])).toBeGreaterThan(
      contrast(usual['soft'], usual['paper']),
    );
  });
});
