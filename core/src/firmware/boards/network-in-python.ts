import { brought, quoted } from '../../code/index.js';
import type { Design } from '../../design/index.js';
import type { Board } from '../board.js';
import { rests, topicOf, topicsOf } from '../network.js';

/** A file that a maker fills in; none of it is ever in a design. */
export const passwordsInPython = {
  path: 'passwords_example.py',
  text: `# Copy this file to passwords.py and fill it in. It stays with you: no design and no download has it.
NETWORK_NAME = ""
NETWORK_PASSWORD = ""
BROKER = ""  # where messages go, by MQTT
BROKER_USER = ""
BROKER_PASSWORD = ""
HOURS_FROM_UTC = 0
`,
};

/** Sends what a notice tells. */
export const sendInPython: Board['sends'] = (of, told) => {
  const value = 'text' in told ? told.text : 'count' in told ? told.count : told.reading;
  return { do: 'call', call: brought('publish', { is: 'text', value: topicOf(of) }, value) };
};

/**
 * Joins the network, and sends messages to a broker by MQTT, version 3.1.1, at most once each; asks for the time.
 *
 * Source: OASIS, MQTT Version 3.1.1 (2014), 3.1 and 3.3.
 */
export const networkInPython: NonNullable<Board['network']> = (design, clock) => {
  const sends = design.notices.length > 0;
  return {
    title: 'The network',
    says: [
      'Joins by itself, again and again; without passwords.py it sends nothing. Greeting the broker may take up to half a second.',
    ],
    holds: [
      {
        declares: 'lines',
        lines: [
          'try:',
          '    import passwords',
          'except ImportError:',
          '    passwords = None',
          `TOPIC = ${quoted(topicsOf(design))}`,
          'station = None',
          'join_at = 0',
          ...(sends ? mqttLines(rests(design)) : []),
          ...(clock ? timeLines(rests(design)) : []),
          '',
          '',
          '# Looks after all of it, a step each pass.',
          'def keep_joined():',
          '    global station, join_at',
          `    if passwords is None${idle(design, clock)}:`,
          '        return',
          '    if station is None:',
          '        station = network.WLAN(network.STA_IF)',
          '        station.active(True)',
          '    if not station.isconnected():',
          '        if now >= join_at:',
          '            join_at = now + 20000',
          '            station.connect(passwords.NETWORK_NAME, passwords.NETWORK_PASSWORD)',
          '        return',
          ...(clock ? ['    ask_time()'] : []),
          ...(sends ? ['    send_all()'] : []),
        ],
      },
    ],
  };
};

/** A board that sleeps joins only where something is to be sent or asked. */
const idle = (design: Design, clock: boolean): string => {
  const wants = [
    ...(design.notices.length > 0 ? ['waiting'] : []),
    ...(clock ? ['is_asking()'] : []),
  ];
  return design.controller.sleep ? ` or not (${wants.join(' or ')})` : '';
};

const mqttLines = (sleeps: boolean): string[] => [
  'broker = None',
  'greet_at = 0',
  ...(sleeps ? ['send_until = 0'] : []),
  'waiting = []',
  '',
  '',
  '# The oldest makes room where too many wait.',
  'def publish(of, what):',
  ...(sleeps ? ['    global send_until'] : []),
  '    if passwords is not None:',
  '        waiting.append((TOPIC + "/" + of, str(what)))',
  '        del waiting[:-20]',
  ...(sleeps
    ? [
        '        send_until = now + 30000',
        '',
        '',
        'def is_sending():',
        '    return len(waiting) > 0 and now < send_until',
      ]
    : []),
  '',
  '',
  'def text_of(text):',
  '    data = text.encode()',
  '    return bytes((len(data) >> 8, len(data) & 255)) + data',
  '',
  '',
  'def packet_of(kind, data):',
  '    length, head = len(data), bytes((kind,))',
  '    while length > 127:',
  '        head += bytes((length % 128 + 128,))',
  '        length //= 128',
  '    return head + bytes((length,)) + data',
  '',
  '',
  'def greet():',
  '    made = socket.socket()',
  '    try:',
  '        made.settimeout(0.5)',
  '        made.connect(socket.getaddrinfo(passwords.BROKER, 1883)[0][-1])',
  '        named = passwords.BROKER_USER != ""',
  '        data = text_of("MQTT") + bytes((4, 0xC2 if named else 2, 0, 0)) + text_of(TOPIC)',
  '        if named:',
  '            data += text_of(passwords.BROKER_USER) + text_of(passwords.BROKER_PASSWORD)',
  '        made.sendall(packet_of(0x10, data))',
  '        if made.recv(4)[:1] == b"\\x20":',
  '            return made',
  '    except OSError:',
  '        pass',
  '    made.close()',
  '    return None',
  '',
  '',
  'def send_all():',
  '    global broker, greet_at',
  '    if not waiting:',
  '        return',
  '    if broker is None and now >= greet_at:',
  '        greet_at = now + 20000',
  '        broker = greet()',
  '    try:',
  '        while broker is not None and waiting:',
  '            topic, what = waiting[0]',
  '            broker.sendall(packet_of(0x30, text_of(topic) + what.encode()))',
  '            waiting.pop(0)',
  '    except OSError:',
  '        broker.close()',
  '        broker = None',
];

/** The time is asked for at first, and a day after the last answer. */
const timeLines = (sleeps: boolean): string[] => [
  'time_due = 0',
  'ask_at = 0',
  ...(sleeps ? ['ask_until = 0'] : []),
  '',
  '',
  ...(sleeps
    ? [
        '# It stays awake for the time half a minute; without an answer it tries again in an hour.',
        'def is_asking():',
        '    global time_due, ask_until',
        '    if passwords is None or now < time_due:',
        '        return False',
        '    if ask_until == 0:',
        '        ask_until = now + 30000',
        '    if now < ask_until:',
        '        return True',
        '    ask_until = 0',
        '    time_due = now + 3600000',
        '    return False',
      ]
    : ['def is_asking():', '    return now >= time_due']),
  '',
  '',
  '# Asks for the time until it is told, each time waiting up to a second.',
  'def ask_time():',
  `    global time_due, ask_at${sleeps ? ', ask_until' : ''}, clock_start`,
  '    if not is_asking() or now < ask_at:',
  '        return',
  '    ask_at = now + 10000',
  '    try:',
  '        clock = (ntptime.time() + 3600 * passwords.HOURS_FROM_UTC) % 86400',
  '    except OSError:',
  '        return',
  '    time_due = now + 86400000',
  ...(sleeps ? ['    ask_until = 0'] : []),
  '    clock_start = (clock * 1000 - now) % 86400000',
];
