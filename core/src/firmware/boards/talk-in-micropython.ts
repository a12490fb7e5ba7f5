import { commented, quoted, snake, type Section } from '../../code/index.js';
import type { TalkParts } from '../board.js';

/** Answers the lines of docs/bench-protocol.md, and tries every output and channel on request. */
export function talkInMicroPython({ title, watched, channels, outputs }: TalkParts): Section {
  const constant = (pin: string): string => snake(pin).toUpperCase();
  const reading = ({ pin, digital, reads }: TalkParts['channels'][number]): string =>
    reads
      ? `${snake(reads)}()`
      : digital
        ? `100 * is_high(${constant(pin)})`
        : `counts_at(${constant(pin)})`;
  const labels = channels.map((c) => c.label);
  const values = channels.map(reading);
  const put = (called: string, dimmed: boolean, on: boolean): string =>
    dimmed ? `dim(${called}, ${on ? 1 : 0})` : `switch(${called}, ${on ? 'True' : 'False'})`;
  const lines = [
    'heard = ""',
    'say_every = 0  # ms from one line of readings to the next; 0: none',
    'say_at = 0',
    'line_in = select.poll()',
    'line_in.register(sys.stdin, select.POLLIN)',
    '',
    '',
    'def readings():',
    `    return (${values.map((v) => `${v},`).join(' ')})`,
    '',
    '',
    '# Each output for half a second, then each channel: nothing else is done meanwhile.',
    'def test_all():',
    ...outputs.flatMap(({ name, pin, dimmed, high }) => [
      `    print(${quoted(`# test ${commented(name)}`)})`,
      `    ${put(constant(pin), dimmed, high)}`,
      ...(watched
        ? ['    for _ in range(50):', '        time.sleep_ms(10)', '        dog.feed()']
        : ['    time.sleep_ms(500)']),
      `    ${put(constant(pin), dimmed, !high)}`,
    ]),
    `    for name, value in zip((${channels.map((c) => `${quoted(commented(c.name))},`).join(' ')}), readings()):`,
    '        print("# test " + name + " " + str(value))',
    '',
    '',
    'def answer(line):',
    '    global say_every, say_at',
    '    if line == "hello":',
    `        print(${quoted(`# yurei bench 1, ${commented(title)}`)})`,
    '    elif line == "pins":',
    `        print(${quoted(`# pins ${labels.join(' ')}`)})`,
    '    elif line.startswith("rate ") and line[5:].isdigit() and int(line[5:]) <= 1000:',
    '        print("# ok " + line)',
    `        print(${quoted(['time', ...labels].join(','))})`,
    '        say_every = 1000 // int(line[5:]) if int(line[5:]) > 0 else 0',
    '        say_at = now',
    '    elif line == "test":',
    '        test_all()',
    '        print("# ok test")',
    '    else:',
    '        print("# no: it knows hello, pins, rate 0 to 1000 and test")',
    '',
    '',
    '# What comes over the line, letter by letter.',
    'def hear():',
    '    global heard, say_at',
    '    while line_in.poll(0):',
    '        letter = sys.stdin.read(1)',
    '        if letter == "\\n":',
    '            line, heard = heard.strip(), ""',
    '            answer(line)',
    '        elif len(heard) < 40:',
    '            heard += letter',
    '    if say_every > 0 and now >= say_at:',
    '        say_at = now + say_every',
    '        print(",".join(["%.3f" % (now / 1000)] + [str(value) for value in readings()]))',
  ];
  return {
    title: 'The serial line',
    says: ['Hears hello, pins, rate and test; tells readings so that Set can take them.'],
    holds: [{ declares: 'lines', lines }],
  };
}
