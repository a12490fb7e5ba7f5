import { Patience } from './patience.js';

const pace = { steps: 100, within: 1 };

it('is over where so many steps take less than so long', () => {
  const patience = new Patience(pace);
  expect(patience.isOver(0.2, 99)).toBe(false);
  expect(patience.isOver(0.99, 100)).toBe(true);
});

it('lasts while they take at least so long, each time counted from the last', () => {
  const patience = new Patience(pace);
  expect([1, 2, 3].map((k) => patience.isOver(k, 100 * k))).toEqual([false, false, false]);
  expect(patience.isOver(3.99, 400)).toBe(true);
});

it('lets time pass in which no step is taken', () => {
  const patience = new Patience(pace);
  patience.isOver(0.1, 50);
  expect(patience.isOver(60, 100)).toBe(false);
});

it('counts anew where what was slow is over', () => {
  const patience = new Patience(pace);
  patience.renew(0.1, 90);
  expect(patience.isOver(0.2, 100)).toBe(false);
  expect(patience.isOver(0.3, 190)).toBe(true);
});
