import { comparingInThread, demo, openBench, show, type Screen } from '../../testing/workbench-bed';
import { emptyDesign, type Brief, type Need } from '@yurei/core/design';
import { DesignSession } from '../data/design-session';
import { TestBed } from '@angular/core/testing';
import type { Compared } from '@yurei/core/plan';
import { mergeWith, of, Subject } from 'rxjs';
import { Comparing } from '../bench/comparing';
import { TrialsRunner } from '../bench/trials-runner';
import { BriefFields } from './brief-fields';
import { PlanStep } from './plan';

const need = (id: string, intent: Need['intent'], kind: string, name: string): Need => ({
  ...{ id, intent, kind, name, params: {} },
});
const brief = (...needs: Need[]): Brief => ({ needs, tells: '' });
const door = need('n1', 'wanted', 'door-opens', 'The hatch opens');

const loopContact = {
  ...{ sensor: 'loop-contact', beam: false, label: 'Loop contact' },
  price: 'under 1',
} as const;

const planned = async (asked: Brief): Promise<Screen<PlanStep>> => {
  openBench({ ...emptyDesign('New'), brief: asked });
  return show(PlanStep);
};
const design = () => {
  const found = TestBed.inject(DesignSession).design();
  if (!found) throw new Error('There is no design.');
  return found;
};
const compared = (screen: Screen<PlanStep>) =>
  screen.until(() => /\b(\d+) of \1 tried/.test(screen.text('.sensors')));

it('on an empty brief says what to do, and compares nothing', async () => {
  const screen = await planned(brief());
  expect(screen.text('.sensors')).toContain('Say at the left what must be noticed');
  expect(screen.text('.sensors')).not.toContain('tried');
});

it('takes what must be noticed by what a maker calls it', async () => {
  const screen = await planned(brief());
  await screen.press('Must be noticed…');
  const field = screen.find<HTMLInputElement>('.p-dialog input');
  field.value = 'door';
  field.dispatchEvent(new Event('input'));
  await screen.settle();
  await screen.key(field, 'Enter');
  expect(design().brief.needs).toMatchObject([{ intent: 'wanted', kind: 'door-opens' }]);
  await screen.type('In your words: A door or gate opens', 'The hatch opens');
  expect(design().brief.needs[0].name).toBe('The hatch opens');
});

it('wires, rehearses and ranks what feels it, and says why the others do not serve', async () => {
  const screen = await planned(brief(door));
  await compared(screen);
  const [first] = screen.all('.sensor');
  expect(first.textContent).toMatch(/1\. Loop contact.*Notices 1 of 1, within/s);
  await screen.press('4 that do not notice all of it here');
  expect(screen.text('.sensors')).toMatch(/Piezo disc.*trips above/s);
});

it('lists all that feel it at once, with what is known of them before they are tried', async () => {
  const tried = new Subject<Compared>();
  TestBed.overrideProvider(Comparing, {
    useValue: { ...comparingInThread, compare: () => tried },
  });
  const screen = await planned(brief(door));
  const listed = () => screen.all('[aria-label="Being tried"] p').map((p) => p.textContent);
  await screen.until(() => listed().length > 1);
  const before = listed();
  expect(before).toContainEqual(
    expect.stringMatching(/Loop contact\s*Price under 1\. Contacts that rarely move oxidise/),
  );
  tried.next({ ...loopContact, refused: 'It was not.' });
  await screen.settle();
  expect(listed()).toEqual(before.filter((said) => !said?.includes('Loop contact')));
  tried.complete();
  await screen.until(() => listed().length === 0);
});

it('compares again when the brief is changed', async () => {
  const screen = await planned(brief(door));
  await compared(screen);
  await screen.press('Take The hatch opens out of the brief');
  await screen.until(() => /Say at the left/.test(screen.text('.sensors')));
  expect(screen.all('.sensor')).toEqual([]);
});

it('puts the first design on the bench in one edit, with a scene that tries the brief', async () => {
  const screen = await planned(brief(door));
  await compared(screen);
  await screen.press('I have read this');
  await screen.press('Take it: Loop contact');
  await screen.until(() => /is on the bench/.test(screen.text('.sensors')));
  expect(design().parts.map((p) => p.kind)).toContain('loop-contact');
  expect(design().scenes[0].happenings[0]).toMatchObject({ need: 'n1', name: 'The hatch opens' });
  TestBed.inject(DesignSession).undo();
  expect(design().parts).toEqual([]);
  expect(design().brief.read).toEqual(['intruder']);
});

it('has what is dangerous read first', async () => {
  const screen = await planned(brief(need('n1', 'wanted', 'flame', 'A flame')));
  await compared(screen);
  const take = () => screen.find<HTMLButtonElement>('.sensor .do button');
  expect(screen.text('.notices')).toMatch(/never replaces a certified smoke or heat alarm/);
  expect(take().disabled).toBe(true);
  await screen.press('I have read this');
  expect(screen.all('.notices')).toEqual([]);
  expect(take().disabled).toBe(false);
  expect(design().brief.read).toEqual(['fire']);
  // Nothing is tried anew for that.
  await new Promise((done) => setTimeout(done, 400));
  expect(screen.text('.sensors')).toMatch(/\b(\d+) of \1 tried/);
});

it('sets sensors side by side, with what came of many nights', async () => {
  const screen = await planned(brief(need('n1', 'wanted', 'tips', 'It is moved')));
  await compared(screen);
  const [one] = screen.all('.sensor p-checkbox input');
  one.click();
  await screen.settle();
  expect(screen.text('.beside')).toMatch(/It is moved noticed, after/);
  await screen.until(() =>
    /noticed in \d+ of \d+ \([\d.]+ to [\d.]+ %\)/.test(screen.text('.beside')),
  );
  expect(screen.text('.sensor')).toMatch(/Of \d+ nights: misses \d+\.\d %\./);
});

it('rehearses some nights of each of the best before the others of the first', async () => {
  const asked: { first: number; count: number }[] = [];
  const run: TrialsRunner['run'] = (_, { first, count }) => {
    asked.push({ first, count });
    return of([]);
  };
  TestBed.overrideProvider(TrialsRunner, { useValue: { run } });
  const screen = await planned(brief(need('n1', 'wanted', 'tips', 'It is moved')));
  await compared(screen);
  const best = Math.min(4, screen.all('.sensor').length);
  expect(best).toBeGreaterThan(1);
  await screen.until(() => asked.length === 2 * best);
  expect(asked.slice(0, best)).toEqual(Array(best).fill({ first: 1, count: 20 }));
  expect(asked.slice(best)).toEqual(Array(best).fill({ first: 21, count: 180 }));
});

it('begins with the best so far while others are still compared, and keeps those nights', async () => {
  const asked: { first: number; count: number }[] = [];
  const run: TrialsRunner['run'] = (_, { first, count }) => {
    asked.push({ first, count });
    return of([]);
  };
  const last = new Subject<Compared>();
  let tryLast = (): unknown => undefined;
  const compare: Comparing['compare'] = (design, offered) => {
    tryLast = () => comparingInThread.compare(design, offered.slice(1)).subscribe(last);
    return comparingInThread.compare(design, offered.slice(0, 1)).pipe(mergeWith(last));
  };
  TestBed.overrideProvider(TrialsRunner, { useValue: { run } });
  TestBed.overrideProvider(Comparing, { useValue: { compare } });
  const screen = await planned(brief(need('n1', 'wanted', 'tips', 'It is moved')));
  await screen.until(() => asked.length === 1);
  expect(screen.all('[aria-label="Being tried"] .other').length).toBeGreaterThan(0);
  tryLast();
  await compared(screen);
  await screen.until(() => asked.length === 4);
  expect(asked.map(({ first }) => first)).toEqual([1, 1, 21, 21]);
});

it('ranks by what counts, and remembers that', async () => {
  localStorage.clear();
  const screen = await planned(brief(need('n1', 'wanted', 'tips', 'It is moved')));
  await compared(screen);
  const handle = (label: string) =>
    screen
      .all('.weight')
      .find((w) => w.textContent?.includes(label))
      ?.querySelector('[role=slider]');
  for (let i = 0; i < 2; i++)
    await screen.key(handle('few parts') as Element, 'ArrowRight', {
      code: 'ArrowRight',
    });
  expect(JSON.parse(localStorage.getItem('yurei.weights') ?? '{}')).toMatchObject({ simple: 3 });
});

it('without a controller offers what a comparator can decide, and takes it so', async () => {
  const screen = await planned({ ...brief(door), controller: 'without' });
  expect(screen.text('.sensors')).toMatch(/Without a controller a comparator decides/);
  await compared(screen);
  await screen.press('I have read this');
  await screen.press('Take it: Loop contact');
  await screen.until(() => /is on the bench/.test(screen.text('.sensors')));
  expect(design().parts.map((p) => p.kind)).toContain('comparator-393');
  expect(design().channels).toEqual([]);
  await screen.press('5 that do not notice all of it here');
  expect(screen.text('.sensors')).toMatch(/Magnetometer.*a comparator has none/s);
});

describe('without power', () => {
  const told = async (withoutPower: Brief['withoutPower']): Promise<Screen<BriefFields>> => {
    const slipway = demo('slipway-beam');
    openBench({ ...slipway, brief: { ...slipway.brief, withoutPower } });
    const screen = await show(BriefFields);
    await screen.until(() => /As wired/.test(screen.text()));
    return screen;
  };

  it('tells what the circuit as wired does, and marks what is other than was said', async () => {
    const silent = await told('nothing');
    expect(silent.text()).toContain('As wired: when the mains fail, nothing acts.');
    expect(silent.all('.bad')).toEqual([]);
    TestBed.resetTestingModule();
    expect((await told('alarm')).all('.bad')).toHaveLength(1);
  });

  it('says nothing where nothing is wired', async () => {
    openBench(emptyDesign('New'));
    const screen = await show(BriefFields);
    await new Promise((done) => setTimeout(done, 700));
    expect(screen.text()).not.toContain('As wired');
  });
});
