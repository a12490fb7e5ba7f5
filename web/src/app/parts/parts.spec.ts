import { catalog } from '@yurei/core/catalog';
import { emptyDesign, type Design, type Part } from '@yurei/core/design';
import { openBench, show, showSolved } from '../../testing/workbench-bed';
import { PartPanel } from '../wire/part-panel';
import { takeApart } from '../wire/take-apart';
import { PartPage } from './part-page';
import { Parts } from './parts';

jest.mock('../common/chart', () => jest.requireActual('../../testing/chart-stand-in'));

describe('the catalogue', () => {
  it('lists every kind, and finds it by what a maker would type', async () => {
    await openBench();
    const parts = await show(Parts);
    expect(parts.all('nav a')).toHaveLength(catalog.length);
    const field = parts.find<HTMLInputElement>('nav input');
    const search = async (text: string): Promise<string[]> => {
      field.value = text;
      field.dispatchEvent(new Event('input'));
      await parts.settle();
      return parts.all('nav a').map((a) => a.textContent?.trim() ?? '');
    };
    expect(await search('magnet')).toContain('Reed contact');
    expect(await search('zzz')).toEqual([]);
    expect(parts.text('nav')).toMatch(/No part in this version answers to “zzz”/);
  });

  it('shows a part’s curve with its working range, its values, limits and inside', async () => {
    await openBench();
    const page = await show(PartPage, { kind: 'rain-module' });
    await page.until(() => page.text().includes('Works from'));
    expect(page.text()).toMatch(/Works from 0\.0200 to 1\.00/);
    expect(page.text()).toMatch(/Load resistor 10 kΩ/);
    expect(page.text()).toMatch(/inside Pad B1/);
    expect(page.text()).toMatch(/Source: The circuit inside/);
  });

  it('says when there is no such kind', async () => {
    await openBench();
    const page = await show(PartPage, { kind: 'crystal-ball' });
    expect(page.text()).toMatch(/There is no kind “crystal-ball”/);
  });
});

it('a module is taken apart where it stands, and put together again by undo', async () => {
  const part = (id: string, kind: string, params = {}): Part => ({ id, kind, name: id, params });
  const design: Design = {
    ...emptyDesign('Rain'),
    parts: [part('G1', 'adapter', { volts: 5 }), part('B1', 'rain-module'), part('R1', 'resistor')],
    wires: [
      { id: 'w0', from: 'G1.plus', to: 'B1.VCC' },
      { id: 'w1', from: 'B1.GND', to: 'G1.minus' },
      { id: 'w2', from: 'B1.AO', to: 'R1.a' },
      { id: 'w3', from: 'R1.b', to: 'G1.minus' },
    ],
  };
  const bench = await openBench(design);
  const panel = await showSolved(PartPanel, { id: 'B1' });
  const volts = () =>
    bench.view.snapshot()?.solution.nets.find((n) => n.terminals.includes('R1.a'))?.volts ?? NaN;
  const before = volts();
  await panel.press('Take apart');
  await panel.until(() => bench.view.snapshot()?.solution.parts['B1_U1'] !== undefined);
  expect(bench.session.design()?.parts.map((p) => p.id)).toContain('B1_RV1');
  expect(volts()).toBeCloseTo(before, 6);
  bench.session.undo();
  expect(bench.session.design()).toEqual(design);
  expect(takeApart(design, 'R1').type).toBe('batch');
});
