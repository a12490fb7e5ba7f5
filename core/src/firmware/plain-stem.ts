/** Plain letters, digits and dashes, beginning with a letter: some tools for boards take no others. */
export function plainStem(stem: string): string {
  const plain = stem
    .normalize('NFKD')
    .replace(/[^A-Za-z0-9]+/g, '-')
    .replace(/^[^A-Za-z]+|-+$/g, '')
    .slice(0, 40);
  return plain || 'program';
}
