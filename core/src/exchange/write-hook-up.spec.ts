import fc from 'fast-check';
import Papa from 'papaparse';
import { hookUpList } from '../wiring/index.js';
import { slipwayBeam } from '../testing/demo.js';
import { writeHookUpCsv, writeHookUpMarkdown } from './index.js';

describe('the hook-up list as CSV', () => {
  it('has every wire once, with both ends as they are marked on the parts', () => {
    const { data } = Papa.parse<Record<string, string>>(writeHookUpCsv(slipwayBeam()), {
      header: true,
      skipEmptyLines: true,
    });
    const { wires } = slipwayBeam();
    expect(data.map((row) => row['wire']).sort()).toEqual(wires.map((w) => w.id).sort());
    const ends = (row: Record<string, string>) => [row['from part'], row['to part']].sort();
    for (const wire of wires) {
      const row = data.find((r) => r['wire'] === wire.id) ?? {};
      expect(ends(row)).toEqual([wire.from, wire.to].map((ref) => ref.split('.')[0]).sort());
    }
  });

  it('tells colour, length in metres and copper in mm²', () => {
    const design = slipwayBeam();
    design.wires = [{ ...design.wires[0], colour: 'green', length: 2.5, gauge: 0.5e-6 }];
    const [, line] = writeHookUpCsv(design).split('\r\n');
    expect(line).toMatch(/,green,2\.5,0\.5$/);
  });

  it('runs no formula that a name may hold', () => {
    const design = slipwayBeam();
    design.parts[0].name = '=HYPERLINK("x")';
    expect(writeHookUpCsv(design)).toContain("'=HYPERLINK");
  });
});

describe('the hook-up list as Markdown', () => {
  it('has a row to tick for each part and each wire, and the notice', () => {
    const text = writeHookUpMarkdown(slipwayBeam());
    const { parts, wires } = slipwayBeam();
    expect(text.match(/^\| ☐ \|/gm)).toHaveLength(parts.length + wires.length);
    expect(text).toContain('never replaces a certified smoke');
  });

  it('keeps to its table whatever the names are', () => {
    const names = fc.string({ minLength: 1, maxLength: 40, unit: 'binary' });
    fc.assert(
      fc.property(names, names, (name, title) => {
        const design = { ...slipwayBeam(), title };
        design.parts[0].name = name;
        const rows = writeHookUpMarkdown(design)
          .split('\n')
          .filter((line) => line.startsWith('|'));
        const bars = (line: string): number => line.match(/(?<!\\)(?:\\\\)*\|/g)?.length ?? 0;
        const { parts, wires } = design;
        expect(rows).toHaveLength(parts.length + wires.length + 4);
        expect(rows.slice(0, parts.length + 2).every((line) => bars(line) === 6)).toBe(true);
        expect(rows.slice(parts.length + 2).every((line) => bars(line) === 5)).toBe(true);
      }),
    );
  });
});

it('a wire is listed under the part that stands first, whichever way it was drawn', () => {
  const { parts, wires } = slipwayBeam();
  const turned = wires.map(({ from, to, ...wire }) => ({ ...wire, from: to, to: from }));
  expect(hookUpList({ parts, wires: turned })).toEqual(hookUpList({ parts, wires }));
});
