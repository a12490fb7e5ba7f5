import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { quoted } from '../../code/index.js';
import type { Design } from '../../design/index.js';
import { eightBitBoard, writeFirmware, type Board } from '../index.js';
import type { Course, Stand } from '../proof/course.js';
import { standOf } from '../proof/difference.js';
import { turnsOf } from '../proof/stand-in-inputs.js';

/** Functions of a board as the programs find them, on a computer: a clock that is set, pins that are told. */
export const shim = `
#include <stdint.h>
#include <math.h>
#include <stdio.h>
#include <string.h>
#include <stdlib.h>
#include <stddef.h>
#include <unistd.h>
#include <sys/mman.h>
#include <sys/time.h>
#include <sys/wait.h>
#include <array>
#include <string>
#include <vector>
enum { LOW, HIGH };
enum { INPUT, OUTPUT, INPUT_PULLUP };
enum { CHANGE = 2, FALLING, RISING };
enum { A0 = 14, A1, A2, A3, A4, A5 };
static uint32_t clockMs;
[[maybe_unused]] static uint64_t unasked;
static int pins[64], driven[64], modes[64];
static void (*notes[64])();
/** What outlasts deep sleep. */
#define RTC_DATA_ATTR __attribute__((section("rtc")))
/** How often each notice was told. */
struct Told {
  int many, counts[32];
  char names[32][512];
  int &operator[](const std::string &name) {
    int i = 0;
    while (i < many && name.substr(0, 511) != names[i]) i++;
    if (i == many) strncpy(names[many++], name.c_str(), 511);
    return counts[i];
  }
};
RTC_DATA_ATTR Told told = {1, {0}, {""}};
uint32_t millis() { return clockMs; }
#define gettimeofday(time, zone) ((time)->tv_sec = clockMs / 1000, (time)->tv_usec = clockMs % 1000 * 1000)
int analogRead(int pin) { return pins[pin]; }
int digitalRead(int pin);
void digitalWrite(int pin, int level) { driven[pin] = level == HIGH ? 255 : 0; }
void analogWrite(int pin, int duty) { driven[pin] = duty; }
enum { DEFAULT = 1, INTERNAL = 3 };
void pinMode(int pin, int mode);
void analogReference(int) {}
int digitalPinToInterrupt(int pin) { return pin; }
void attachInterrupt(int pin, void (*note)(), int mode) { notes[pin] = note; modes[pin] = mode; }
static std::string line, said, incoming;
static std::vector<std::string> lines;
static bool keepsLines = false;
static void put(const char *text) { said += text; }
static void put(long number) { said += std::to_string(number); }
#define F(text) (text)
struct SerialLine {
  void begin(long) {}
  void flush() {}
  int available() { return incoming.size(); }
  int read() {
    const int letter = incoming[0];
    incoming.erase(0, 1);
    return letter;
  }
  void print(const char *text) { line += text; }
  void print(char letter) { line += letter; }
  template <class T> void print(T number) { line += std::to_string(number); }
  template <class T> void println(T what) {
    print(what);
    const size_t at = line.find(" notice "), end = line.find(": ");
    if (line.rfind("# event ", 0) == 0 && at != std::string::npos && end != std::string::npos) told[line.substr(at + 8, end - at - 8)] += 1;
    println();
  }
  void println() {
    if (keepsLines) lines.push_back(line);
    line.clear();
  }
};
SerialLine Serial;
/** Bytes of chips on the bus, and pulses and charges by pins. */
static uint8_t bytes[128 * 256];
static bool charges[64];
static double pulses[64], chargeTimes[64], clockUs = 0.5, chargedFrom;
void delayMicroseconds(int us) { clockUs += us; }
uint32_t micros() { return clockUs; }
uint32_t pulseIn(int pin, int, uint32_t most) { return pulses[pin] < most ? pulses[pin] : 0; }
void pinMode(int pin, int mode) {
  if (charges[pin] && mode == INPUT_PULLUP) chargedFrom = clockUs;
}
/** A pin that charges is looked at until it has. */
int digitalRead(int pin) {
  if (charges[pin]) clockUs = chargedFrom + chargeTimes[pin];
  return charges[pin] || pins[pin] >= 50 ? HIGH : LOW;
}
struct TwoWire {
  int address, place;
  void begin() {}
  void beginTransmission(int to) { address = to; }
  void write(int to) { place = to; }
  bool silent = false;
  int endTransmission(bool) { return silent ? 2 : 0; }
  int requestFrom(uint8_t, uint8_t many) { return many; }
  int read() { return bytes[256 * address + place++]; }
};
TwoWire Wire;
void delay(int ms) { clockMs += ms; }
enum { WDTO_15MS, WDTO_500MS = 5, WDTO_2S = 7 };
void wdt_enable(int) {}
void wdt_reset() {}
void wdt_disable() {}
enum { SLEEP_MODE_PWR_DOWN, SLEEP_MODE_IDLE };
enum { WDCE = 4, WDE = 3, WDIE = 6, WDP3 = 5 };
[[maybe_unused]] static uint8_t WDTCSR, ADCSRA;
#define _BV(bit) (1 << (bit))
#define ISR(vector) void vector()
void set_sleep_mode(int) {}
void sleep_enable() {}
void sleep_disable() {}
void sleep_mode() {}
void noInterrupts() {}
void interrupts() {}
/** As long as it sleeps by its watchdog, the clock of the board stands still. */
[[maybe_unused]] static int stood, standing;
void sleep_cpu() { standing = 16 << ((WDTCSR & 7) | (WDTCSR & _BV(WDP3) ? 8 : 0)); }
struct Memory {
  uint8_t *memory;
  uint16_t length() { return 1024; }
  template <class T> void get(int place, T &of) { memcpy((void *)&of, memory + place, sizeof(T)); }
  void update(int place, uint8_t byte) { memory[place] = byte; }
};
Memory EEPROM;
bool eeprom_is_ready() { return true; }
/** What a radio board brings besides: it sleeps until a time, deeply by ending and beginning anew with what lies in a memory of its own. */
#define IRAM_ATTR
extern char __start_rtc, __stop_rtc;
enum { ADC_0db, ADC_11db };
void analogSetAttenuation(int) {}
static double touches[64];
double touchRead(int pin) { return touches[pin]; }
static uint64_t napUs;
static int naps;
void esp_sleep_enable_timer_wakeup(uint64_t us) { napUs = us; }
void esp_light_sleep_start() { naps = 1; }
void esp_deep_sleep_start() { naps = 2; }
struct Preferences {
  void begin(const char *) {}
  size_t getBytes(const char *, void *to, size_t size) { return EEPROM.memory[0] == 0xff ? 0 : (memcpy(to, EEPROM.memory + 1, size), size); }
  void putBytes(const char *, const void *from, size_t size) { EEPROM.memory[0] = 0; memcpy(EEPROM.memory + 1, from, size); }
};
enum { WL_CONNECTED = 3 };
struct Network {
  bool there = false;
  int status() { return there ? WL_CONNECTED : 0; }
  void begin(const char *, const char *) { there = true; }
};
Network WiFi;
static std::string sent;
struct WiFiClient {
  bool open = false;
  bool connected() { return open; }
  bool connect(const char *, int, int) { return open = true; }
  int available() { return 0; }
  int read() { return -1; }
  void write(uint8_t byte) { sent += char(byte); }
  void write(const uint8_t *data, size_t length) { sent.append((const char *)data, length); }
};
static uint32_t ntpSeconds;
static bool ntpSilent = false;
struct WiFiUDP {
  bool asked = false;
  bool begin(int) { return true; }
  void beginPacket(const char *, int) {}
  void write(const uint8_t *, size_t) { asked = true; }
  void endPacket() {}
  int parsePacket() { const bool is = asked && !ntpSilent; asked = false; return is ? 48 : 0; }
  void read(uint8_t *to, size_t) { for (int i = 0; i < 4; i++) to[40 + i] = ntpSeconds >> (24 - 8 * i); }
};
static void set(int pin, int counts);
/** As it was before anything was noted. */
static void put(int pin, int counts) {
  if (pin < 1000) pins[pin] = counts;
  else set(pin, counts);
}
static void set(int pin, int counts) {
  if (pin >= 42000) { touches[pin - 42000] = counts / 1000.0; return; }
  if (pin >= 41000) { charges[pin - 41000] = true; chargeTimes[pin - 41000] = counts / 1000.0; return; }
  if (pin >= 40000) { pulses[pin - 40000] = counts; return; }
  if (pin >= 1000) { bytes[pin - 1000] = counts; return; }
  const int before = pins[pin];
  pins[pin] = counts;
  if (!notes[pin] || before == counts) return;
  if (modes[pin] == CHANGE || (modes[pin] == RISING) == (counts > before)) notes[pin]();
}
`;

/** One program with the courses that it is to play. */
export interface Job {
  design: Design;
  courses: readonly Course[];
  /** What is typed over the serial line of a chip, a letter each ms from 50 ms on. */
  typed?: string;
}

/** Compiles a program in a folder, without a warning; gives its path. */
export function compileCpp(folder: string, text: string): string {
  const [source, made] = [join(folder, 'programs.cpp'), join(folder, 'programs')];
  writeFileSync(source, text);
  const options = ['-std=c++17', '-O0', '-Wall', '-Wextra', '-Werror', '-Wno-unused-function'];
  execFileSync('g++', [...options, '-o', made, source], { stdio: 'pipe' });
  return made;
}

/** How each program stands through each of its courses, as the compiled C++ does it. */
export const playOnHost = (jobs: readonly Job[], board = eightBitBoard): Stand[][][] =>
  stands(jobs, outputOf(jobs, board));

/** All that programs say over their serial lines, each in the first of its courses. */
export const tellOnHost = (jobs: readonly Job[], board = eightBitBoard): string[][] =>
  outputOf(
    jobs.map(({ design, courses }) => ({ design, courses: courses.slice(0, 1) })),
    board,
    'l 0 0 0\n',
  )
    .split(/^\.$/m)
    .map((course) => course.split('\n').filter((line) => line.startsWith('#')));

function outputOf(jobs: readonly Job[], board: Board, first = ''): string {
  const folder = mkdtempSync(join(tmpdir(), 'yurei-firmware-'));
  try {
    return execFileSync(compileCpp(folder, programs(jobs, board)), {
      input: first + jobs.map((job, i) => inputOf(job, i)).join(''),
      maxBuffer: 1 << 30,
      encoding: 'utf8',
    });
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

/** All programs in one, each in a namespace of its own. */
const programs = (jobs: readonly Job[], board: Board): string =>
  [shim, ...jobs.map(({ design }, i) => programOf(design, i, board)), mainOf(jobs.length)].join(
    '\n',
  );

function programOf(design: Design, i: number, board: Board): string {
  const { written, names } = writeFirmware(design, board);
  const text = written.text.replace(/^#include .*$/gm, '');
  const list = (of: readonly string[], between: string): string =>
    of
      .map((v, n) => `${n > 0 && between ? `put("${between}"); ` : ''}put((long)(${v}));`)
      .join(' ');
  const pins = design.outputs.map((o) => `driven[${pinNumber(o.pin)}]`);
  const told = design.notices.map((n) => `told[${quoted(n.name)}]`);
  const parts = [
    list([...names.channels.values()], ''),
    list(
      [...names.modes.values()].map((m) => m.variable),
      ',',
    ),
    list([...names.counters.values()], ','),
    list([...names.rules.values()], ''),
    list(told, ','),
    list(pins, ','),
  ];
  return `namespace p${i} {\n${text}\nvoid say() { ${parts.join(' put("|"); ')} }\nuint64_t *const dayStart = ${names.asksClock ? '&clockStart' : '&unasked'};\n}`;
}

const mainOf = (count: number): string => `
struct Program { void (*setup)(); void (*loop)(); void (*say)(); uint64_t *clock; };
static const Program programs[] = {
${Array.from({ length: count }, (_, i) => `{p${i}::setup, p${i}::loop, p${i}::say, p${i}::dayStart}`).join(',\n')}
};
static std::vector<std::array<int, 3>> changes;
static std::vector<int> cuts;
/** From one reset to the next: nothing is known any more but what pins read, and what is kept. */
static int play(const Program &program, int from, int until, long clock, int resumes) {
  if (!resumes) *program.clock = clock + from;
  const int first = resumes ? resumes : from;
  size_t next = 0;
  for (; next < changes.size() && changes[next][0] < first; next++) put(changes[next][1], changes[next][2]);
  clockMs = first - from;
  program.setup();
  std::string before;
  for (int at = first; at < until; at++) {
    clockMs = at - from - stood;
    for (; next < changes.size() && changes[next][0] <= at; next++) set(changes[next][1], changes[next][2]);
    program.loop();
    for (const auto &told : lines) printf("%s\\n", told.c_str());
    lines.clear();
    said.clear();
    program.say();
    if (said != before) printf("%d %s\\n", at, said.c_str());
    before = said;
    const int wakes = at + napUs / 1000;
    if (naps == 2) return wakes;
    stood += standing;
    at += standing > 0 ? standing - 1 : 0;
    standing = 0;
    // Nothing is done until it wakes.
    if (naps == 1) at = wakes - 1;
    naps = 0;
  }
  return 0;
}
int main() {
  int program = 0, a, b, c;
  const size_t rtcSize = &__stop_rtc - &__start_rtc;
  struct Slept { int resumes; char memory[1 << 20]; };
  Slept *slept = (Slept *)mmap(nullptr, sizeof(Slept), PROT_READ | PROT_WRITE, MAP_SHARED | MAP_ANONYMOUS, -1, 0);

  char what;
  EEPROM.memory = (uint8_t *)mmap(nullptr, 1024, PROT_READ | PROT_WRITE, MAP_SHARED | MAP_ANONYMOUS, -1, 0);
  while (scanf(" %c %d %d %d", &what, &a, &b, &c) == 4) {
    if (what == 'p') { program = a; changes.clear(); cuts.clear(); memset(EEPROM.memory, 0xff, 1024); }
    if (what == 's') changes.push_back({a, b, c});
    if (what == 'c') cuts.push_back(a);
    if (what == 'l') keepsLines = true;
    if (what != 'g') continue;
    cuts.push_back(a + 1);
    int from = 0;
    for (int until : cuts) {
      slept->resumes = 0;
      do {
        fflush(stdout);
        if (fork() == 0) {
          if (slept->resumes) memcpy(&__start_rtc, slept->memory, rtcSize);
          slept->resumes = play(programs[program], from, until, b, slept->resumes);
          memcpy(slept->memory, &__start_rtc, rtcSize);
          fflush(stdout);
          _exit(0);
        }
        wait(nullptr);
      } while (slept->resumes && slept->resumes < until);
      from = until;
    }
    printf(".\\n");
  }
}
`;

/** The number of a pin on the board. */
export function pinNumber(ref: string): number {
  const pin = ref.slice(ref.indexOf('.') + 1);
  return Number(pin.slice(1)) + (pin.startsWith('A') ? 14 : 0);
}

function inputOf({ design, courses }: Job, i: number): string {
  return courses
    .map((course) =>
      [
        `p ${i} 0 0`,
        ...turnsOf(design, course, pinNumber).map((turn) => `s ${turn.join(' ')}`),
        ...course.cuts.map((at) => `c ${at} 0 0`),
        `g ${course.length} ${course.clock} 0`,
      ].join('\n'),
    )
    .join('\n')
    .concat('\n');
}

function stands(jobs: readonly Job[], out: string): Stand[][][] {
  const courses = out.split('.\n').map((course) => course.split('\n').filter(Boolean).map(standOf));
  let first = 0;
  return jobs.map(({ courses: { length } }) => courses.slice(first, (first += length)));
}
