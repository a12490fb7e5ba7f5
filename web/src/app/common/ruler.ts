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
