import type { Design } from '@yurei/core/design';
import {
  demo,
  openBench,
  show,
  showSolved,
  slipwayBeam,
  type Screen,
} from '../../testing/workbench-bed';
import { HappeningPanel } from './happening-panel';
import { RehearseStep } from './rehearse';
import { SiteFields } from '../site/site-fields';
import { SceneFields } from './scene-fields';

/** Takes one of the views of a rehearsal. */
const look = (step: Screen<unknown>, view: string): Promise<void> => step.press(view);

type Bench = Awaited<ReturnType<typeof openBench>>;
const happening = (bench: Bench, id: string) =>
  bench.session.design()?.scenes[0].happenings.find((h) => h.id === id);

const nothing = { parts: [], wires: [], channels: [], outputs: [], rules: [], scenes: [] };

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
    [
      'From, east',
      '2.5',
      {
        path: [
          { x: 2.5, y: 6 },
          { x: 2, y: 0 },
        ],
      },
    ],
    [
      'To, north',
      '1',
      {
        path: [
          { x: 2, y: 6 },
          { x: 2, y: 1 },
        ],
      },
    ],
  ])('sets %s to %s', async (label, text, expected) => {
    await panel.type(label, text);
    expect(happening(bench, 'h2')).toMatchObject(expected);
  });

  it.each([
    ['Starts at', '1000'],
    ['Starts at', 'noon'],
    ['Speed', '-2'],
    ['To, north', '7'],
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
    expect(told[0]).toMatch(/Gull.*nuisance, at 5.s.*quiet.*needs 5/s);
    expect(told[1]).toMatch(/Someone walks.*wanted, at 14.s.*noticed after 5\d.\d.ms/s);
  });

  it('tells of the one that is picked how it came to that, and goes to each moment of it', async () => {
    const bench = await openBench();
    const step = await showSolved(RehearseStep);
    expect(step.all('yu-verdict-chain')).toHaveLength(0);
    step.all('.verdict')[1].click();
    await step.until(() => step.all('yu-verdict-chain li').length > 0);
    expect(step.text('yu-verdict-chain')).toMatch(
      /begins .* meets .* U1\.A0: .* yes: .* turns.* sounding/,
    );
    step.all('yu-verdict-chain button')[3].click();
    await step.settle();
    expect(bench.view.time()).toBeCloseTo(16.61, 3);
  });

  it('tells the score, and how likely sampling misses what is wanted', async () => {
    await openBench();
    const step = await showSolved(RehearseStep);
    await look(step, 'Score');
    await step.until(() => step.text('yu-score-card').includes('whenever it begins'));
    expect(step.text('yu-score-card')).toMatch(
      /False triggers 0 in 30.0.s at most 8600 a day \(95 % sure\)/,
    );
    expect(step.text('yu-score-card')).toMatch(/Beam blind 10.0.ms at most, between two readings/);
    expect(step.text('yu-score-card')).toMatch(
      /walks up the slipway”, whenever it begins never missed by that/,
    );
    expect(step.text('yu-score-card')).toMatch(/Chatter none .* Energy [\d.]+ J .* on the average/);
  });

  it('moves happenings on the time line by keys, on whole tenths of a step, within the scene', async () => {
    const bench = await openBench();
    const step = await showSolved(RehearseStep);
    const [gull, walker] = step.all('yu-happening-times .block');
    expect(gull.getAttribute('aria-label')).toMatch(/^Gull flies through, nuisance, from 5.s for/);
    await step.key(gull, 'ArrowRight');
    expect(happening(bench, 'h1')?.start).toBe(6);
    await step.key(walker, 'ArrowRight', { shiftKey: true });
    expect(happening(bench, 'h2')?.start).toBe(24);
    await step.key(walker, 'ArrowRight', { shiftKey: true });
    expect(happening(bench, 'h2')?.start).toBe(30);
    walker.click();
    expect(bench.selection.is('happening', 'h2')).toBe(true);
  });

  it('takes the surroundings of a kind of place and time', async () => {
    const bench = await openBench();
    const step = await showSolved(SceneFields);
    await step.menu('Take the surroundings of…', 'A room with its lamps on');
    expect(bench.view.scene()?.ambient).toEqual({ lamp: 300, temperature: 20, humidity: 50 });
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
    await step.press('Add happening');
    const input = step.find<HTMLInputElement>('input[role=combobox]');
    input.value = 'something crosses';
    input.dispatchEvent(new Event('input'));
    await step.settle();
    await step.click('li[role=option]');
    const added = bench.session.design()?.scenes[0].happenings.at(-1);
    expect(added).toMatchObject({ id: 'h3', intent: 'nuisance', path: [{ x: 2 }, { x: 2 }] });
    expect(bench.selection.is('happening', 'h3')).toBe(true);
  });

  it('aims a happening at a value, which is then set within what that can be', async () => {
    const bench = await openBench();
    const step = await showSolved(RehearseStep);
    await step.press('Add happening');
    const input = step.find<HTMLInputElement>('input[role=combobox]');
    input.value = 'knob';
    input.dispatchEvent(new Event('input'));
    await step.settle();
    await step.click('li[role=option]');
    const panel = await show(HappeningPanel, { id: 'h3' });
    await panel.choose('Which value', 'Load resistor: resistance');
    expect(happening(bench, 'h3')).toMatchObject({
      target: { part: 'R1', param: 'ohms' },
      params: { to: bench.session.design()?.parts.find((p) => p.id === 'R1')?.params['ohms'] },
    });
    await panel.type('Set to', '4.7 kΩ');
    expect(happening(bench, 'h3')?.params['to']).toBe(4700);
    await panel.type('Set to', '-1');
    expect(happening(bench, 'h3')?.params['to']).toBe(4700);
  });

  it('changes the scene, and refuses one that would last no time', async () => {
    const bench = await openBench();
    const step = await showSolved(SceneFields);
    const scene = () => bench.session.design()?.scenes[0];
    await step.type('Daylight', '10000');
    await step.type('Lasts', '45');
    expect(scene()).toMatchObject({ ambient: { daylight: 10e3 }, duration: 45 });
    await step.type('Lasts', '0');
    expect(scene()?.duration).toBe(45);
    await step.type('Power', 'power-on');
    expect(scene()?.starts).toBe('power-on');
    await step.type('Power', 'settled');
    expect(scene()).not.toHaveProperty('starts');
  });

  it('starts with a scene to make, and goes on with a second one', async () => {
    const bench = await openBench({ ...slipwayBeam(), scenes: [] });
    const step = await showSolved(RehearseStep);
    expect(step.text('.none')).toContain('No scene yet');
    await step.press('New scene…');
    await step.press('Make the scene');
    await step.until(() => !bench.view.rehearsing());
    expect(step.text('.verdicts')).toContain('Nothing happens yet');
    await step.press('New scene…');
    await step.press('Make the scene');
    expect(bench.view.scene()?.id).toBe(bench.session.design()?.scenes[1].id);
  });
});

describe('a new scene', () => {
  it('is made of what is ticked, at the place that is chosen, and judged at once', async () => {
    const bench = await openBench({ ...slipwayBeam(), scenes: [] });
    const step = await showSolved(RehearseStep);
    await step.press('New scene…');
    await step.type('Name', 'An evening');
    await step.choose('Where and when', 'Night, full moon');
    const tick = async (column: number, label: string): Promise<void> => {
      const rows = step.all('fieldset')[column].querySelectorAll('yu-check-field');
      const row = [...rows].find((r) => r.textContent.trim() === label);
      row?.querySelector('input')?.click();
      await step.settle();
    };
    await tick(0, 'Someone walks');
    await tick(1, 'Someone walks');
    await tick(1, 'A pet runs by');
    await tick(0, 'Something crosses');
    // The same thing cannot be both: the last word holds.
    expect(step.text('.p-dialog')).toContain('1 that must be noticed, 2 that must not fire');
    await step.press('Make the scene');
    const [scene] = bench.session.design()?.scenes ?? [];
    expect(scene).toMatchObject({ name: 'An evening', ambient: { daylight: 0.2 } });
    expect(scene.happenings.map(({ kind, intent }) => [kind, intent])).toEqual([
      ['person-walks', 'nuisance'],
      ['pet', 'nuisance'],
      ['crossing', 'wanted'],
    ]);
    await step.until(() => step.all('button.verdict').length === 3);
  });

  it('offers what mostly is a nuisance last among what must be noticed', async () => {
    await openBench({ ...slipwayBeam(), scenes: [] });
    const step = await showSolved(RehearseStep);
    await step.press('New scene…');
    const offered = [...step.all('fieldset')[0].querySelectorAll('label')].map(
      (l) => l.textContent,
    );
    expect(offered.indexOf('A pet runs by')).toBeGreaterThan(offered.indexOf('Someone walks'));
    expect(offered).not.toContain('Soil dries');
  });

  it('neither offers nor makes what cannot happen at the place and hour', async () => {
    const bench = await openBench({ ...slipwayBeam(), scenes: [] });
    const step = await showSolved(RehearseStep);
    await step.press('New scene…');
    const box = (label: string) =>
      [...step.all('fieldset')[1].querySelectorAll('yu-check-field')]
        .find((row) => row.textContent.trim() === label)
        ?.querySelector('input');
    // At night.
    box('Car headlights sweep by')?.click();
    await step.settle();
    expect(step.text('.p-dialog')).toContain('1 that must not fire');
    expect(box('Low sun looks in')).toBeUndefined();
    await step.choose('Where and when', 'Outdoors, overcast');
    expect(box('Low sun looks in')).toBeDefined();
    expect(box('Car headlights sweep by')).toBeUndefined();
    expect(step.text('.p-dialog')).toContain('Nothing ticked');
    await step.press('Make the scene');
    expect(bench.session.design()?.scenes[0].happenings).toEqual([]);
  });

  it('says so when no part feels anything', async () => {
    await openBench({ ...slipwayBeam(), ...nothing });
    const step = await show(RehearseStep);
    await step.press('New scene…');
    expect(step.text('.p-dialog')).toContain('No part of this design feels anything yet');
  });
});

describe('the surroundings of a scene', () => {
  const scene = (bench: Bench) => bench.session.design()?.scenes[0];
  /** The locker with a scene too short to wait for. */
  const locker = (): Design => {
    const design = demo('fuel-locker-vapour');
    const [day] = design.scenes;
    return { ...design, scenes: [{ ...day, duration: 5, happenings: [] }] };
  };

  it('shows light and weather, and besides only what the parts of the design feel', async () => {
    await openBench(locker());
    const step = await showSolved(SceneFields);
    const labels = step.all('label').map((l) => l.textContent?.trim());
    expect(labels).toEqual(expect.arrayContaining(['Daylight', 'Temperature', 'Propane']));
    expect(labels).not.toContain('Water level');
  });

  it.each([
    ['Propane', '250', { propane: 250 }],
    ['Temperature', '35', { temperature: 35 }],
    ['Daylight follows', '1', { sky: 1 }],
  ])('sets %s to %s', async (label, text, expected) => {
    const bench = await openBench(locker());
    const step = await showSolved(SceneFields);
    await step.type(label, text);
    expect(scene(bench)?.ambient).toMatchObject(expected);
  });

  it('refuses what cannot be, in place', async () => {
    const bench = await openBench(locker());
    const step = await showSolved(SceneFields);
    await step.type('Propane', '-5');
    expect(step.field('Propane').getAttribute('aria-invalid')).toBe('true');
    expect(bench.session.canUndo()).toBe(false);
  });

  it('makes the plan larger, but never smaller than what stands and happens on it', async () => {
    const bench = await openBench();
    const step = await showSolved(SiteFields);
    const set = async (text: string) => {
      const field = step.find<HTMLInputElement>('[aria-label="Width of the plan"]');
      field.value = text;
      field.dispatchEvent(new Event('input'));
      field.dispatchEvent(new Event('change'));
      await step.settle();
    };
    await set('20 m');
    expect(bench.session.design()?.plan).toMatchObject({ width: 20 });
    await set('1 m');
    expect(bench.session.design()?.plan).toMatchObject({ width: 20 });
  });

  it('a new happening that is touched is put where it is felt', async () => {
    const bench = await openBench(demo('chart-room-touch'));
    const step = await showSolved(RehearseStep);
    await step.press('Add happening');
    const input = step.find<HTMLInputElement>('input[role=combobox]');
    input.value = 'finger';
    input.dispatchEvent(new Event('input'));
    await step.settle();
    await step.click('li[role=option]');
    expect(scene(bench)?.happenings.at(-1)).toMatchObject({
      kind: 'finger-touches',
      path: [{ x: 0.3, y: 2 }],
    });
  });
});

describe('a way of several points', () => {
  it('goes on, and its last point is taken away again', async () => {
    const bench = await openBench();
    const panel = await show(HappeningPanel, { id: 'h2' });
    await panel.type('To, north', '2');
    await panel.press('Add point to the way');
    expect(happening(bench, 'h2')?.path).toEqual([
      { x: 2, y: 6 },
      { x: 2, y: 2 },
      // As far again would be outside: it ends at the edge of the plan.
      { x: 2, y: 0 },
    ]);
    expect(panel.field('Point 2, north')).toBeDefined();
    await panel.press('Take its last point away');
    expect(happening(bench, 'h2')?.path).toHaveLength(2);
  });

  it('says what to mind when it is tried for real', async () => {
    await openBench(demo('fuel-locker-vapour'));
    const panel = await show(HappeningPanel, { id: 'h2' });
    expect(panel.text()).toMatch(/Never test with a gas release/);
    expect(await panel.offered('Gas')).toHaveLength(4);
  });
});
