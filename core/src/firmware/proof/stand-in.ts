/**
 * The functions of boards as Python programs find them, on a computer: a clock that is set, pins that are told. It runs a program as it
 * is, and ends it by an exception when its course is over. Python 3 and MicroPython both run it.
 *
 * `play(text)` takes a `StandInJob` as JSON, and gives a line for each change of how everything stands. A module `progress` may
 * bring a function `passed`, which is told the number of passes now and then.
 */
export const standIn = String.raw`
import json
import sys


try:
    from progress import passed
except ImportError:
    passed = None


class Over(Exception):
    pass


class World:
    pass


w = World()


class Pin:
    IN = 0
    OUT = 1
    PULL_UP = 2
    IRQ_RISING = 1
    IRQ_FALLING = 2

    def __init__(self, number, mode=-1, pull=-1, value=None):
        self.number = number
        if value is not None:
            w.driven[number] = 255 * value

    def value(self, high=None):
        if high is None:
            return 1 if w.reads.get(self.number, 0) >= 50 else 0
        w.driven[self.number] = 255 * high

    def irq(self, handler, trigger):
        w.notes[self.number] = (lambda: handler(self), trigger)


class ADC:
    ATTN_0DB = 0
    ATTN_11DB = 3

    def __init__(self, pin, atten):
        self.number = pin.number

    def read_u16(self):
        return w.reads.get(self.number, 0) << 4


class PWM:
    def __init__(self, pin, freq, duty_u16):
        self.number = pin.number
        self.duty_u16(duty_u16)

    def duty_u16(self, duty):
        w.driven[self.number] = duty * 255 / 65535


class I2C:
    def __init__(self, number, sda, scl):
        pass

    def readfrom_mem(self, address, place, count):
        return bus_bytes(address, place, count)


class TouchPad:
    def __init__(self, pin):
        self.number = pin.number

    def read(self):
        return w.reads.get(42000 + self.number, 0) / 1000


class Poll:
    def register(self, stream, flag):
        pass

    def poll(self, timeout):
        return []


class WDT:
    def __init__(self, timeout):
        pass

    def feed(self):
        pass


class Bias:
    PULL_UP = 1


class Direction:
    INPUT = 0
    OUTPUT = 1


class Edge:
    RISING = 1
    FALLING = 2
    BOTH = 3


class Value:
    INACTIVE = 0
    ACTIVE = 1


class LineSettings:
    def __init__(self, direction, bias=0, edge_detection=0, output_value=None):
        self.edge = edge_detection
        self.output = output_value


class Event:
    def __init__(self, number):
        self.line_offset = number


class Lines:
    def __init__(self, config):
        self.queue = []
        for number, asked in config.items():
            if asked.output is not None:
                w.driven[number] = 255 * asked.output
            elif asked.edge:
                w.notes[number] = (self.queues(number), asked.edge)

    def queues(self, number):
        return lambda: self.queue.append(Event(number))

    def get_value(self, number):
        return 1 if w.reads.get(number, 0) >= 50 else 0

    def set_value(self, number, value):
        w.driven[number] = 255 * value

    def wait_edge_events(self, timeout):
        advance()
        return len(self.queue) > 0

    def read_edge_events(self):
        found, self.queue = self.queue, []
        return found


class File:
    def __init__(self, name):
        self.name = name

    def __enter__(self):
        return self

    def __exit__(self, *_):
        pass

    def read(self):
        return w.files[self.name]

    def write(self, text):
        w.files[self.name] = text

    def flush(self):
        pass

    def fileno(self):
        return 0


def bus_bytes(address, place, count):
    return bytes(w.reads.get(1000 + 256 * address + place + i, 0) for i in range(count))


# A pulse of a part, or how long a pin takes to charge, by a clock of whole microseconds that runs on.
def time_pulse_us(pin, level, most):
    if level == 1:
        found = w.reads.get(40000 + pin.number, 0)
        return found if found < most else -1
    began = w.charged
    w.charged += w.reads.get(41000 + pin.number, 0) / 1000
    return int(w.charged) - int(began)


def bus_for(bus, what, address):
    w.bus = address


def bus_write(bus, sent):
    w.place = sent[0]


def open_file(name, mode="r"):
    if mode == "r" and name not in w.files:
        raise OSError(2)
    return File(name)


def replace_file(name, other):
    w.files[other] = w.files.pop(name)


def says(text, **_):
    told = text.split(" ", 3)[3:]
    for notice in w.told:
        if told and told[0].startswith("notice " + notice + ": "):
            w.told[notice] += 1
            return


def begin():
    if "clock_start" in w.space:
        w.space["clock_start"] = w.job["clock"] + w.begins
    w.begun = True


def advance():
    if w.at is not None:
        record()
    while w.next < len(w.moments) and w.moments[w.next] < w.asleep:
        w.next += 1
    if w.next >= len(w.moments):
        raise Over()
    w.at = w.moments[w.next]
    w.next += 1
    turn(True)


def turn(noted):
    changes = w.job["changes"]
    while w.change < len(changes) and (
        changes[w.change][0] <= w.at if noted else changes[w.change][0] < w.begins
    ):
        _, pin, counts = changes[w.change]
        w.change += 1
        before = w.reads.get(pin, 0)
        w.reads[pin] = counts
        if noted and pin in w.notes and counts != before:
            note, edges = w.notes[pin]
            if edges & (1 if counts > before else 2):
                note()


def record():
    space, names = w.space, w.job["names"]
    flags = lambda of: "".join("1" if space[n] else "0" for n in of)
    numbers = lambda of: ",".join(str(int(n)) for n in of)
    said = "|".join(
        (
            flags(names["channels"]),
            numbers(space[n] for n in names["modes"]),
            numbers(space[n] for n in names["counters"]),
            flags(names["rules"]),
            numbers(w.told[n] for n in names["notices"]),
            ",".join("%.3f" % w.driven[n] for n in names["pins"]),
        )
    )
    if said != w.before:
        w.out.append("%d %s" % (w.at, said))
        w.before = said
    w.passes += 1
    if passed and w.passes % 1000 == 0:
        passed(w.passes)


def ticks_ms():
    if not w.begun:
        begin()
        return 0
    advance()
    return w.at - w.begins


def monotonic_ns():
    if not w.begun:
        begin()
        return 0
    return (w.at - w.begins) * 1000000


def lightsleep(ms):
    w.asleep = w.at + ms


def module(**holds):
    made = World()
    for name, value in holds.items():
        setattr(made, name, value)
    return made


def play(text):
    job = w.job = json.loads(text)
    line = module(Bias=Bias, Direction=Direction, Edge=Edge, Value=Value)
    brought = {
        "machine": module(
            ADC=ADC, I2C=I2C, PWM=PWM, Pin=Pin, TouchPad=TouchPad, WDT=WDT,
            lightsleep=lightsleep, time_pulse_us=time_pulse_us,
        ),
        "fcntl": module(ioctl=bus_for),
        "time": module(sleep_us=lambda us: None, ticks_ms=ticks_ms, ticks_diff=lambda a, b: a - b, monotonic_ns=monotonic_ns, localtime=lambda: (0,) * 9),
        "select": module(POLLIN=1, poll=Poll),
        "network": module(),
        "ntptime": module(),
        "socket": module(),
        "sys": module(stdin=None),
        "os": module(
            rename=replace_file, replace=replace_file, fsync=lambda _: None, O_RDWR=2,
            open=lambda name, mode: 0, write=bus_write, read=lambda bus, count: bus_bytes(w.bus, w.place, count),
        ),
        "gpiod": module(
            LineSettings=LineSettings,
            line=line,
            request_lines=lambda chip, consumer, config: Lines(config),
        ),
        "gpiod.line": line,
    }
    real = {name: sys.modules.get(name) for name in brought}
    sys.modules.update(brought)
    w.files, w.out, w.passes = {}, [], 0
    try:
        code = compile(job["source"], "program", "exec")
        for begins, until in job["runs"]:
            w.begins, w.at, w.asleep, w.before, w.begun = begins, None, 0, "", False
            w.moments = [m for m in job["moments"] if begins <= m < until]
            w.next = w.change = 0
            w.reads, w.driven, w.notes, w.charged = {}, {}, {}, 0.5
            w.told = {notice: 0 for notice in job["names"]["notices"]}
            turn(False)
            w.space = {"__name__": "__main__", "open": open_file, "print": says}
            try:
                exec(code, w.space)
            except Over:
                pass
    finally:
        for name, known in real.items():
            if known is None:
                sys.modules.pop(name, None)
            else:
                sys.modules[name] = known
    return json.dumps({"passes": w.passes, "lines": w.out})
`;

/** What the stand-in plays. */
export interface StandInJob {
  source: string;
  /** Time of day at the beginning, ms after midnight. */
  clock: number;
  /** From one power cut to the next, ms. */
  runs: readonly (readonly [from: number, until: number])[];
  /** When it makes a pass, ms. */
  moments: readonly number[];
  /** When which pin turns to what, in order. */
  changes: readonly (readonly [at: number, pin: number, counts: number])[];
  names: {
    channels: readonly string[];
    modes: readonly string[];
    counters: readonly string[];
    rules: readonly string[];
    notices: readonly string[];
    pins: readonly number[];
  };
}
