import { kindOf } from '../../catalog/index.js';
import type { Part } from '../../design/index.js';
import { formatNominal } from '../../quantity/index.js';
import { Draft, swapEnds } from '../../wiring/index.js';
import { mainStates, type Evidence } from '../evidence.js';
import type { Fix, Found, Rule } from '../finding.js';
import { across, having, largest, refOf, setValue, size, withFix, withWorst } from '../lookup.js';
import { list, volts } from '../words.js';

/** A fix that exchanges what is wired to two terminals of a part. */
function turn({ design }: Evidence, part: Part, a: string, b: string): Fix {
  const draft = new Draft(design);
  swapEnds(draft, refOf(part, a), refOf(part, b));
  return { label: `Turn ${part.id} round`, edit: draft.edit(`turn ${part.id}`) };
}

/** Parts that are nothing but a diode. */
const diodes = (evidence: Evidence) =>
  having(evidence, 'conducts').filter(({ part }) => kindOf(part).terminals.length === 2);

export const diodeBlocks: Rule = {
  code: 'diode-blocks',
  severity: 'error',
  consequence: 'unnoticed',
  concern: 'wiring',
  title: 'A diode in line that blocks what it should let through',
  bench: 'Everything behind it is dead.',
  source: 'Solved voltages on both sides: one side fed, the other waiting for it.',
  find: (evidence) => {
    const { wiring } = evidence;
    return diodes(evidence).flatMap(({ part, has: { from: a, to: k } }): Found[] => {
      const back = mainStates(evidence).map((s) => across(part, k, a)(s.solution) ?? 0);
      if (Math.min(...back) < 1) return [];
      // What waits for power on the anode's side, and can get it by no other way.
      const waiting = wiring
        .ends(refOf(part, a))
        .filter((e) => e.terminal.role === 'supply-in' && e.part !== part);
      const fed = mainStates(evidence).some(({ solution }) => {
        const at = solution.parts[part.id]?.volts;
        return at && (at[a] ?? 0) > 0.5 * (at[k] ?? 0);
      });
      if (waiting.length === 0 || fed) return [];
      return [
        {
          subject: part.id,
          title: `${part.name} blocks`,
          reason: `${volts(Math.max(...back))} stand against it, and ${list(waiting.map((e) => e.part.name))} behind it get nothing.`,
          about: [part.id, ...waiting.map((e) => e.part.id)],
          fix: turn(evidence, part, a, k),
        },
      ];
    });
  },
};

export const electrolyticReversed: Rule = {
  code: 'electrolytic-reversed',
  severity: 'error',
  consequence: 'burns',
  concern: 'wiring',
  title: 'An electrolytic capacitor the wrong way round',
  bench: 'It heats up, swells and bursts, sometimes after hours.',
  source: 'Reverse voltage of at most about 1 V (data sheets of aluminium electrolytics).',
  find: (evidence) =>
    having(evidence, 'capacitance').flatMap(
      ({ part, has: { plus, minus, polarised } }): Found[] => {
        if (!polarised) return [];
        const worst = largest(evidence, across(part, minus, plus));
        if (!worst || worst.at.high <= 0.5) return [];
        return [
          {
            subject: part.id,
            severity: worst.at.value > 0.5 ? 'error' : 'caution',
            title: `${part.name} is the wrong way round`,
            reason: `Its minus stands above its plus by ${withWorst(worst, volts)}.`,
            about: [part.id],
            fix: turn(evidence, part, plus, minus),
          },
        ];
      },
    ),
};

const ratedVolts = [6.3, 10, 16, 25, 35, 50, 63, 100, 160, 250, 400];
/** A capacitor lasts when it stands at no more than this share of its rating (common practice). */
const lasting = 0.8;

export const capacitorVolts: Rule = {
  code: 'capacitor-volts',
  severity: 'error',
  consequence: 'wears out',
  concern: 'drive',
  title: 'A capacitor near or above its voltage',
  bench: 'It leaks, dries out early, or breaks through.',
  source: '80 % of the rating (common practice); rated voltages after IEC 60063.',
  find: (evidence) =>
    having(evidence, 'capacitance').flatMap(({ part, has, params }): Found[] => {
      const over = across(part, has.plus, has.minus);
      const worst = largest(evidence, has.polarised ? over : size(over));
      const rated = has.maxVolts(params);
      if (!worst || worst.at.high <= lasting * rated) return [];
      const next = ratedVolts.find((v) => lasting * v >= worst.at.high);
      return [
        {
          subject: part.id,
          severity: worst.at.high > rated ? 'error' : 'caution',
          title: `${part.name} wants a higher voltage rating`,
          reason: `${withWorst(worst, volts)}, on ${formatNominal(rated, 'V')}.`,
          about: [part.id],
          ...withFix(next === undefined ? undefined : setValue(part, 'maxVolts', next, 'V')),
        },
      ];
    }),
};

export const legsVary: Rule = {
  code: 'legs-vary',
  severity: 'note',
  consequence: 'unnoticed',
  concern: 'wiring',
  title: 'Three legs whose order differs between types',
  bench:
    'Two types with the same name on the bag have two of their legs exchanged: it does not switch, or gets hot.',
  source:
    'Pin orders in data sheets of equivalent types differ (common practice: check before soldering).',
  find: ({ design }) => {
    const parts = design.parts.filter((p) => kindOf(p).legsVary);
    if (parts.length === 0) return [];
    return [
      {
        subject: 'design',
        title: 'Check the order of legs',
        reason: `${list(
          parts.map(
            (p) =>
              `${p.id} (${kindOf(p)
                .terminals.map((t) => t.label)
                .join(', ')})`,
          ),
        )}: look it up for the type you have; the picture does not show how the legs lie.`,
        about: parts.map((p) => p.id),
      },
    ];
  },
};
