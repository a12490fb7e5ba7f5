import { openBench, showSolved, slipwayBeam } from '../../testing/workbench-bed';
import { WireTable } from './wire-table';

describe('the circuit as tables', () => {
  const cells = (table: { all: (css: string) => HTMLElement[] }, of: string): string[][] =>
    table
      .all(`[aria-label="${of} as a table"] tbody tr`)
      .map((row) =>
        [...row.children].map((cell) => cell.textContent.replace(/[\s\u00a0]+/g, ' ').trim()),
      );
  const rows = (...of: Parameters<typeof cells>): string[] => cells(...of).map((r) => r.join(' '));

  it('has every part and every wire, with volts and amps as they are solved', async () => {
    await openBench();
    const table = await showSolved(WireTable);
    const { parts, wires } = slipwayBeam();
    expect(rows(table, 'Parts')).toHaveLength(parts.length);
    expect(rows(table, 'Wires')).toHaveLength(wires.length);
    expect(rows(table, 'Parts')).toContain('R1 Load resistor Resistor conditions');
    // 10 kΩ under 4.01 V carry 401 µA, by Ohm's law.
    const load = rows(table, 'Wires').find((row) => /^R1 b U1 GND|^B1 E R1 a/.test(row)) ?? '';
    expect(load).toMatch(/4\.01 V 401 µA/);
  });

  it('picks a part or a wire', async () => {
    const bench = await openBench();
    const table = await showSolved(WireTable);
    await table.press('R1');
    expect(bench.selection.is('part', 'R1')).toBe(true);
  });

  it('is sorted by what a column means, not by its letters', async () => {
    await openBench();
    const table = await showSolved(WireTable);
    const volts = (): number[] =>
      cells(table, 'Wires').map(([, , , told]) => {
        const [, value, milli] = /(-?[\d.]+) (m|µ)?V/.exec(told) ?? [];
        return Number(value) * (milli === 'm' ? 1e-3 : milli ? 1e-6 : 1);
      });
    const heading = table
      .all('[aria-label="Wires as a table"] th')
      .find((th) => th.textContent.includes('Volts'));
    heading?.click();
    await table.settle();
    expect(volts()).toEqual([...volts()].sort((a, b) => a - b));
    expect(heading?.getAttribute('aria-sort')).toBe('ascending');
  });
});
