import { TestBed } from '@angular/core/testing';
import { emptyDesign } from '@yurei/core/design';
import { demo, openBench, show } from '../../testing/workbench-bed';
import { DesignSession } from '../data/design-session';
import { EitherOrView } from './either-or-view';
import { judgeEffect, sayEffect } from './say-effect';

it('says what is missing where nothing is read, or nothing happens', async () => {
  openBench(emptyDesign('New'));
  expect((await show(EitherOrView)).text()).toContain('Take a sensor, or wire one');
  TestBed.resetTestingModule();
  openBench({ ...demo('slipway-beam'), scenes: [] });
  expect((await show(EitherOrView)).text()).toContain('Put something into a scene in Rehearse');
});

it('tells what the other way costs with both numbers, and makes the change', async () => {
  await openBench(demo('slipway-beam'));
  const screen = await show(EitherOrView);
  await screen.until(() => screen.all('article').length === 6 && !/tried…/.test(screen.text()));
  const [beam] = screen.all('article');
  expect(beam.textContent).toMatch(/Beam: wants 5 readings in a row, or trips by one reading/);
  expect(beam.textContent).toMatch(
    /stays quiet with \d of 3 \(now 3 of 3\).*11\.8\sms \(now 51\.8\sms\)/s,
  );
  expect(beam.querySelector('.bad')).not.toBeNull();
  const session = TestBed.inject(DesignSession);
  const buttons = screen.all('article button');
  const [first] = buttons.filter(
    (b) => b.getAttribute('aria-label') === 'Change it: Beam trips by one reading',
  );
  first.click();
  const changed = session.design();
  expect(changed?.channels[0].hits).toBe(1);
  // What was weighed before that change would take it back: it is not taken any more.
  for (const button of buttons) button.click();
  expect(session.design()).toBe(changed);
  await screen.until(() => /trips by one reading, or wants 3/.test(screen.text()));
});

describe('an effect in words', () => {
  const now = { wanted: 2, noticed: 2, nuisances: 1, fooled: 0, spurious: 0, watts: 1, acted: 6 };

  it('tells only what is other', () => {
    expect(sayEffect(now, now)).toBe('No difference in these scenes.');
    const said = sayEffect(now, { ...now, noticed: 1, spurious: 2 });
    expect(said).toBe(
      'Then it notices 1 of 2 (now 2 of 2), fires for nothing 2 times (now 0 times).',
    );
  });

  it('is worse where more is missed or fired falsely, better where less is', () => {
    expect(judgeEffect(now, { ...now, fooled: 1 })).toBe('worse');
    expect(judgeEffect({ ...now, spurious: 1 }, now)).toBe('better');
    expect(judgeEffect(now, { ...now, acted: 60 })).toBe('other');
  });
});
