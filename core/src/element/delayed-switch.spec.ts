import { DelayedSwitch } from './delayed-switch.js';

const make = (delay: number) => {
  const x = new Float64Array([0]);
  const device = new DelayedSwitch(
    0,
    {
      event: (mode, v) => (mode === 0 ? v[0] - 1 : 0.5 - v[0]),
      next: (mode) => 1 - mode,
      delay: () => delay,
    },
    () => x,
  );
  return { x, device };
};

it('changes at once without a delay', () => {
  const { x, device } = make(0);
  expect(device.event(x)).toBeLessThan(0);
  x[0] = 2;
  expect(device.event(x)).toBeGreaterThan(0);
  device.transition(3);
  expect([device.mode, device.due]).toEqual([1, Infinity]);
});

it('waits out its delay, then changes', () => {
  const { x, device } = make(0.5);
  x[0] = 2;
  device.transition(3);
  expect([device.mode, device.due]).toEqual([0, 3.5]);
  expect(device.event(x)).toBeLessThan(0);
  device.transition(3.5);
  expect([device.mode, device.due]).toEqual([1, Infinity]);
});

it('gives up when what urged it ceases before', () => {
  const { x, device } = make(0.5);
  x[0] = 2;
  device.transition(3);
  x[0] = 0;
  expect(device.event(x)).toBeGreaterThan(0);
  device.transition(3.2);
  expect([device.mode, device.due]).toEqual([0, Infinity]);
});

it('goes where it was going when told to settle, and back to any mode', () => {
  const { x, device } = make(9);
  x[0] = 2;
  device.transition(0);
  device.settle();
  expect(device.mode).toBe(1);
  device.restore(0);
  expect([device.mode, device.due]).toEqual([0, Infinity]);
});
