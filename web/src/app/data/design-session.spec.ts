import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { Component, inject } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { emptyDesign } from '@yurei/core/design';
import { firstValueFrom } from 'rxjs';
import { waitAfter } from './back-off';
import { DesignSession } from './design-session';
import { findDraft } from './drafts';

const stored = {
  id: 'a1',
  version: 3,
  savedAt: '2026-01-01T00:00:00Z',
  design: emptyDesign('Loft'),
};
const rename = (title: string) => ({ type: 'describe', fields: { title } }) as const;

let http: HttpTestingController;
let session: DesignSession;

async function open(): Promise<void> {
  const opening = firstValueFrom(session.open('a1'));
  http.expectOne('/api/designs/a1').flush(stored);
  await opening;
}
const settle = (): Promise<void> => new Promise((done) => setTimeout(done, 0));

beforeEach(async () => {
  localStorage.clear();
  TestBed.configureTestingModule({
    providers: [provideHttpClient(), provideHttpClientTesting(), DesignSession],
  });
  http = TestBed.inject(HttpTestingController);
  session = TestBed.inject(DesignSession);
});

it('keeps an edit in the browser at once and saves it on the server', async () => {
  await open();
  session.edit(rename('Sail loft'));
  expect(findDraft('a1')?.design.title).toBe('Sail loft');
  const flushed = session.flush();
  const request = http.expectOne('/api/designs/a1');
  expect(request.request.body).toMatchObject({ version: 3, design: { title: 'Sail loft' } });
  request.flush({ id: 'a1', version: 4, savedAt: '2026-01-01T00:01:00Z' });
  await flushed;
  expect(session.save()).toEqual({ state: 'saved', at: '2026-01-01T00:01:00Z' });
  expect(findDraft('a1')).toBeUndefined();
});

it('takes up unsaved work after a reload', async () => {
  await open();
  session.edit(rename('Unsaved'));
  TestBed.resetTestingModule();
  TestBed.configureTestingModule({
    providers: [provideHttpClient(), provideHttpClientTesting(), DesignSession],
  });
  http = TestBed.inject(HttpTestingController);
  session = TestBed.inject(DesignSession);
  await open();
  expect(session.design()?.title).toBe('Unsaved');
});

it('says so when the server is away, and keeps the work', async () => {
  await open();
  session.edit(rename('Away'));
  const flushed = session.flush();
  http.expectOne('/api/designs/a1').error(new ProgressEvent('error'));
  await flushed;
  expect(session.save()).toMatchObject({
    state: 'unsaved',
    reason: 'The server cannot be reached',
  });
  expect(findDraft('a1')?.design.title).toBe('Away');
});

it.each([
  [507, 'The disk is full', 4],
  [503, 'The database is in use', 1],
  [429, 'Too many requests', 10],
  [500, 'Something failed', 1],
])(
  'an answer of %d is told with its cure, and tried again after a while',
  async (status, title, again) => {
    await open();
    session.edit(rename('Kept'));
    const flushed = session.flush();
    const retryAfter = again > 1 ? again : undefined;
    const problem = { title, detail: 'Do this.', retryAfter };
    http.expectOne('/api/designs/a1').flush(problem, { status, statusText: 'x' });
    await flushed;
    expect(session.save()).toEqual({
      state: 'unsaved',
      reason: title,
      copied: true,
      cure: 'Do this.',
      again,
    });
    expect(findDraft('a1')?.design.title).toBe('Kept');
    session.saveNow();
    await settle();
    http
      .expectOne('/api/designs/a1')
      .flush({ id: 'a1', version: 4, savedAt: '2026-01-01T00:01:00Z' });
    await settle();
    expect(session.save().state).toBe('saved');
    expect(findDraft('a1')).toBeUndefined();
  },
);

it('claims no copy that the browser has no room for', async () => {
  await open();
  const full = jest.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
    throw new DOMException('full', 'QuotaExceededError');
  });
  session.edit(rename('Nowhere else'));
  const flushed = session.flush();
  http.expectOne('/api/designs/a1').flush({}, { status: 507, statusText: 'x' });
  await flushed;
  expect(session.save()).toMatchObject({ state: 'unsaved', copied: false });
  full.mockRestore();
});

it('does not try again what can never succeed', async () => {
  await open();
  session.edit(rename('Wrong'));
  const flushed = session.flush();
  const problem = { title: 'The design cannot be used', detail: 'Nothing was changed.' };
  http.expectOne('/api/designs/a1').flush(problem, { status: 422, statusText: 'x' });
  await flushed;
  expect(session.save()).toEqual({
    state: 'unsaved',
    reason: 'The design cannot be used',
    copied: true,
    cure: 'Nothing was changed.',
  });
});

it('waits twice as long after each failure, up to half a minute', () => {
  expect([1, 2, 3, 4, 5, 6, 9].map((n) => waitAfter(n) / 1000)).toEqual([1, 2, 4, 8, 16, 30, 30]);
  expect(waitAfter(1, 5)).toBe(5000);
});

it('keeps answers only of the design as it was saved', async () => {
  await open();
  const answers = [{ id: 'notices', label: 'Notices', state: 'fine', value: '1 of 1' }] as const;
  const before = session.design();
  const kept = before && session.answer(before, [...answers]);
  const request = http.expectOne('/api/designs/a1/answers');
  expect(request.request.body).toEqual({ version: 3, answers });
  request.flush(null);
  await kept;
  session.edit(rename('Changed'));
  if (before) await session.answer(before, [...answers]);
  http.expectNone('/api/designs/a1/answers');
});

it('stops at a conflict and lets the maker choose', async () => {
  await open();
  session.edit(rename('Mine'));
  const flushed = session.flush();
  http
    .expectOne('/api/designs/a1')
    .flush({ title: 'Saved elsewhere' }, { status: 409, statusText: 'Conflict' });
  await flushed;
  expect(session.save().state).toBe('conflict');
  const taking = session.takeTheirs();
  http.expectOne('/api/designs/a1').flush({ ...stored, version: 5, design: emptyDesign('Theirs') });
  await taking;
  expect(session.design()?.title).toBe('Theirs');
  session.undo();
  expect(session.design()?.title).toBe('Mine');
  await settle();
});

it('refuses an edit that does not fit, with the reason', async () => {
  await open();
  expect(session.edit({ type: 'remove-part', id: 'R1' })).toBe(false);
  expect(session.refusal()).toBe('There is no part R1.');
  expect(session.canUndo()).toBe(false);
});

it('saves once more behind a save that is under way, from the version that one brings', async () => {
  await open();
  session.edit(rename('First'));
  const first = session.flush();
  const running = http.expectOne('/api/designs/a1');
  session.edit(rename('Second'));
  const second = session.flush();
  http.expectNone('/api/designs/a1');
  running.flush({ id: 'a1', version: 4, savedAt: '2026-01-01T00:01:00Z' });
  await first;
  await settle();
  const next = http.expectOne('/api/designs/a1');
  expect(next.request.body).toMatchObject({ version: 4, design: { title: 'Second' } });
  next.flush({ id: 'a1', version: 5, savedAt: '2026-01-01T00:02:00Z' });
  await second;
  expect(session.save()).toEqual({ state: 'saved', at: '2026-01-01T00:02:00Z' });
});

it('keeps mine over theirs when told so', async () => {
  await open();
  session.edit(rename('Mine'));
  const flushed = session.flush();
  http.expectOne('/api/designs/a1').flush({}, { status: 409, statusText: 'Conflict' });
  await flushed;
  session.edit(rename('Mine, still'));
  expect(session.save().state).toBe('conflict');
  const keeping = session.keepMine();
  http.expectOne('/api/designs/a1').flush({ ...stored, version: 9 });
  await keeping;
  const saved = session.flush();
  await settle();
  const request = http.expectOne('/api/designs/a1');
  expect(request.request.body).toMatchObject({ version: 9, design: { title: 'Mine, still' } });
  request.flush({ id: 'a1', version: 10, savedAt: '2026-01-01T00:03:00Z' });
  await saved;
  expect(session.save().state).toBe('saved');
});

it('brings a draft of an older version up to date', () => {
  const { plan: _plan, recordings: _recordings, ...design } = emptyDesign('Old');
  const old = { version: 3, design: { ...design, version: 1, scenes: [] } };
  localStorage.setItem('yurei.draft.a2', JSON.stringify(old));
  expect(findDraft('a2')).toMatchObject({
    version: 3,
    design: { version: 12, groups: [], title: 'Old', recordings: [] },
  });
});

it('takes a draft that cannot be read for none', async () => {
  localStorage.setItem('yurei.draft.a1', '{ broken');
  await open();
  expect(session.design()?.title).toBe('Loft');
});

@Component({
  template: `@if (session.design(); as design) {
    <button (click)="put({ title: 'Sail loft', purpose: design.purpose })">Name</button>
    <button (click)="put({ title: design.title, purpose: 'Smoke' })">Purpose</button>
  }`,
})
class TwoFields {
  readonly session = inject(DesignSession);

  put(fields: { title: string; purpose: string }): void {
    this.session.edit({ type: 'describe', fields });
  }
}

it('loses no edit that comes before the next frame is drawn', async () => {
  await open();
  const fixture = TestBed.createComponent(TwoFields);
  fixture.autoDetectChanges();
  for (const button of (fixture.nativeElement as HTMLElement).querySelectorAll('button')) {
    button.click();
    await Promise.resolve();
  }
  expect(session.design()).toMatchObject({ title: 'Sail loft', purpose: 'Smoke' });
});
