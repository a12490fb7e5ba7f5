import { HttpClient, provideHttpClient, withInterceptors } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import { firstValueFrom } from 'rxjs';
import { show } from '../../testing/workbench-bed';
import { SignInPage } from '../shell/sign-in-page';
import { askingAgain, SignIn, signingIn } from './sign-in';

let http: HttpTestingController;
const wrong = { title: 'The passcode is wrong', detail: 'Look at it again.' };

beforeEach(() => {
  TestBed.configureTestingModule({
    providers: [
      provideHttpClient(withInterceptors([signingIn, askingAgain])),
      provideHttpClientTesting(),
    ],
  });
  http = TestBed.inject(HttpTestingController);
});

it('what was refused for want of a passcode waits, and goes on once it was given', async () => {
  const asked = firstValueFrom(TestBed.inject(HttpClient).get('/api/designs'));
  http.expectOne('/api/designs').flush({}, { status: 401, statusText: 'x' });
  const signIn = TestBed.inject(SignIn);
  expect(signIn.needed()).toBe(true);

  const first = signIn.give('guess');
  http.expectOne('/api/session').flush(wrong, { status: 401, statusText: 'x' });
  expect((await first)?.title).toBe('The passcode is wrong');
  expect(signIn.needed()).toBe(true);

  const second = signIn.give('lantern by the slip');
  http.expectOne('/api/session').flush(null);
  expect(await second).toBeUndefined();
  http.expectOne('/api/designs').flush(['here']);
  expect(await asked).toEqual(['here']);
  expect(signIn.needed()).toBe(false);
});

it('what only looks is asked again where there was too much to do; a refusal is not', async () => {
  jest.useFakeTimers();
  const asked = firstValueFrom(TestBed.inject(HttpClient).get('/api/designs'));
  http.expectOne('/api/designs').flush({}, { status: 503, statusText: 'x' });
  await jest.advanceTimersByTimeAsync(1000);
  http.expectOne('/api/designs').flush([]);
  expect(await asked).toEqual([]);
  const lost = firstValueFrom(TestBed.inject(HttpClient).get('/api/designs/x')).catch(
    (e) => e.status,
  );
  http.expectOne('/api/designs/x').flush({}, { status: 404, statusText: 'x' });
  expect(await lost).toBe(404);
  jest.useRealTimers();
});

it('says in words why a passcode was refused', async () => {
  const page = await show(SignInPage);
  const field = page.find<HTMLInputElement>('#passcode');
  field.value = 'guess';
  field.dispatchEvent(new Event('input'));
  page.find('form').dispatchEvent(new Event('submit', { cancelable: true }));
  http.expectOne('/api/session').flush(wrong, { status: 401, statusText: 'x' });
  await page.settle();
  expect(page.text('[role=alert]')).toBe('The passcode is wrong. Look at it again.');
});
