import { TestBed } from '@angular/core/testing';
import { Router } from '@angular/router';
import { Panes } from '../data/panes';
import { Tour } from '../data/tour';
import { openBench, show } from '../../testing/workbench-bed';
import { TourCard } from './tour-card';

it('leads through five stops, each at its step, and is left at any of them', async () => {
  await openBench();
  const went = jest.spyOn(TestBed.inject(Router), 'navigate').mockResolvedValue(true);
  const tour = TestBed.inject(Tour);
  tour.begin();
  const card = await show(TourCard, { id: 'd1' });
  const seen: unknown[] = [];
  for (let i = 1; i <= 5; i++) {
    expect(card.text('section')).toContain(`${i} of 5`);
    seen.push([went.mock.lastCall?.[0][2], TestBed.inject(Panes).sideOpen()]);
    if (i < 5) await card.press('Next');
  }
  expect(seen).toEqual([
    ['wire', false],
    ['wire', true],
    ['set', false],
    ['act', false],
    ['rehearse', false],
  ]);
  await card.press('Back');
  expect(card.text('section')).toContain('4 of 5');
  await card.press('Leave the tour');
  expect(tour.stop()).toBeUndefined();
});
