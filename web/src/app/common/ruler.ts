/** The step of a ruler over a length: about five of them, each 1, 2 or 5 times a power of ten. */
export function rulerStep(length: number): number {
  const rough = length / 5;
  const power = 10 ** Math.floor(Math.log10(rough));
  return [1, 2, 5, 10].map((n) => n * power).find((s) => s >= rough) ?? power;
}

/** Where the marks of a ruler stand. */
export function rulerMarks(length: number): number[] {
  const step = rulerStep(length);
  return Array.from({ length: Math.floor(length / step + 1e-9) + 1 }, (_, i) =>
    Number((i * step).toPrecision(6)),
  );
}

/** Steps of a ruler of time beyond a second: parts of a minute, an hour, a day. */
const timeSteps = [1, 2, 5, 10, 20, 30]
  .concat([1, 2, 5, 10, 15, 30].map((n) => 60 * n))
  .concat([1, 2, 3, 6, 12].map((n) => 3600 * n));
const day = 86_400;

/** The step of a ruler over a length of time: about five of them, each a part of a minute, an hour or a day, s. */
export function timeStep(length: number): number {
  const rough = length / 5;
  if (rough <= 1) return rulerStep(length);
  return timeSteps.find((step) => step >= rough) ?? day * rulerStep(length / day);
}
