export const percent = (share: number): string => `${(100 * share).toFixed(1)} %`;
