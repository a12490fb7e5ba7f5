import { demo, openBench, show, showSolved, type Screen } from '../../testing/workbench-bed';
import { eventsOf, rehearse } from '@yurei/core/rehearsal';
import { marksOf } from './time-marks';
import { rowGroups, rowValue, type TraceRow } from './time-rows';
import { TimeAxis } from './time-axis';

describe('rows over one axis', () => {
  const design = demo('loft-stairs');
  const rehearsal = rehearse(design, design.scenes[0]);
  const groups = rowGroups(design, rehearsal);
  const row = (name: string) => groups.flatMap((g) => g.rows).find((r) => r.name === name);

  it('stand in the order in which a signal passes, one for everything that is there', () => {
    expect(groups.map((g) => g.name)).toEqual([
      'what is felt',
      'what is read',
      'what the program does',
      'what acts',
      'supply',
    ]);
    expect(groups[0].rows.map((r) => r.name)).toEqual([
      'B1 · infrared',
      'B2 · infrared',
      'S1 · force',
    ]);
    expect(groups[1].rows.map((r) => r.name)).toEqual([
      'A0 · Lower beam',
      'A1 · Upper beam',
      'D2 · Key',
    ]);
    const { machines, rules, counters, outputs, sequences } = design;
    const program = [machines, rules, sequences, counters, outputs].flat();
    expect(groups[2].rows.length).toBeGreaterThanOrEqual(program.length);
    expect(row('Power')).toBeDefined();
  });

  it('show each relay of a board for itself', () => {
    const figurehead = demo('regatta-figurehead');
    const run = rehearse(figurehead, figurehead.scenes[0]);
    const board = figurehead.parts.find((p) => p.kind === 'relay-board-4');
    const acts = rowGroups(figurehead, run).find((g) => g.id === 'acts')?.rows ?? [];
    const rows = acts.filter((r) => r.name.startsWith(`${board?.id} ·`));
    expect(rows.map((r) => r.name.split('· ')[1])).toEqual([1, 2, 3, 4].map((n) => `relay ${n}`));
    // Not one trace for four: they pull in at times of their own.
    const begins = rows.map((r) => (r.as === 'bands' ? r.bands.map((b) => b.from).join() : ''));
    expect(new Set(begins).size).toBeGreaterThan(1);
    expect(acts.some((r) => r.name === board?.name)).toBe(false);
  });

  it('say levels as words and readings as counts', () => {
    expect((row('D2 · Key') as TraceRow).say(100)).toBe('high');
    expect((row('A0 · Lower beam') as TraceRow).say(300)).toBe('300 counts');
  });

  it('reach so far that their levels are seen', () => {
    const { levels, range } = row('A0 · Lower beam') as TraceRow;
    expect(levels.map((l) => l.side)).toEqual(['trip', 'clear']);
    for (const { value } of levels) {
      expect(value).toBeGreaterThanOrEqual(range[0]);
      expect(value).toBeLessThanOrEqual(range[1]);
    }
  });

  it('hold a value until the next, or go straight', () => {
    const trace = { times: [0, 40, 100], values: [0, 80, 380] };
    const held = { trace, straight: false } as TraceRow;
    const straight = { trace, straight: true } as TraceRow;
    expect([0, 39, 40, 70, 100, 200].map((t) => rowValue(held, t))).toEqual([
      0, 0, 80, 80, 380, 380,
    ]);
    expect([20, 70, 100].map((t) => rowValue(straight, t))).toEqual([40, 230, 380]);
    expect(rowValue(held, -1)).toBeUndefined();
  });

  it('marks stand where something came about, close ones together, each with its cause', () => {
    const events = eventsOf(design, rehearsal);
    const window = { from: 0, to: rehearsal.duration };
    const fine = marksOf(events, window, 0);
    expect(fine.reduce((sum, m) => sum + m.count, 0)).toBe(events.length);
    const coarse = marksOf(events, window, 0.1);
    expect(coarse.length).toBeLessThanOrEqual(11);
    expect(coarse.reduce((sum, m) => sum + m.count, 0)).toBe(events.length);
    const alarm = fine.find((m) => m.title.includes('Guard: Alarm'));
    expect(alarm?.title).toMatch(/because: .*Entering/);
    expect(marksOf(events, { from: 0, to: 1e-6 }, 0.1).length).toBeLessThanOrEqual(1);
  });
});

describe('the time axis', () => {
  const open = async () => {
    const bench = await openBench();
    return { bench, axis: await showSolved(TimeAxis) };
  };
  const ticks = (axis: Screen<TimeAxis>) =>
    axis.all('.tick').map((t) => t.textContent?.trim().replace(/\u00a0/g, ' '));
  const wheel = async (axis: Screen<TimeAxis>, more: WheelEventInit) => {
    const ruler = axis.find('.ruler');
    ruler.getBoundingClientRect = () => ({ left: 0, width: 1000 }) as DOMRect;
    axis.host.dispatchEvent(new WheelEvent('wheel', { cancelable: true, ...more }));
    await axis.settle();
  };

  it('shows what happens with what came of it, and the value of each row at the cursor', async () => {
    const { bench, axis } = await open();
    expect(axis.text('yu-happening-times')).toMatch(/Gull flies through.*quiet.*noticed/);
    const sounder = () => axis.text('[data-row="acts P1"] .label');
    expect(sounder()).toBe('Sounder not sounding');
    bench.view.moveTo(17);
    await axis.settle();
    expect(sounder()).toBe('Sounder sounding');
    expect(axis.all('.cursor')).toHaveLength(1);
  });

  it('moves the cursor to where it is pressed, and to a mark', async () => {
    const { bench, axis } = await open();
    const track = axis.find('[data-row="read beam"] .track');
    track.getBoundingClientRect = () => ({ left: 100, width: 600 }) as DOMRect;
    track.setPointerCapture = () => undefined;
    track.dispatchEvent(Object.assign(new Event('pointerdown'), { clientX: 400, buttons: 1 }));
    expect(bench.view.time()).toBeCloseTo(15, 6);
    axis.all('.mark')[0].click();
    expect(bench.view.time()).toBeCloseTo(16.61, 2);
  });

  it('zooms about the pointer, moves on, and shows all of it again', async () => {
    const { axis } = await open();
    expect(ticks(axis)).toEqual(['0 s', '10 s', '20 s', '30 s']);
    for (let i = 0; i < 3; i++) await wheel(axis, { ctrlKey: true, deltaY: -1, clientX: 500 });
    // 30 s / 1.5³ about 15 s.
    expect(ticks(axis)).toEqual(['12 s', '14 s', '16 s', '18 s']);
    await wheel(axis, { shiftKey: true, deltaY: 500 });
    // Half of the 8.9 s that are shown further on.
    expect(ticks(axis)).toEqual(['16 s', '18 s', '20 s', '22 s']);
    await axis.press('all of it');
    expect(ticks(axis)).toEqual(['0 s', '10 s', '20 s', '30 s']);
    await wheel(axis, { deltaY: 10 });
    expect(ticks(axis)).toEqual(['0 s', '10 s', '20 s', '30 s']);
  });

  it('folds a group of rows', async () => {
    const { axis } = await open();
    expect(axis.all('[data-row="power"]')).toHaveLength(1);
    const supply = axis.all('.group').find((g) => g.textContent?.includes('supply'));
    supply?.click();
    await axis.settle();
    expect(axis.all('[data-row="power"]')).toHaveLength(0);
    expect(supply?.getAttribute('aria-expanded')).toBe('false');
  });

  it('shows the rows that are chosen, and remembers which', async () => {
    const { axis } = await open();
    const rows = () => axis.all('[data-row]').map((r) => r.dataset['row']);
    const supply = () => axis.all('.group').filter((g) => g.textContent.includes('supply'));
    await axis.press('Choose rows');
    const check = (label: string) => axis.field(label).click();
    check('Energy');
    await axis.settle();
    expect(rows()).not.toContain('energy');
    expect(rows()).toContain('power');
    expect(localStorage.getItem('yurei.rows.d1')).toBe('["energy"]');
    for (const label of ['Power', '5 V', '12 V']) check(label);
    await axis.settle();
    // A group with nothing in it has no heading.
    expect(supply()).toEqual([]);
    check('Power');
    await axis.settle();
    expect(rows()).toContain('power');
    const again = await show(TimeAxis);
    expect(again.host.querySelectorAll('[data-row="power"]')).toHaveLength(1);
    expect(again.host.querySelectorAll('[data-row="energy"]')).toHaveLength(0);
  });

  it('shows all rows where what is remembered makes no sense', async () => {
    const { bench } = await open();
    expect(bench.view.rehearsal()).toBeDefined();
    for (const nonsense of ['{', '7', '[1, null]']) {
      localStorage.setItem('yurei.rows.d1', nonsense);
      const axis = await show(TimeAxis);
      expect(axis.host.querySelectorAll('[data-row="power"]')).toHaveLength(1);
    }
  });
});
