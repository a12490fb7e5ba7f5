/** Steps of loading that are the same for several boards. */
export const outputsOff =
  'Firmware first: unplug what the board drives (relays, valves, sounders, lights) and every supply but the computer’s.';

export const linesSeen = (speed: string): string =>
  `Open the serial line at ${speed}. Where the design has notices, each is seen as a line when it first tells, as “Name: value”; a program without notices says nothing.`;

export const outputsOn =
  'Try each sensor by hand and look that its output’s pin answers as rehearsed. Only then plug in what it drives, one after the other. Mains, gas and fire work stays with licensed people.';
