/** How much of something a test does: little in `npm test`, much in `npm run soak`. */
export const scale = (inTest: number, inSoak: number): number =>
  process.env['YUREI_SOAK'] ? inSoak : inTest;
