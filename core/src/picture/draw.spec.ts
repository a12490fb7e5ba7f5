import { createRequire } from 'node:module';
import { readdirSync } from 'node:fs';
import { XMLParser, XMLValidator } from 'fast-xml-parser';
import type { Design } from '../design/index.js';
import { snapshot } from '../rehearsal/index.js';
import { demo, slipwayBeam } from '../testing/demo.js';
import { drawPicture } from './draw.js';
import type { LayOutBoxes } from './lay-out.js';

const { default: Layouter } = createRequire(__filename)('elkjs') as {
  default: new () => { layout: LayOutBoxes };
};
const elk = new Layouter();
const draw = (design: Design): Promise<string> =>
  drawPicture({ design, snapshot: snapshot(design, design.scenes[0], 0) }, (root) =>
    elk.layout(root),
  );

const small = readdirSync('demo')
  .map((file) => file.replace('.yurei.json', ''))
  .filter((name) => demo(name).parts.length <= 12);

it.each(small)(
  '%s: every part stands in a well-formed file, nothing of it is fetched',
  async (name) => {
    const design = demo(name);
    const svg = await draw(design);
    expect(XMLValidator.validate(svg)).toBe(true);
    for (const { id } of design.parts) expect(svg).toContain(`<tspan class="id">${id}</tspan>`);
    expect(svg).not.toMatch(/<script|href=|url\((?!data:)|NaN|undefined/);
  },
);

it('shows the solved volts and what is read', async () => {
  const svg = (await draw(slipwayBeam())).replace(/\u00a0/g, ' ');
  expect(svg).toMatch(/>4\.01 V<\/text>.*>822<\/text>/);
});

it('holds names that look like markup as they are', async () => {
  const design = slipwayBeam();
  const name = `<script>alert("&")</script>\u0007`;
  design.title = name;
  design.parts[0] = { ...design.parts[0], name };
  design.wires[0] = { ...design.wires[0], colour: '"/><script/>' as never };
  const svg = await draw(design);
  expect(XMLValidator.validate(svg)).toBe(true);
  expect(svg).not.toContain('<script');
  const parsed = new XMLParser({ processEntities: true }).parse(svg) as { svg: { title: string } };
  expect(parsed.svg.title).toBe('<script>alert("&")</script>');
});

it('draws a design without parts', async () => {
  const empty = { ...slipwayBeam(), ...{ parts: [], wires: [], channels: [], outputs: [] } };
  const bare = { ...empty, rules: [], scenes: [], readings: [], groups: [] };
  expect(XMLValidator.validate(await draw(bare))).toBe(true);
});
