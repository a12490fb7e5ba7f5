import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';

const faces = [
  { family: 'Atkinson Hyperlegible', name: 'atkinson-hyperlegible', weights: [400, 700] },
  { family: 'IBM Plex Mono', name: 'ibm-plex-mono', weights: [400, 600] },
];

/** The program's own letters as rules `@font-face` that hold them: a picture looks the same everywhere. */
export function fontRules(): string {
  const { resolve } = createRequire(import.meta.url);
  const rule = (family: string, name: string, weight: number): string => {
    const file = resolve(`@fontsource/${name}/files/${name}-latin-${weight}-normal.woff2`);
    const held = readFileSync(file).toString('base64');
    return `@font-face{font-family:'${family}';font-weight:${weight};src:url(data:font/woff2;base64,${held}) format("woff2")}`;
  };
  return faces
    .flatMap(({ family, name, weights }) => weights.map((weight) => rule(family, name, weight)))
    .join('\n');
}
