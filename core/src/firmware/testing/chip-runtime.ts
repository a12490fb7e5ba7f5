/**
 * What boards of an 8-bit controller bring to programs, by the registers of its chip (data sheet of 8-bit controllers with 32 pins): as
 * little as they need. The clock is a variable that the simulator sets, so that each turn is one millisecond; after each turn it writes a
 * register at which the simulator looks.
 */
export const chipRuntime = `
#include <avr/io.h>
#include <avr/interrupt.h>
#include <avr/eeprom.h>
#include <avr/pgmspace.h>
#include <stdint.h>
#include <stddef.h>
#include <stdlib.h>
#include <string.h>
#include <math.h>
enum { LOW, HIGH };
enum { INPUT, OUTPUT, INPUT_PULLUP };
enum { CHANGE = 1, FALLING = 2, RISING = 3 };
enum { A0 = 14, A1, A2, A3, A4, A5 };
enum { INTERNAL = 3 };
volatile uint32_t clockMs = 0;
volatile uint8_t duties[20];
static uint8_t reference = 1;
static uint32_t millis() { return clockMs; }
static void delay(uint16_t) {}
struct Port { volatile uint8_t *in, *direction, *out; uint8_t bit; };
static Port portOf(uint8_t pin) {
  if (pin < 8) return {&PIND, &DDRD, &PORTD, uint8_t(1 << pin)};
  if (pin < 14) return {&PINB, &DDRB, &PORTB, uint8_t(1 << (pin - 8))};
  return {&PINC, &DDRC, &PORTC, uint8_t(1 << (pin - 14))};
}
[[gnu::unused]] static int analogRead(uint8_t pin) {
  ADMUX = (reference << 6) | (pin - 14);
  ADCSRA = _BV(ADEN) | _BV(ADSC) | 7;
  while (ADCSRA & _BV(ADSC)) {}
  return ADC;
}
[[gnu::unused]] static void analogReference(uint8_t to) { reference = to; }
[[gnu::unused]] static int digitalRead(uint8_t pin) {
  const Port port = portOf(pin);
  return *port.in & port.bit ? HIGH : LOW;
}
[[gnu::unused]] static void digitalWrite(uint8_t pin, uint8_t level) {
  const Port port = portOf(pin);
  if (level) *port.out |= port.bit;
  else *port.out &= ~port.bit;
  duties[pin] = level ? 255 : 0;
}
[[gnu::unused]] static void analogWrite(uint8_t pin, int duty) { duties[pin] = duty; }
[[gnu::unused]] static void pinMode(uint8_t pin, uint8_t mode) {
  const Port port = portOf(pin);
  if (mode == OUTPUT) *port.direction |= port.bit;
  else *port.direction &= ~port.bit;
  if (mode == INPUT_PULLUP) *port.out |= port.bit;
}
[[gnu::unused]] static int digitalPinToInterrupt(uint8_t pin) { return pin - 2; }
static void (*notes[2])();
ISR(INT0_vect) { notes[0](); }
ISR(INT1_vect) { notes[1](); }
[[gnu::unused]] static void attachInterrupt(uint8_t which, void (*note)(), uint8_t mode) {
  notes[which] = note;
  EICRA = (EICRA & ~(3 << (2 * which))) | (mode << (2 * which));
  EIFR = 1 << which;
  EIMSK |= 1 << which;
  sei();
}
#define noInterrupts cli
#define interrupts sei
struct FlashText;
#define F(text) ((const FlashText *)PSTR(text))
struct SerialLine {
  void begin(long) { UCSR0B = _BV(TXEN0); }
  void flush() {}
  int available() { return 0; }
  int read() { return -1; }
  void print(char letter) {
    while (!(UCSR0A & _BV(UDRE0))) {}
    UDR0 = letter;
  }
  void print(const char *text) { while (*text) print(*text++); }
  void print(const FlashText *text) {
    for (const char *at = (const char *)text; pgm_read_byte(at); at++) print((char)pgm_read_byte(at));
  }
  void print(int32_t number) { char text[12]; print((const char *)ltoa(number, text, 10)); }
  void print(uint32_t number) { char text[12]; print((const char *)ultoa(number, text, 10)); }
  void print(int number) { print(int32_t(number)); }
  void print(double number) { char text[24]; print((const char *)dtostrf(number, 1, 2, text)); }
  template <class T> void println(T what) { print(what); println(); }
  void println() { print('\\n'); }
};
static SerialLine Serial;
struct Memory {
  uint16_t length() { return E2END + 1; }
  template <class T> void get(int place, T &of) { eeprom_read_block(&of, (void *)(intptr_t)place, sizeof(T)); }
  void update(int place, uint8_t byte) { eeprom_update_byte((uint8_t *)(intptr_t)place, byte); }
};
[[gnu::unused]] static Memory EEPROM;
/** The two-wire bus by its registers; what is written are one address and one register. */
struct TwoWire {
  uint8_t to, place, got[2], next;
  uint8_t step(uint8_t control) {
    TWCR = _BV(TWINT) | _BV(TWEN) | control;
    while (!(TWCR & _BV(TWINT))) {}
    return TWSR & 0xf8;
  }
  /* The simulator tells an address that was taken as a byte. */
  bool takes(uint8_t byte) {
    TWDR = byte;
    const uint8_t came = step(0);
    return came == 0x18 || came == 0x28 || came == 0x40;
  }
  void begin() { TWBR = 72; }
  void beginTransmission(uint8_t address) { to = address; }
  void write(uint8_t byte) { place = byte; }
  uint8_t endTransmission(bool) {
    return step(_BV(TWSTA)) == 0x08 && takes(to << 1) && takes(place) ? 0 : 2;
  }
  uint8_t requestFrom(uint8_t address, uint8_t many) {
    next = 0;
    step(_BV(TWSTA));
    const bool there = takes(address << 1 | 1);
    for (uint8_t i = 0; there && i < many; i++) {
      step(i + 1 < many ? _BV(TWEA) : 0);
      got[i] = TWDR;
    }
    TWCR = _BV(TWINT) | _BV(TWEN) | _BV(TWSTO);
    return there ? many : 0;
  }
  int read() { return got[next++]; }
};
[[gnu::unused]] static TwoWire Wire;
void setup();
void loop();
int main() {
  setup();
  for (;;) {
    asm volatile("" ::: "memory");
    GPIOR0 = 1;
    loop();
  }
}
`;

/** The simulator with the chip on its bench: reads what is to be played, and says how everything stands after each turn. */
export const simulator = `
#include <simavr/sim_avr.h>
#include <simavr/sim_elf.h>
#include <simavr/sim_io.h>
#include <simavr/avr_adc.h>
#include <simavr/avr_extint.h>
#include <simavr/avr_ioport.h>
#include <simavr/avr_twi.h>
#include <simavr/avr_uart.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
enum { most = 64, gpior0 = 0x3e };
struct Seen { char kind; int at, size; };
static struct Seen seen[most];
static int seens, notices, turned, clockAt, dutiesAt, dayAt, told[most], changes;
/* A bare chip is stopped where it begins a pass, and has its moment set there; its pins are numbered by ports. */
static unsigned passAt;
static const char *chip = "atmega328p";
static char names[most][256], line[512];
static int lineLength;
static struct { int at, pin, counts, analogue; } change[100000];
static struct { int pin, analogue; } input[most];
static int inputs;
/* What is typed over the serial line, a letter each millisecond, and whether what is told is shown. */
static char typed[256];
static avr_t *avr;
static void turn(avr_t *of, avr_io_addr_t address, uint8_t value, void *param) {
  (void)address; (void)param;
  of->data[gpior0] = value;
  turned = 1;
  of->run_cycle_count = 0;
}
static void letter(avr_irq_t *irq, uint32_t value, void *param) {
  (void)irq; (void)param;
  if (value != '\\n') { if (lineLength < 511) line[lineLength++] = value; return; }
  line[lineLength] = 0;
  lineLength = 0;
  if (*typed) printf("= %s\\n", line);
  const char *at = strstr(line, " notice ");
  for (int i = 0; at && i < notices; i++) {
    const size_t length = strlen(names[i]);
    if (!strncmp(at + 8, names[i], length) && !strncmp(at + 8 + length, ": ", 2)) told[i]++;
  }
}
static long valueOf(const struct Seen *of) {
  long value = 0;
  for (int i = 0; i < of->size; i++) value |= (long)avr->data[of->at + i] << (8 * i);
  return of->size == 4 ? (int32_t)value : value;
}
static void put(long at, int size, unsigned long long value) {
  for (int i = 0; i < size; i++) avr->data[at + i] = value >> (8 * i);
}
/* Chips on the two-wire bus: a register is written, then it and those after it are read. */
static uint8_t bytes[128 * 256];
static int chosen, place, placed;
static void onBus(avr_irq_t *irq, uint32_t value, void *param) {
  (void)irq; (void)param;
  avr_twi_msg_irq_t sent = {.u.v = value};
  avr_irq_t *answer = avr_io_getirq(avr, AVR_IOCTL_TWI_GETIRQ(0), TWI_IRQ_INPUT);
  const int what = sent.u.twi.msg;
  if (what & TWI_COND_STOP) chosen = 0;
  if (what & TWI_COND_START) {
    chosen = sent.u.twi.addr;
    placed = 0;
    avr_raise_irq(answer, avr_twi_irq_msg(TWI_COND_ACK, chosen, 1));
    return;
  }
  if (!chosen) return;
  if (what & TWI_COND_WRITE) {
    if (!placed++) place = sent.u.twi.data;
    avr_raise_irq(answer, avr_twi_irq_msg(TWI_COND_ACK, chosen, 1));
  }
  if (what & TWI_COND_READ) avr_raise_irq(answer, avr_twi_irq_msg(TWI_COND_READ, chosen, bytes[256 * (chosen >> 1) + (place++ & 255)]));
}
/* A step of the bus begins: the chip takes its flag back, which the simulator leaves. */
static void step(avr_t *of, avr_io_addr_t address, uint8_t value, void *param) {
  (void)param;
  if (value & 0x80) of->data[address] &= 0x7f;
}
static void setPin(int pin, int counts, int analogue) {
  if (pin >= 1000) { bytes[pin - 1000] = counts; return; }
  if (analogue) {
    avr_raise_irq(avr_io_getirq(avr, AVR_IOCTL_ADC_GETIRQ, ADC_IRQ_ADC0 + (passAt ? pin : pin - 14)), (counts * 5000 + 1022) / 1023);
    return;
  }
  const char port = passAt ? 'A' + pin / 8 : pin < 8 ? 'D' : pin < 14 ? 'B' : 'C';
  const int bit = passAt ? pin % 8 : pin < 8 ? pin : pin < 14 ? pin - 8 : pin - 14;
  // Else a write to the port would let its pull-up lift the pin again.
  static uint8_t high[128];
  high[(int)port] = counts >= 50 ? high[(int)port] | 1 << bit : high[(int)port] & ~(1 << bit);
  avr_ioport_external_t pulled = {.name = port, .mask = 0xff, .value = high[(int)port]};
  avr_ioctl(avr, AVR_IOCTL_IOPORT_SET_EXTERNAL(port), &pulled);
  avr_raise_irq(avr_io_getirq(avr, AVR_IOCTL_IOPORT_GETIRQ(port), bit), counts >= 50);
}
/* What a pin of the bare chip gives: its port, or the share of its timer. */
static long givenBy(int pin) {
  static const int ports[] = {0x3b, 0x38, 0x35, 0x32};
  const uint8_t *data = avr->data;
  if (pin == 11 && data[0x53] & 1 << 5) return data[0x5c];
  if (pin == 28 && data[0x4f] & 1 << 5) return data[0x48];
  if (pin == 29 && data[0x4f] & 1 << 7) return data[0x4a];
  return data[ports[pin / 8]] >> pin % 8 & 1 ? 255 : 0;
}
static void runOn(void) {
  for (turned = 0; !turned;) {
    const int state = avr_run(avr);
    if (state == cpu_Done || state == cpu_Crashed) { printf("crashed\\n"); exit(1); }
    if (passAt) turned = avr->pc == passAt;
  }
}
static void say(int at, char *before) {
  char said[4096];
  int length = 0, first = 1;
  for (const char *kind = "cmkrno"; *kind; kind++, first = 1) {
    if (*kind != 'c') length += sprintf(said + length, "|");
    for (int i = 0; i < (*kind == 'n' ? notices : seens); i++) {
      if (*kind != 'n' && seen[i].kind != *kind) continue;
      const long value = *kind == 'n' ? told[i] : *kind == 'o' && passAt ? givenBy(seen[i].at) : valueOf(&seen[i]);
      const int flag = *kind == 'c' || *kind == 'r';
      length += sprintf(said + length, "%s%ld", first || flag ? "" : ",", value);
      first = 0;
    }
  }
  if (strcmp(said, before)) printf("> %d %s\\n", at, said);
  strcpy(before, said);
}
/* Asleep, nobody waits for it in earnest. */
static void sleepOn(avr_t *of, avr_cycle_count_t cycles) {
  (void)of; (void)cycles;
}
static void play(elf_firmware_t *program, int length, unsigned long long clock) {
  avr = avr_make_mcu_by_name(chip);
  avr_init(avr);
  avr->log = LOG_ERROR;
  avr->sleep = sleepOn;
  /* Many instructions at once, where it stops by itself at the end of a turn. */
  if (!passAt) avr->run_cycle_limit = 10000;
  /* No program waits for a level: as long as a pin is low, the simulator would look at it in each cycle. */
  for (int i = 0; i < 2; i++) avr_extint_set_strict_lvl_trig(avr, i, 0);
  avr->vcc = avr->avcc = avr->aref = 5000;
  avr_load_firmware(avr, program);
  uint32_t flags = 0;
  avr_ioctl(avr, AVR_IOCTL_UART_SET_FLAGS('0'), &flags);
  if (!passAt) avr_register_io_write(avr, gpior0, turn, NULL);
  avr_irq_register_notify(avr_io_getirq(avr, AVR_IOCTL_UART_GETIRQ('0'), UART_IRQ_OUTPUT), letter, NULL);
  avr_register_io_write(avr, passAt ? 0x56 : 0xbc, step, NULL);
  avr_irq_register_notify(avr_io_getirq(avr, AVR_IOCTL_TWI_GETIRQ(0), TWI_IRQ_OUTPUT), onBus, NULL);
  memset(bytes, 0, sizeof bytes);
  memset(told, 0, sizeof told);
  for (int i = 0; i < inputs; i++) setPin(input[i].pin, 0, input[i].analogue);
  runOn();
  if (dayAt) put(dayAt, 8, clock);
  char before[4096] = "";
  avr_cycle_count_t longest = 0;
  for (int at = 0, next = 0; at <= length; at++) {
    put(clockAt, passAt ? 8 : 4, at);
    for (; next < changes && change[next].at <= at; next++) setPin(change[next].pin, change[next].counts, change[next].analogue);
    if (at >= 50 && at - 50 < (int)strlen(typed))
      avr_raise_irq(avr_io_getirq(avr, AVR_IOCTL_UART_GETIRQ('0'), UART_IRQ_INPUT), typed[at - 50] == '~' ? '\\n' : typed[at - 50]);
    const avr_cycle_count_t began = avr->cycle;
    runOn();
    if (avr->cycle - began > longest) longest = avr->cycle - began;
    say(at, before);
  }
  printf("longest %llu\\n", (unsigned long long)longest);
  avr_terminate(avr);
}
int main(int count, char **given) {
  elf_firmware_t program = {{0}};
  if (count != 4 || elf_read_firmware(given[1], &program)) return 1;
  chip = given[2];
  passAt = atoi(given[3]);
  strcpy(program.mmcu, chip);
  program.frequency = passAt ? 8000000 : 16000000;
  char asked[1024];
  while (fgets(asked, sizeof asked, stdin)) {
    int a = 0, b = 0, c = 0, d = 0;
    char kind = asked[0];
    asked[strcspn(asked, "\\n")] = 0;
    sscanf(asked + 1, "%d %d %d %d", &a, &b, &c, &d);
    if (kind == 'T') { clockAt = a; dutiesAt = b; dayAt = c; }
    else if (kind == 'n') strcpy(names[notices++], asked + 2);
    else if (kind == 'o') seen[seens++] = (struct Seen){'o', passAt ? a : dutiesAt + a, 1};
    else if (strchr("cmkr", kind)) seen[seens++] = (struct Seen){kind, a, b};
    else if (kind == 'i') { input[inputs].pin = a; input[inputs++].analogue = b; }
    else if (kind == 'w') strcpy(typed, asked + 2);
    else if (kind == 'p') changes = 0;
    else if (kind == 's') { change[changes].at = a; change[changes].pin = b; change[changes].counts = c; change[changes++].analogue = d; }
    else if (kind == 'g') play(&program, a, strtoull(asked + 2 + strcspn(asked + 2, " "), NULL, 10));
  }
}
`;
