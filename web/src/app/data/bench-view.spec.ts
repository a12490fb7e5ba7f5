import { TestBed } from '@angular/core/testing';
import { demo, openBench, showSolved, slipwayBeam } from '../../testing/workbench-bed';
import { bench as core } from '../bench/bench-core';
import { ProbeStrip } from '../shell/probe-strip';

const ohms = (value: number) => ({ type: 'set-param', id: 'R1', param: 'ohms', value }) as const;

it('follows an edit with solution, rehearsal, findings and answers', async () => {
  const bench = await openBench();
  const strip = await showSolved(ProbeStrip);
  expect(bench.view.snapshot()?.counts['beam']).toBe(822);
  expect(bench.view.rehearsal()?.verdicts.map((v) => v.outcome)).toEqual(['quiet', 'noticed']);
  const before = bench.view.rehearsal();
  bench.session.edit(ohms(4700));
  await strip.until(() => bench.view.rehearsal() !== before && !bench.view.rehearsing());
  expect(Math.abs((bench.view.snapshot()?.counts['beam'] ?? 0) - 386)).toBeLessThan(3);
  expect(bench.view.answers().find((a) => a.id === 'notices')?.value).toMatch(/of 1/);
});

it('never lets a late answer overwrite a newer one', async () => {
  const bench = await openBench();
  const strip = await showSolved(ProbeStrip);
  const look = bench.workers.quick.look.getMockImplementation();
  let release: () => void = () => undefined;
  const held = new Promise<void>((done) => (release = done));
  bench.workers.quick.look.mockImplementationOnce(async (...args) => {
    await held;
    return look?.(...args) as never;
  });
  bench.session.edit(ohms(100));
  TestBed.tick();
  bench.session.edit(ohms(10e3));
  await strip.settle();
  const counts = bench.view.snapshot()?.counts['beam'];
  release();
  await strip.settle();
  expect(counts).toBe(822);
  expect(bench.view.snapshot()?.counts['beam']).toBe(822);
});

it('rehearses once for many edits in a row', async () => {
  const bench = await openBench();
  const strip = await showSolved(ProbeStrip);
  const calls = () => bench.workers.patient.rehearse.mock.calls.length;
  const before = calls();
  for (const value of [5000, 6000, 7000, 8000]) {
    bench.session.edit(ohms(value));
    // Each is told at once, however slow the machine.
    strip.fixture.detectChanges();
    TestBed.tick();
  }
  await strip.until(() => calls() > before && !bench.view.rehearsing());
  expect(calls() - before).toBe(1);
});

describe('in time', () => {
  const open = async () => {
    const bench = await openBench();
    const strip = await showSolved(ProbeStrip);
    const [settled] = [bench.view.rehearsal()];
    if (!settled) throw new Error('Nothing was rehearsed.');
    const edit = async (value: number) => {
      const before = bench.view.rehearsal();
      bench.session.edit(ohms(value));
      await strip.until(() => bench.view.rehearsal() !== before && !bench.view.rehearsing());
      await strip.settle();
    };
    return { ...bench, follow: bench.workers.timed.follow, settled, edit, strip };
  };

  it('takes the place of what was taken as settled when it is there', async () => {
    const { view, follow, edit } = await open();
    follow.mockImplementationOnce(async (...asked) => core.follow(...asked));
    await edit(4700);
    expect([view.following(), view.rehearsal()?.circuit]).toEqual([false, 'in time']);
  });

  it('a moment of it shows what was taken down, not the settled circuit', async () => {
    const { view, follow, settled, edit, strip } = await open();
    const acting = [{ part: 'P1', t: 1, active: true, because: 'it was taken down' }];
    follow.mockResolvedValueOnce({ ...settled, circuit: 'in time', acting });
    await edit(4700);
    const shown = () => view.snapshot()?.acting['P1'];
    view.moveTo(0.5);
    await strip.until(() => view.snapshot()?.t === 0.5);
    expect(shown()?.active).toBe(false);
    view.moveTo(2);
    await strip.until(() => view.snapshot()?.t === 2);
    expect(shown()).toEqual({ active: true, because: 'it was taken down' });
  });

  it('a moment of it is followed again for its currents; what is looked at by then stays', async () => {
    const { view, workers, settled, edit, strip } = await open();
    workers.timed.follow.mockResolvedValueOnce({ ...settled, circuit: 'in time' });
    await edit(4700);
    const real = view.snapshot();
    const told = (watts: number) => {
      const parts = { R1: { volts: {}, amps: {}, watts } };
      return real && { ...real, solution: { ...real.solution, parts } };
    };
    let release: () => void = () => undefined;
    const held = new Promise<void>((done) => (release = done));
    workers.moments.moment.mockImplementationOnce(async () => {
      await held;
      return told(1);
    });
    workers.moments.moment.mockImplementationOnce(async () => told(2));
    const watts = () => view.snapshot()?.solution.parts['R1']?.watts;
    view.moveTo(1);
    await strip.until(() => workers.moments.moment.mock.calls.length === 1);
    view.moveTo(2);
    await strip.until(() => view.snapshot()?.t === 2);
    release();
    await strip.until(() => watts() === 2);
    expect(workers.moments.moment).toHaveBeenCalledTimes(2);
  });

  it('is waited for where a scene asks for what only it can tell', async () => {
    const { view, workers, session, settled, strip } = await open();
    const inTime = { ...settled, circuit: 'in time' as const };
    workers.timed.follow.mockResolvedValueOnce(inTime);
    const before = workers.patient.rehearse.mock.calls.length;
    const scene = view.scene();
    if (!scene) throw new Error('There is no scene.');
    session.edit({ type: 'put-scene', scene: { ...scene, starts: 'power-on' } });
    await strip.until(() => view.rehearsal() === inTime && !view.rehearsing());
    expect(workers.patient.rehearse.mock.calls.length).toBe(before);
    // Where it does not come to its end there is the quick answer, once.
    const halted = { t: 3, because: 'it was stopped' };
    workers.timed.follow.mockResolvedValueOnce({ ...inTime, halted });
    session.edit({ type: 'put-scene', scene: { ...scene, seed: 5, starts: 'power-on' } });
    await strip.until(() => view.rehearsal()?.circuit === 'settled' && !view.rehearsing());
    expect(view.halted()).toEqual(halted);
  });

  it('is not shown where it did not come to its end, and why is said', async () => {
    const { view, follow, settled, edit } = await open();
    const halted = { t: 3, because: 'it was stopped' };
    follow.mockResolvedValueOnce({ ...settled, circuit: 'in time', halted });
    await edit(4700);
    expect([view.halted(), view.rehearsal()?.circuit]).toEqual([halted, 'settled']);
    await edit(5600);
    expect(view.halted()).toBeUndefined();
  });

  it('its batteries are followed down where it has any: until then no answer is given, after an edit the old one stays', async () => {
    const bench = await openBench(demo('fuel-locker-loop'));
    const strip = await showSolved(ProbeStrip);
    const { view, session } = bench;
    const { follow, runDown } = bench.workers.timed;
    const lasts = () => view.answers().find((a) => a.id === 'lasts');
    await strip.until(() => view.rehearsal() !== undefined && lasts() !== undefined);
    expect(runDown).not.toHaveBeenCalled();
    expect(lasts()?.value).toBe('not computed yet');
    const settled = view.rehearsal();
    if (!settled) throw new Error('Nothing was rehearsed.');
    const down = (days: number) => ({
      ...{ lasts: 86_400 * days, part: 'G1', left: 0, because: 'it is empty' },
      ...{ aDay: { G1: { all: 0.003, atRest: 0.003 } }, course: [] },
    });
    follow.mockResolvedValue({ ...settled, circuit: 'in time' });
    runDown.mockResolvedValueOnce(down(300));
    session.edit({ type: 'describe', fields: { purpose: 'once more' } });
    await strip.until(() => lasts()?.value === '300 days');
    let release: () => void = () => undefined;
    const held = new Promise<void>((done) => (release = done));
    runDown.mockImplementationOnce(async () => {
      await held;
      return down(200);
    });
    session.edit({ type: 'describe', fields: { purpose: 'and once more' } });
    await strip.until(() => view.runningDown() && !view.following());
    expect(lasts()?.value).toBe('300 days');
    release();
    await strip.until(() => lasts()?.value === '200 days');
    expect(lasts()?.detail).toBe('12 V battery, one such scene a day');
  });

  it('of a design as it was before is put an end to, and never shown', async () => {
    const { view, follow, workers, settled, edit } = await open();
    let release: () => void = () => undefined;
    const held = new Promise<void>((done) => (release = done));
    follow.mockImplementationOnce(async () => {
      await held;
      return { ...settled, circuit: 'in time' };
    });
    await edit(4700);
    expect(view.following()).toBe(true);
    const before = workers.timed.cancel.mock.calls.length;
    await edit(5600);
    expect(workers.timed.cancel.mock.calls.length).toBeGreaterThan(before);
    release();
    await edit(6800);
    expect([view.following(), view.rehearsal()?.circuit]).toEqual([false, 'settled']);
  });
});

it('says what kept the core from computing, until it can again', async () => {
  const bench = await openBench();
  const strip = await showSolved(ProbeStrip);
  bench.workers.quick.look.mockRejectedValueOnce(new Error('The worker has ended.'));
  bench.session.edit(ohms(5000));
  await strip.settle();
  expect(bench.view.trouble()).toBe('The worker has ended.');
  bench.session.edit(ohms(6000));
  await strip.settle();
  expect(bench.view.trouble()).toBe('');
});

it('keeps the time cursor in the scene, and at rest in another one', async () => {
  const design = slipwayBeam();
  design.scenes.push({ ...design.scenes[0], id: 'short', duration: 3, happenings: [] });
  const bench = await openBench(design);
  bench.view.moveTo(1e6);
  expect(bench.view.time()).toBe(design.scenes[0].duration);
  bench.view.chooseScene('short');
  expect([bench.view.time(), bench.view.scene()?.id]).toEqual([undefined, 'short']);
  bench.view.moveTo(-5);
  expect(bench.view.time()).toBe(0);
  bench.session.edit({ type: 'remove-scene', id: 'short' });
  expect(bench.view.scene()?.id).toBe(design.scenes[0].id);
});
