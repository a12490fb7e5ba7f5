import { commented, quoted, snake, type Section } from '../../code/index.js';
import type { TalkParts } from '../board.js';

/** What MicroPython and Python 3 do each in its own way. */
interface Dialect {
  /** Half a second, and a hundredth of one. */
  half: string;
  hundredth: string;
  /** Ends what is printed, so that it is seen at once. */
  atOnce: string;
  /** What is listened to, and how what came is taken. */
  listens: string;
  hears: readonly string[];
}

/** Answers the lines of docs/bench-protocol.md, and tries every output and channel on request. */
const talkIn =
  (d: Dialect) =>
  ({ title, watched, channels, outputs }: TalkParts): Section => {
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
      `line_in.register(${d.listens}, select.POLLIN)`,
      '',
      '',
      'def say(line):',
      `    print(line${d.atOnce})`,
      '',
      '',
      'def readings():',
      `    return (${values.map((v) => `${v},`).join(' ')})`,
      '',
      '',
      '# Each output for half a second, then each channel: nothing else is done meanwhile.',
      'def test_all():',
      ...outputs.flatMap(({ name, pin, dimmed, high }) => [
        `    say(${quoted(`# test ${commented(name)}`)})`,
        `    ${put(constant(pin), dimmed, high)}`,
        ...(watched
          ? ['    for _ in range(50):', `        ${d.hundredth}`, '        dog.feed()']
          : [`    ${d.half}`]),
        `    ${put(constant(pin), dimmed, !high)}`,
      ]),
      `    for name, value in zip((${channels.map((c) => `${quoted(commented(c.name))},`).join(' ')}), readings()):`,
      '        say("# test " + name + " " + str(value))',
      '',
      '',
      'def answer(line):',
      '    global say_every, say_at',
      '    if line == "hello":',
      `        say(${quoted(`# yurei bench 1, ${commented(title)}`)})`,
      '    elif line == "pins":',
      `        say(${quoted(`# pins ${labels.join(' ')}`)})`,
      '    elif line.startswith("rate ") and line[5:].isdigit() and int(line[5:]) <= 1000:',
      '        say("# ok " + line)',
      `        say(${quoted(['time', ...labels].join(','))})`,
      '        say_every = 1000 // int(line[5:]) if int(line[5:]) > 0 else 0',
      '        say_at = now',
      '    elif line == "test":',
      '        test_all()',
      '        say("# ok test")',
      '    else:',
      '        say("# no: it knows hello, pins, rate 0 to 1000 and test")',
      '',
      '',
      '# What comes over the line, letter by letter.',
      'def hear():',
      '    global heard, say_at',
      ...d.hears,
      '    if say_every > 0 and now >= say_at:',
      '        say_at = now + say_every',
      '        told = [str(value) if value >= 0 else "" for value in readings()]',
      '        say(",".join(["%.3f" % (now / 1000)] + told))',
    ];
    return {
      title: 'The serial line',
      says: ['Hears hello, pins, rate and test; tells readings so that Set can take them.'],
      holds: [{ declares: 'lines', lines }],
    };
  };

/** On a board, where the serial line is what MicroPython reads. */
export const talkInMicroPython = talkIn({
  ...{ half: 'time.sleep_ms(500)', hundredth: 'time.sleep_ms(10)', atOnce: '' },
  listens: 'sys.stdin',
  hears: [
    '    while line_in.poll(0):',
    '        letter = sys.stdin.read(1)',
    '        if letter == "\\n":',
    '            line, heard = heard.strip(), ""',
    '            answer(line)',
    '        elif len(heard) < 40:',
    '            heard += letter',
  ],
});

/** On a computer, where it is what is typed or piped; as a service nobody types. */
export const talkInPython = talkIn({
  ...{ half: 'time.sleep(0.5)', hundredth: 'time.sleep(0.01)', atOnce: ', flush=True' },
  listens: '0',
  hears: [
    '    while line_in.poll(0):',
    '        came = os.read(0, 200)',
    '        if not came:',
    '            line_in.unregister(0)',
    '            break',
    '        *lines_heard, heard = (heard + came.decode("ascii", "replace")).split("\\n")',
    '        heard = heard[-40:]',
    '        for line in lines_heard:',
    '            answer(line.strip())',
  ],
});
