/** Has this browser remember a setting; without room it is as usual next time: work not saved needs the room more. */
export function remember(name: string, text: string): void {
  try {
    localStorage.setItem(name, text);
  } catch {
    // Nothing else depends on it.
  }
}
