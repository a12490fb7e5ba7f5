import { signal, type Signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { Subject, of } from 'rxjs';
import { answerInTurn, answerTo, inTurn, type Answered } from './answer';

type Answering = typeof answerTo<number, string>;

/** A question that can be changed, and what was asked; each answer is given by hand. */
function ask(answering: Answering) {
  const asked = signal<number | undefined>(undefined);
  const calls: { n: number; says: Subject<string> }[] = [];
  const answer = TestBed.runInInjectionContext((): Signal<Answered<string>> =>
    answering(asked, (n) => {
      const says = new Subject<string>();
      calls.push({ n, says });
      return says;
    }),
  );
  const put = (n: number | undefined) => {
    asked.set(n);
    TestBed.tick();
  };
  const say = (call: number, text: string) => {
    calls[call].says.next(text);
    calls[call].says.complete();
  };
  return { put, say, calls, answer };
}

it('asks nothing while there is nothing to ask', () => {
  const { put, calls, answer } = ask(answerTo);
  put(undefined);
  expect([calls.length, answer()]).toEqual([0, { found: undefined, looking: false, trouble: '' }]);
});

it('drops a late answer to an older question', () => {
  const { put, say, answer } = ask(answerTo);
  put(1);
  put(2);
  say(1, 'two');
  say(0, 'one');
  expect(answer()).toEqual({ found: 'two', looking: false, trouble: '' });
});

it('shows what was found before while it looks anew', () => {
  const { put, say, answer } = ask(answerTo);
  put(1);
  say(0, 'one');
  put(2);
  expect(answer()).toEqual({ found: 'one', looking: true, trouble: '' });
});

it('says why nothing could be found, until something is asked anew', () => {
  const { put, calls, answer } = ask(answerTo);
  put(1);
  calls[0].says.error(new Error('The worker is gone.'));
  expect(answer()).toMatchObject({ looking: false, trouble: 'The worker is gone.' });
  put(2);
  expect(answer()).toMatchObject({ looking: true, trouble: '' });
});

it('in turn: shows each, but of those that wait only the newest', () => {
  const { put, say, calls, answer } = ask(answerInTurn);
  [1, 2, 3].forEach(put);
  expect(calls.map((c) => c.n)).toEqual([1]);
  say(0, 'one');
  expect([answer().found, answer().looking]).toEqual(['one', true]);
  expect(calls.map((c) => c.n)).toEqual([1, 3]);
  say(1, 'three');
  expect(answer()).toEqual({ found: 'three', looking: false, trouble: '' });
});

it('in turn: goes on after what is done at once', () => {
  const [jobs, done]: [Subject<number>, number[]] = [new Subject(), []];
  jobs.pipe(inTurn((n) => of(n))).subscribe((n) => done.push(n));
  [1, 2, 3].forEach((n) => jobs.next(n));
  expect(done).toEqual([1, 2, 3]);
});
