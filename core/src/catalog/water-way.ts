/** Which way something moves water. */
export const waterWays = ['past the tank', 'out of the tank', 'into the tank'] as const;

/** What of it leaves the tank: all, nothing, or as much comes in. */
export const waterWay = (way: (typeof waterWays)[number]): number =>
  ({ 'past the tank': 0, 'out of the tank': 1, 'into the tank': -1 })[way];
