import { lessOneLines } from './c-parts.js';
import type { Brought } from './used.js';

/** Says that something has happened; what is a text by then. */
const tellLines = [
  '',
  'static void sayText(const char *text) {',
  '  for (; *text; text++) {',
  '    while (!(UCSRA & _BV(UDRE))) {',
  '    }',
  '    UDR = *text;',
  '  }',
  '}',
  '',
  'static void tell(const char *kind, const char *of, const char *what) {',
  '  char time[12];',
  '  sayText("# event ");',
  '  sayText(ltoa(now / 1000, time, 10));',
  "  time[0] = '.';",
  "  time[1] = '0' + now % 1000 / 100;",
  "  time[2] = '0' + now % 100 / 10;",
  "  time[3] = '0' + now % 10;",
  "  time[4] = '\\0';",
  '  sayText(time);',
  '  sayText(" ");',
  '  sayText(kind);',
  '  sayText(" ");',
  '  sayText(of);',
  '  sayText(": ");',
  '  sayText(what);',
  '  sayText("\\n");',
  '}',
];

/** Functions of a program for the bare chip, by its registers. */
export const chipHelpers: readonly Brought[] = [
  {
    word: 'isHigh',
    lines: [
      '',
      'static volatile uint8_t *const inputs[] = {&PINA, &PINB, &PINC, &PIND};',
      '',
      'static bool isHigh(uint8_t pin) {',
      '  return *inputs[pin >> 3] >> (pin & 7) & 1;',
      '}',
    ],
  },
  {
    word: 'outputs|switchPin',
    lines: ['', 'static volatile uint8_t *const outputs[] = {&PORTA, &PORTB, &PORTC, &PORTD};'],
  },
  {
    word: 'directions',
    lines: ['static volatile uint8_t *const directions[] = {&DDRA, &DDRB, &DDRC, &DDRD};'],
  },
  {
    word: 'switchPin',
    lines: [
      '',
      'static void switchPin(uint8_t pin, bool high) {',
      '  if (high) {',
      '    *outputs[pin >> 3] |= 1 << (pin & 7);',
      '  } else {',
      '    *outputs[pin >> 3] &= ~(1 << (pin & 7));',
      '  }',
      '}',
    ],
  },
  {
    word: 'countsAt',
    lines: [
      '',
      'static int countsAt(uint8_t pin) {',
      '  ADMUX = REFERENCE | pin;',
      '  ADCSRA |= _BV(ADSC);',
      '  while (ADCSRA & _BV(ADSC)) {',
      '  }',
      '  return ADC;',
      '}',
    ],
  },
  {
    word: 'dim',
    lines: [
      '',
      '// Of nothing at all the timer would leave a spike: then the pin is left to its port, which is low.',
      'static void dim(uint8_t pin, uint8_t duty) {',
      '  switchPin(pin, false);',
      '  if (pin == portB + 3) {',
      '    OCR0 = duty;',
      '    TCCR0 = duty > 0 ? TCCR0 | _BV(COM01) : TCCR0 & ~_BV(COM01);',
      '  } else if (pin == portD + 4) {',
      '    OCR1B = duty;',
      '    TCCR1A = duty > 0 ? TCCR1A | _BV(COM1B1) : TCCR1A & ~_BV(COM1B1);',
      '  } else {',
      '    OCR1A = duty;',
      '    TCCR1A = duty > 0 ? TCCR1A | _BV(COM1A1) : TCCR1A & ~_BV(COM1A1);',
      '  }',
      '}',
    ],
  },
  { word: 'lessOne', lines: lessOneLines('static ') },
  { word: 'tell|tellCount|tellReading', lines: tellLines },
  {
    word: 'tellCount',
    lines: [
      '',
      'static void tellCount(const char *kind, const char *of, int32_t what) {',
      '  char text[12];',
      '  tell(kind, of, ltoa(what, text, 10));',
      '}',
    ],
  },
  {
    word: 'tellReading',
    lines: [
      '',
      'static void tellReading(const char *kind, const char *of, double what) {',
      '  char text[24];',
      '  tell(kind, of, dtostrf(what, 1, 2, text));',
      '}',
    ],
  },
];
