import { TestBed } from '@angular/core/testing';
import { plainManner, writeIn } from '@yurei/core/quantity';
import { openBench, show } from '../../testing/workbench-bed';
import { BenchService } from '../bench/bench';
import { inkColours } from '../common/inks';
import { PartCurve, curveConfig } from '../picture/part-curve';

jest.mock('../common/chart', () => jest.requireActual('../../testing/chart-stand-in'));

const config = async (kind: string, params: Record<string, number> = {}) => {
  await openBench();
  const curve = await TestBed.inject(BenchService).quick.curve(kind, params);
  const { data, options } = curveConfig(curve, inkColours());
  const scale = (id: 'x' | 'y') => options?.scales?.[id];
  const box = options?.plugins?.annotation?.annotations as
    Record<string, { xMin: number; xMax: number; display?: boolean }> | undefined;
  return { curve, data, x: scale('x'), y: scale('y'), works: box?.['works'] };
};

describe('the curve of a part', () => {
  it('marks its working range on a logarithm where the range covers decades', async () => {
    const { x, y, works, data } = await config('photoresistor');
    expect([x?.type, y?.type]).toEqual(['logarithmic', 'logarithmic']);
    expect(works).toMatchObject({ xMin: 1, xMax: 1000, display: true });
    expect(data.datasets).toHaveLength(1);
    expect(data.datasets[0].data).toHaveLength(81);
  });

  it('shows the way back where the part remembers', async () => {
    const { data } = await config('hall-latch');
    expect(data.datasets.map((d) => d.label)).toEqual(['going up', 'going back']);
    expect(data.datasets[1].borderDash).toEqual([5, 4]);
  });

  it('shows choices as points with their names, without a range', async () => {
    const { data, works, x } = await config('servo');
    expect(data.datasets[0]).toMatchObject({ showLine: false, pointRadius: 6 });
    expect(works?.display).toBe(false);
    const ticks = x?.ticks as { callback: (v: number) => string } | undefined;
    expect([0, 1, 2].map((v) => ticks?.callback(v))).toEqual([
      'holding still',
      'moving',
      'stalled',
    ]);
  });

  it('follows the values of the part', async () => {
    const { curve: usual } = await config('ntc');
    TestBed.resetTestingModule();
    const { curve: other } = await config('ntc', { r25: 100e3 });
    expect(other.ys[40] / usual.ys[40]).toBeCloseTo(10, 6);
  });

  it('is drawn in the unit that the maker thinks in', async () => {
    writeIn({ ...plainManner, temperature: '°F' });
    const { data, works, x, curve } = await config('temperature-chip');
    writeIn(plainManner);
    const title = (x as { title?: { text: string } } | undefined)?.title?.text;
    expect(title).toMatch(/, °F$/);
    // −40 °C is −40 °F, and 125 °C is 257 °F.
    expect([works?.xMin, works?.xMax]).toEqual([-40, 257]);
    expect(data.datasets[0].data.at(-1)).toMatchObject({ x: 32 + 1.8 * (curve.xs.at(-1) ?? 0) });
  });

  it('says its range in words, and when it cannot be computed', async () => {
    await openBench();
    const good = await show(PartCurve, { kind: 'temperature-chip' });
    await good.until(() => good.text().includes('Works'));
    expect(good.text()).toMatch(/Works from −40\.0 °C to 125 °C, shaded/);
    const bad = await show(PartCurve, { kind: 'unicorn' });
    await bad.until(() => bad.text().includes('could not'));
    expect(bad.text('[role=alert]')).toMatch(/could not be computed/);
  });
});
