import { kindOf } from '@yurei/core/catalog';
import { demo, openBench, showSolved } from '../../testing/workbench-bed';
import { ProbeStrip } from './probe-strip';

const setUp = async () => {
  const bench = await openBench();
  return { bench, strip: await showSolved(ProbeStrip) };
};

it('shows every channel and everything that acts, with their present values', async () => {
  const { bench } = await setUp();
  const probes = bench.probes.all();
  expect(probes.map((p) => p.key)).toEqual(
    ['channel:beam', 'part:H1', 'part:P1'].filter((k) => probes.some((p) => p.key === k)),
  );
  expect(probes[0]).toMatchObject({ name: 'A0 · Beam', value: '822 counts', fires: false });
  expect(probes.find((p) => p.key === 'part:P1')).toMatchObject({ fires: true });
  expect(probes[0].trace?.values.length).toBeGreaterThan(1000);
});

it('follows the time cursor, and tells rest from a moment', async () => {
  const { bench, strip } = await setUp();
  const sounder = () => bench.probes.all().find((p) => p.key === 'part:P1')?.value;
  const quiet = sounder();
  const fired = bench.view.rehearsal()?.acting.find((a) => a.part === 'P1' && a.active);
  bench.view.moveTo((fired?.t ?? 0) + 0.05);
  await strip.until(() => sounder() !== quiet);
  expect(quiet).toBe(`not ${sounder()}`);
  await strip.type('Time in the scene', '3 s');
  expect(bench.view.time()).toBe(3);
  await strip.key(strip.find('[role=slider]'), 'ArrowRight', { code: 'ArrowRight' });
  expect(bench.view.time()).toBeGreaterThan(3);
  await strip.type('Time in the scene', '1e9 s');
  expect(bench.view.time()).toBeLessThan(4);
  const field = strip.find('yu-clock-field input');
  expect(await strip.hintAt(field)).toMatch(/outside the possible 0.s … 30.s/);
  expect(field.getAttribute('aria-description')).toMatch(/outside the possible 0.s … 30.s/);
  await strip.press('At rest');
  expect(bench.view.time()).toBeUndefined();
});

it('shows each relay of a board for itself', async () => {
  const bench = await openBench(demo('regatta-figurehead'));
  await showSolved(ProbeStrip);
  const board = bench.session.design()?.parts.find((p) => kindOf(p).relays);
  const relays = bench.probes.all().filter((p) => p.key.startsWith(`part:${board?.id} `));
  expect(relays.map((p) => p.name)).toEqual([1, 2, 3, 4].map((n) => `${board?.name} · relay ${n}`));
  const pulled = relays.map((p) => p.trace?.values.filter((v) => v > 0).length ?? 0);
  expect(pulled.some((n) => n > 0)).toBe(true);
  expect(relays[0].trace).not.toEqual(relays[1].trace);
  expect(relays[0].value).toBe('not pulled in');
});

it('shows a pinned net by its volts, once for all its terminals', async () => {
  const { bench } = await setUp();
  const nets = () => bench.probes.all().filter((p) => p.key.startsWith('net:'));
  bench.probes.toggle('B1.e');
  expect(nets()).toHaveLength(1);
  expect(nets()[0].value).toMatch(/^4\.01.V$/);
  expect(nets()[0].trace?.times.length).toBeGreaterThan(1);
  bench.probes.toggle('U1.A0');
  expect(nets()).toHaveLength(0);
});

it('says "floating" of what hangs in the air and "no reading" of a pin without volts', async () => {
  const { bench, strip } = await setUp();
  for (const id of ['w3', 'w5', 'w7']) bench.session.edit({ type: 'remove-wire', id });
  bench.probes.toggle('R3.b');
  await strip.until(() => bench.probes.all().some((p) => p.value === 'floating'));
  expect(bench.probes.all()[0].value).toBe('no reading');
});
