import { openBench, show, showSolved, slipwayBeam, type Screen } from '../../testing/workbench-bed';
import { inkColours } from '../common/inks';
import { HappeningPanel } from './happening-panel';
import { RehearseStep } from './rehearse';
import { timelineConfig } from './timeline';

jest.mock('../common/chart', () => jest.requireActual('../../testing/chart-stand-in'));

type Bench = Awaited<ReturnType<typeof openBench>>;
const happening = (bench: Bench, id: string) =>
  bench.session.design()?.scenes[0].happenings.find((h) => h.id === id);

describe('the panel of a happening', () => {
  let bench: Bench;
  let panel: Screen<HappeningPanel>;
  beforeEach(async () => {
    bench = await openBench();
    panel = await show(HappeningPanel, { id: 'h2' });
  });

  it.each([
    ['Name', 'Someone runs', { name: 'Someone runs' }],
    ['It is', 'nuisance', { intent: 'nuisance' }],
    ['Starts at', '9 s', { start: 9 }],
    ['Speed', '3', { params: { speed: 3, width: 0.35 } }],
    ['From, east', '2.5', { from: { x: 2.5, y: 6 } }],
    ['To, north', '-1', { to: { x: 2, y: -1 } }],
  ])('sets %s to %s', async (label, text, expected) => {
    await panel.type(label, text);
    expect(happening(bench, 'h2')).toMatchObject(expected);
  });

  it.each([
    ['Starts at', '1000'],
    ['Starts at', 'noon'],
    ['Speed', '-2'],
  ])('refuses %s %s', async (label, text) => {
    await panel.type(label, text);
    expect(panel.field(label).getAttribute('aria-invalid')).toBe('true');
    expect(bench.session.canUndo()).toBe(false);
  });

  it('is removed, and can be had back', async () => {
    await panel.press('Remove happening');
    expect(happening(bench, 'h2')).toBeUndefined();
    bench.session.undo();
    expect(happening(bench, 'h2')).toBeDefined();
  });
});

describe('the step Rehearse', () => {
  it('says of every happening what came of it, and why', async () => {
    await openBench();
    const step = await showSolved(RehearseStep);
    const told = step.all('.verdicts .verdict').map((v) => v.textContent ?? '');
    expect(told[0]).toMatch(/Gull.*nuisance, at 5 s.*quiet.*needs 5/s);
    expect(told[1]).toMatch(/Someone walks.*wanted, at 14 s.*noticed after 5\d.\d.ms/s);
  });

  it('tells at once when an edit makes it miss', async () => {
    const bench = await openBench();
    const step = await showSolved(RehearseStep);
    bench.session.edit({ type: 'set-param', id: 'R1', param: 'ohms', value: 100 });
    bench.session.edit({
      type: 'put-channel',
      channel: { ...slipwayBeam().channels[0], threshold: 0, hysteresis: 0 },
    });
    await step.until(() => step.text('.verdicts').includes('missed'));
    expect(step.all('.verdict.bad')).toHaveLength(1);
  });

  it('adds a happening across the middle of the parts and picks it', async () => {
    const bench = await openBench();
    const step = await showSolved(RehearseStep);
    await step.press('Something crosses');
    const added = bench.session.design()?.scenes[0].happenings.at(-1);
    expect(added).toMatchObject({ id: 'h3', intent: 'nuisance', from: { x: 2 }, to: { x: 2 } });
    expect(bench.selection.is('happening', 'h3')).toBe(true);
  });

  it('changes the scene, and refuses one that would last no time', async () => {
    const bench = await openBench();
    const step = await showSolved(RehearseStep);
    const scene = () => bench.session.design()?.scenes[0];
    await step.type('Daylight', '10000');
    await step.type('Lasts', '45');
    expect(scene()).toMatchObject({ ambient: { daylight: 10e3 }, duration: 45 });
    await step.type('Lasts', '0');
    expect(scene()?.duration).toBe(45);
  });

  it('starts with a scene to make, and goes on with a second one', async () => {
    const bench = await openBench({ ...slipwayBeam(), scenes: [] });
    const step = await showSolved(RehearseStep);
    expect(step.text('.none')).toContain('No scene yet');
    await step.press('New scene');
    await step.until(() => !bench.view.rehearsing());
    expect(step.text('.verdicts')).toContain('Nothing happens yet');
    await step.press('New scene');
    expect(bench.view.scene()?.id).toBe(bench.session.design()?.scenes[1].id);
  });
});

describe('the timeline', () => {
  const config = async () => {
    const bench = await openBench();
    await showSolved(RehearseStep);
    const rehearsal = bench.view.rehearsal();
    const scene = bench.view.scene();
    if (!rehearsal || !scene) throw new Error('not rehearsed');
    return timelineConfig(
      rehearsal,
      scene,
      bench.session.design()?.channels ?? [],
      7,
      inkColours(),
    );
  };

  it('keeps the shortest dip when it thins readings', async () => {
    const { data } = await config();
    const ys = data.datasets[0].data.map((p) => (p as { y: number }).y);
    expect(ys.length).toBeLessThan(1500);
    expect(Math.min(...ys)).toBe(0);
    const xs = data.datasets[0].data.map((p) => (p as { x: number }).x);
    expect(xs).toEqual([...xs].sort((a, b) => a - b));
  });

  it('marks levels, what was felt, and the time cursor', async () => {
    const { options } = await config();
    const marks = options?.plugins?.annotation?.annotations as Record<string, object>;
    expect(marks['beam-on']).toMatchObject({ yMin: 380 });
    expect(marks['beam-off']).toMatchObject({ yMin: 440 });
    expect(marks['h2']).toMatchObject({ type: 'box', label: { content: 'noticed' } });
    expect(marks['cursor']).toMatchObject({ xMin: 7, xMax: 7 });
  });
});
