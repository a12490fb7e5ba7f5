import { readdirSync, readFileSync } from 'node:fs';
import fc from 'fast-check';
import { checkDesign } from '../catalog/index.js';
import { applyEdit, emptyDesign, type Design, type Edit } from '../design/index.js';
import { plainManner, writeIn } from '../quantity/index.js';
import { rehearse } from '../rehearsal/index.js';
import { arbitraryDesign } from '../testing/arbitrary-design.js';
import { demo, slipwayBeam } from '../testing/demo.js';
import { briefly, check, fiveQuestions, gatherEvidence, rules } from './index.js';

const find = (design: Design) => check(gatherEvidence(design, design.scenes[0]));
const edited = (...edits: Edit[]): Design => edits.reduce(applyEdit, slipwayBeam());
const channel = slipwayBeam().channels[0];
const demos = readdirSync('demo').map((file) => file.replace('.yurei.json', ''));

describe('findings', () => {
  it.each(demos)('%s has no error', (name) => {
    expect(find(demo(name)).filter((f) => f.severity === 'error')).toEqual([]);
  });

  it('every rule is named once and has a failing and a passing design', () => {
    const codes = rules.map((r) => r.code);
    expect(new Set(codes).size).toBe(codes.length);
    expect(codes.length).toBeGreaterThanOrEqual(60);
    const tables = ['wiring', 'parts', 'doing', 'sounding']
      .map((name) => readFileSync(`core/src/check/rules-${name}.spec.ts`, 'utf8'))
      .join();
    expect(codes.filter((code) => !tables.includes(`'${code}'`))).toEqual([]);
  });

  it('come with errors first, cautions of parts last, each with an id of its own', () => {
    const found = find(edited({ type: 'remove-part', id: 'D1' }));
    expect(found[0]).toMatchObject({ code: 'coil-without-diode', severity: 'error' });
    expect(found.at(-1)?.severity).toBe('safety');
    expect(new Set(found.map((f) => f.id)).size).toBe(found.length);
    const safety = found.filter((f) => f.severity === 'safety').map((f) => f.reason);
    expect(safety.join(' ')).toMatch(/Mains voltage can kill/);
  });

  it('never break on any design, and every fix can be applied', () => {
    fc.assert(
      fc.property(arbitraryDesign, (design) => {
        for (const { fix } of find(design)) {
          const problems = fix ? checkDesign(applyEdit(design, fix.edit)) : [];
          expect(problems.filter((p) => p.severity === 'refuse')).toEqual([]);
        }
      }),
      { numRuns: 60 },
    );
  });

  it('stand on nothing but the design: an empty one has none', () => {
    expect(find(emptyDesign('Empty'))).toEqual([]);
  });
});

describe('the five questions', () => {
  afterEach(() => writeIn(plainManner));
  const ask = (design: Design, rehearsed = true) => {
    const evidence = gatherEvidence(design, design.scenes[0]);
    const rehearsal = rehearsed ? rehearse(design, design.scenes[0]) : undefined;
    return fiveQuestions(evidence, check(evidence), rehearsal);
  };
  it('are answered from what was computed', () => {
    const answers = ask(slipwayBeam());
    expect(answers.map((a) => a.state)).toEqual(['fine', 'fine', 'fine', 'unknown', 'unknown']);
    expect(answers[0]).toMatchObject({ value: '1 of 1' });
    expect(answers[2].value).toMatch(/^\d+ %$/);
  });
  it('are kept for the shelf as every maker writes numbers, however the first did', () => {
    const answers = () => ask(slipwayBeam());
    const [plain, before] = [answers().map(briefly), answers().map((a) => a.detail)];
    writeIn({ decimal: ',', temperature: '°F', length: 'inch' });
    expect(answers().map(briefly)).toEqual(plain);
    expect(answers().map((a) => a.detail)).not.toEqual(before);
  });
  it('say what is not computed yet', () => {
    expect(
      ask(slipwayBeam(), false)
        .slice(0, 2)
        .map((a) => a.value),
    ).toEqual(['not computed yet', 'not computed yet']);
    expect(
      ask(slipwayBeam())
        .slice(3)
        .map((a) => a.value),
    ).toEqual(['not computed yet', 'not computed yet']);
    const empty = emptyDesign('Empty');
    const evidence = gatherEvidence(empty, undefined);
    expect(
      fiveQuestions(evidence, check(evidence), undefined).every((a) => a.state === 'unknown'),
    ).toBe(true);
  });
  it('turn red with what is wrong', () => {
    const false_ = edited({ type: 'put-channel', channel: { ...channel, hits: 1 } });
    expect(ask(false_)[1]).toMatchObject({ state: 'error', value: '1 false' });
    expect(ask(edited({ type: 'remove-part', id: 'D1' }))[2].state).toBe('error');
  });
});
