import { demo } from '../testing/demo.js';
import { chainOfVerdict, rehearse, type Link } from './index.js';

/** The chain of a happening of a demo design, as it came in time. */
function chainIn(name: string, happening: string): Link[] {
  const design = demo(name);
  const [scene] = design.scenes;
  return chainOfVerdict(design, scene, rehearse(design, scene, undefined, 'time'), happening);
}
const texts = (links: readonly Link[]): string[] =>
  links.map(({ text }) => text.replaceAll('\u00a0', ' '));

it('leads from what happens over measurand, volts, reading, rule and pin to the load', () => {
  const links = chainIn('slipway-beam', 'h2');
  const expected = [
    /^Someone walks up the slipway: begins$/,
    /^Beam receiver meets infrared, .*: 4\.01 W\/m² → \d+ µW\/m²$/,
    /^U1\.A0: 4\.01 V → \d+ µV$/,
    /^Beam yes: 1 below 380, 5 times in a row$/,
    /^r1: when Beam → Sounder on/,
    /^Sounder at U1\.D8 turns, over Base resistor, Sounder switch, Sounder diode$/,
    /^Sounder sounding: 11\.9 V across it/,
  ];
  const came = texts(links);
  expect(came).toHaveLength(expected.length);
  expected.forEach((pattern, i) => expect(came[i]).toMatch(pattern));
});

it('its times never go back, and end with the firing', () => {
  const links = chainIn('slipway-beam', 'h2');
  links.slice(1).forEach(({ t }, i) => expect(t).toBeGreaterThanOrEqual(links[i].t));
  // A beam of 0.05 m is walked into after 2.56 s; five readings of 10 ms follow.
  expect(links[1].t).toBeCloseTo(16.558, 2);
  expect(links[links.length - 1].t).toBeCloseTo(16.61, 3);
});

it('a relay that takes its time still follows from its rule', () => {
  const links = chainIn('drying-room-fan', 'h2');
  const came = texts(links);
  expect(came.some((text) => /^r1: when Room/.test(text))).toBe(true);
  const [turns, pulls] = [/^Fan at U1\.D7 turns/, /^Fan turning/].map(
    (pattern) => links[came.findIndex((text) => pattern.test(text))].t,
  );
  // Its operating time: some milliseconds.
  expect(pulls - turns).toBeGreaterThan(1e-3);
  expect(pulls - turns).toBeLessThan(2e-2);
});

it('without a controller it leads from what is met to what acts', () => {
  const came = texts(
    chainIn(
      'fuel-locker-loop',
      demo('fuel-locker-loop').scenes[0].happenings.find((h) => h.intent === 'wanted')?.id ?? '',
    ),
  );
  expect(came).toHaveLength(3);
  expect(came[1]).toMatch(/^Hatch contact meets opened by: 0 m → /);
  expect(came[2]).toMatch(/sounding/);
});

it('is empty where nothing came of it', () => {
  expect(chainIn('slipway-beam', 'h1')).toEqual([]);
  expect(chainIn('slipway-beam', 'nobody')).toEqual([]);
});
