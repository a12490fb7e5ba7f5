import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import type { Design } from '@yurei/core/design';
import { Observable, type Subscriber } from 'rxjs';
import type { ShelfAnswer } from '@yurei/core/exchange';
import { ShelfInMemory } from '../../testing/shelf-in-memory';
import { show, slipwayBeam, type Screen } from '../../testing/workbench-bed';
import { Api } from '../data/api';
import { Answering } from './answer-unopened';
import { Shelf } from './shelf';

const told: ShelfAnswer[] = [{ id: 'notices', label: 'Notices', state: 'fine', value: '3 of 3' }];

/** Answers when the test says so, and counts who listens. */
class AnsweringByHand implements Answering {
  readonly asked: { title: string; to: Subscriber<ShelfAnswer[]> }[] = [];
  listening = 0;
  answer(design: Design): Observable<ShelfAnswer[]> {
    return new Observable((to) => {
      this.asked.push({ title: design.title, to });
      this.listening++;
      return () => this.listening--;
    });
  }
}

describe('own designs that were never opened', () => {
  let server: ShelfInMemory;
  let answering: AnsweringByHand;

  async function open(titles: string[], prepare?: () => unknown): Promise<Screen<Shelf>> {
    server = new ShelfInMemory(...titles.map((title) => ({ ...slipwayBeam(), title })));
    prepare?.();
    answering = new AnsweringByHand();
    TestBed.configureTestingModule({
      providers: [
        provideRouter([]),
        { provide: Api, useValue: server },
        { provide: Answering, useValue: answering },
      ],
    });
    return show(Shelf);
  }

  it('are answered one after the other, and kept with the save they are of', async () => {
    const shelf = await open(['Gate', 'Hatch']);
    await shelf.until(() => answering.asked.length === 1);
    answering.asked[0].to.next(told);
    answering.asked[0].to.complete();
    await shelf.until(() => answering.asked.length === 2);
    expect(answering.asked.map((a) => a.title)).toEqual(['Gate', 'Hatch']);
    expect(shelf.all('.designs li').map((card) => /3 of 3/.test(card.textContent))).toEqual([
      true,
      false,
    ]);
    expect(server.answered).toEqual([{ id: 'd1', version: 1, answers: told }]);
  });

  it('that cannot be answered hold up nobody, and are not tried again', async () => {
    const shelf = await open(['Gate', 'Hatch']);
    await shelf.until(() => answering.asked.length === 1);
    answering.asked[0].to.error(new Error('out of memory'));
    await shelf.until(() => answering.asked.length === 2);
    answering.asked[1].to.error(new Error('out of memory'));
    await new Promise((later) => setTimeout(later, 1800));
    expect(answering.asked.map((a) => a.title)).toEqual(['Gate', 'Hatch']);
    expect(shelf.text('main')).not.toContain('out of memory');
  });

  it('are tried again once they were saved anew', async () => {
    const shelf = await open(['Gate']);
    await shelf.until(() => answering.asked.length === 1);
    answering.asked[0].to.error(new Error('out of memory'));
    const kept = server.stored.get('d1');
    if (kept) server.stored.set('d1', { ...kept, version: 2 });
    const again = await show(Shelf);
    await again.until(() => answering.asked.length === 2);
    expect(answering.asked[1].title).toBe('Gate');
  });

  it('are left alone when the shelf is left', async () => {
    const shelf = await open(['Gate']);
    await shelf.until(() => answering.listening === 1);
    TestBed.resetTestingModule();
    expect(answering.listening).toBe(0);
  });

  it.each([
    ['they have their answers', () => (server.answers = told)],
    ['they came with the program', () => server.examples.add('d1')],
    ['they cannot be read', () => server.unreadable.set('d1', 'not JSON')],
  ])('are not looked at where %s', async (_, prepare) => {
    const shelf = await open(['Gate'], prepare);
    await new Promise((later) => setTimeout(later, 1800));
    expect(shelf.text('main')).toContain('Gate');
    expect(answering.asked).toEqual([]);
  });
});
