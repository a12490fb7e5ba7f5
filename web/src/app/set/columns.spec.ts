import { thin } from './columns';

it('thins a list but keeps its ends', () => {
  const list = Array.from({ length: 1000 }, (_, i) => i);
  expect(thin(list, 10)).toHaveLength(10);
  expect([thin(list, 10)[0], thin(list, 10)[9]]).toEqual([0, 999]);
  expect(thin([1, 2], 10)).toEqual([1, 2]);
});
