/** Steps of loading that are the same for several boards. */
export const outputsOff =
  'Firmware first: unplug what the board drives (relays, valves, sounders, lights) and every supply but the computer’s.';

export const linesSeen = (speed: string): string =>
  `Open the serial line at ${speed} and send “hello”: the board answers with what it is. “rate 5” sends readings five times a second, “test” tries each output for half a second and reads each channel; every rule that begins is a line “# event …”. With the line closed again, Set takes the same readings by “Connect a board…”. If nothing answers: the speed, the port, another program that holds it.`;

export const outputsOn =
  'Try each sensor by hand and look that its output’s pin answers as rehearsed. Only then plug in what it drives, one after the other. Mains, gas and fire work stays with licensed people.';
