import { overlap, stretchBoxes, type Box, type Point } from './boxes.js';
import { labelBox, LabelPlaces } from './label-places.js';

/** A line to the right, up or down between two levels. */
const step = (from: number, to: number): Point[] => [
  { x: 0, y: from },
  { x: 12, y: from },
  { x: 12, y: to },
  { x: 62, y: to },
];
const board: Box = { x: 62, y: 0, width: 100, height: 200 };

it('labels of two lines to neighbouring pins stand clear of both, though each stretch is no longer than a label', () => {
  const lines = [step(40, 100), step(160, 119)];
  const labels = new LabelPlaces([board], lines);
  const boxes = lines.map((points) => {
    const { at } = labels.place(points, true);
    return labelBox(at as Point, true);
  });
  expect(overlap(boxes[0], boxes[1])).toBe(false);
  for (const box of boxes)
    for (const line of lines)
      expect(stretchBoxes(line, 0).filter((stretch) => overlap(stretch, box))).toEqual([]);
});

it('where no place is clear of lines a label stands on one, and never on a card', () => {
  const line = step(40, 100);
  const others = [70, 80, 90, 110, 120, 130].map((y) => [
    { x: -200, y },
    { x: 62, y },
  ]);
  const { at } = new LabelPlaces([board], [line, ...others]).place(line, true);
  expect(at).toBeDefined();
  expect(overlap(labelBox(at as Point, true), board)).toBe(false);
});
