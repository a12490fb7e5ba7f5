import { TestBed } from '@angular/core/testing';
import { demo, openBench, show, showSolved } from '../../testing/workbench-bed';
import { PartPanel } from './part-panel';
import { PartTray } from './part-tray';
import { RecordingField } from './recording-field';
import { WirePanel } from './wire-panel';

jest.mock('../common/chart', () => jest.requireActual('../../testing/chart-stand-in'));

type Bench = Awaited<ReturnType<typeof openBench>>;
let bench: Bench;
beforeEach(async () => {
  bench = await openBench();
});
const part = (id: string) => bench.session.design()?.parts.find((p) => p.id === id);

describe('the panel of a part', () => {
  it('shows volts, amps and heat that agree with each other', async () => {
    const panel = await showSolved(PartPanel, { id: 'R1' });
    const solved = bench.view.snapshot()?.solution.parts['R1'];
    const volts = (solved?.volts['a'] ?? 0) - (solved?.volts['b'] ?? 0);
    expect(Math.abs(volts)).toBeCloseTo(4.014, 2);
    expect(solved?.watts).toBeCloseTo((volts * volts) / 10e3, 9);
    expect(panel.text('.readings')).toMatch(/4\.01 V · 401 µA.*Heat 1\.61 mW/);
  });

  it('says what a sensor feels, and moves it', async () => {
    const panel = await showSolved(PartPanel, { id: 'B1' });
    const stimulus = () => bench.view.snapshot()?.stimulus['B1']?.infrared ?? 0;
    const before = stimulus();
    expect(panel.text('.readings')).toMatch(/^Infrared.* [\d.]+ .?W\/m²/);
    await panel.type('East', '8');
    await panel.until(() => stimulus() !== before);
    // Twice as far from the lamp: a quarter of its light, on top of the daylight that stays.
    expect(stimulus()).toBeLessThan(before / 3.5);
    expect(part('B1')?.place).toEqual({ x: 8, y: 3, facing: 180 });
  });

  it('puts a sounder on the plan, which is heard nowhere before', async () => {
    const panel = await showSolved(PartPanel, { id: 'P1' });
    expect(part('P1')?.place).toBeUndefined();
    await panel.press('Put it on the plan');
    const { width = 0, depth = 0 } = bench.session.design()?.plan ?? {};
    expect(part('P1')?.place).toEqual({ x: width / 2, y: depth / 2, facing: 0 });
    await panel.type('East', '2');
    expect(part('P1')?.place?.x).toBe(2);
  });

  it('fixes a sensor to the arm of a servo, and takes it off again', async () => {
    const servo = { id: 'M1', kind: 'servo', name: 'Turning servo', params: {} };
    bench.session.edit({ type: 'add-part', part: servo });
    const panel = await showSolved(PartPanel, { id: 'B1' });
    const before = part('B1')?.place;
    await panel.choose('On the arm of', 'M1 Turning servo');
    expect(part('B1')?.place).toEqual({ ...before, on: 'M1' });
    await panel.choose('On the arm of', 'nothing');
    expect(part('B1')?.place).toEqual(before);
  });

  it('lets go of what has no arm any more', async () => {
    const place = { x: 4, y: 3, facing: 180 };
    bench.session.edit({ type: 'place-part', id: 'B1', place: { ...place, on: 'R2' } });
    const panel = await showSolved(PartPanel, { id: 'B1' });
    await panel.choose('On the arm of', 'nothing');
    expect(part('B1')?.place).toEqual(place);
  });

  it('offers no arm where nothing has one', async () => {
    const panel = await showSolved(PartPanel, { id: 'B1' });
    expect(panel.text()).not.toContain('On the arm of');
  });

  it('renames a part, but never to nothing', async () => {
    const panel = await showSolved(PartPanel, { id: 'R2' });
    await panel.type('Name', '  Brake  ');
    expect(part('R2')?.name).toBe('Brake');
    await panel.type('Name', '   ');
    expect(part('R2')?.name).toBe('Brake');
    expect(panel.field('Name').value).toBe('Brake');
  });

  it('removes the part with its wires', async () => {
    const panel = await showSolved(PartPanel, { id: 'R2' });
    bench.selection.pick('part', 'R2');
    await panel.press('Remove part');
    const ends = bench.session.design()?.wires.flatMap((w) => [w.from, w.to]) ?? [];
    expect(ends.some((end) => end.startsWith('R2.'))).toBe(false);
    expect(bench.selection.picked()).toBeUndefined();
  });
});

describe('the panel of a wire', () => {
  it('shows what the wire carries', async () => {
    const panel = await showSolved(WirePanel, { id: 'w7' });
    expect(panel.text('.readings')).toMatch(/Volts 4\.01\d V/);
  });

  it('offers only ends that are possible, and moves an end there', async () => {
    const panel = await showSolved(WirePanel, { id: 'w7' });
    const wire = () => bench.session.design()?.wires.find((w) => w.id === 'w7');
    const [from, to] = [wire()?.from, wire()?.to];
    const offered = panel.choices(panel.field('Ends at')).map((o) => o.value);
    expect(offered).toContain(to);
    expect(offered).not.toContain(from);
    expect(offered).toContain('U1.A1');
    await panel.type('Ends at', 'U1.A1');
    await panel.settle();
    expect(wire()).toMatchObject({ from, to: 'U1.A1' });
    bench.session.undo();
    expect(wire()).toMatchObject({ from, to });
  });

  it('removes it', async () => {
    const panel = await showSolved(WirePanel, { id: 'w7' });
    await panel.press('Remove wire');
    expect(bench.session.design()?.wires.some((w) => w.id === 'w7')).toBe(false);
  });
});

it('the tray finds a part by what it is for, and puts it on the bench', async () => {
  const tray = await showSolved(PartTray, { open: true });
  const input = tray.find<HTMLInputElement>('input[role=combobox]');
  const search = async (text: string) => {
    input.value = text;
    input.dispatchEvent(new Event('input'));
    await tray.settle();
  };
  await search('beep');
  expect(tray.all('li[role=option]')[0].textContent).toMatch(/Sounder, 12 V/);
  await tray.click('li[role=option]');
  expect(bench.session.design()?.parts.at(-1)).toMatchObject({ id: 'P2', kind: 'sounder-12v' });
  expect(bench.selection.is('part', 'P2')).toBe(true);
});

describe('the door for recorded readings', () => {
  const playing = () => bench.session.design()?.parts.find((p) => p.id === 'B1')?.recording;
  beforeEach(async () => {
    TestBed.resetTestingModule();
    bench = await openBench(demo('bench-test-jig'));
  });

  it('tells what is played, and lets it be another or nothing', async () => {
    const field = await show(RecordingField, { id: 'B1' });
    expect(field.text()).toMatch(/7 readings over 2.min, 310 mV to 2\.61 V/);
    await field.type('Plays', '');
    expect(playing()).toBeUndefined();
    bench.session.undo();
    expect(playing()).toBe('dusk');
  });

  it('takes a CSV in, as one step to undo', async () => {
    const field = await show(RecordingField, { id: 'B1' });
    field.fixture.componentInstance.take('evening', 't;v\n0;0,5\n60;1,5');
    await field.settle();
    expect(bench.session.design()?.recordings.at(-1)).toMatchObject({
      name: 'evening',
      times: [0, 60],
      values: [0.5, 1.5],
    });
    expect(playing()).toBe('rec1');
    bench.session.undo();
    expect(playing()).toBe('dusk');
    expect(bench.session.design()?.recordings).toHaveLength(1);
  });

  it.each([
    ['0,1\n1,NaN', /Line 2: "NaN" is not a number/],
    ['\u0000PNG', /not a text file/],
    ['0\n1', /only one column/],
  ])('refuses %j and keeps what was there', async (text, reason) => {
    const field = await show(RecordingField, { id: 'B1' });
    field.fixture.componentInstance.take('bad', text);
    await field.settle();
    expect(field.text('[role=alert]')).toMatch(reason);
    expect(playing()).toBe('dusk');
  });
});

it('a parameter whose numbers have names is a choice', async () => {
  TestBed.resetTestingModule();
  bench = await openBench(demo('chart-room-touch'));
  const panel = await showSolved(PartPanel, { id: 'S1' });
  const offered = await panel.offered('Output when touched');
  expect(offered.map((o) => o.textContent?.trim())).toEqual(['low', 'high']);
  await panel.type('Output when touched', '0');
  expect(bench.session.design()?.parts.find((p) => p.id === 'S1')?.params).toEqual({ active: 0 });
});
