import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { RouterOutlet } from '@angular/router';
import { SignInPage } from './shell/sign-in-page';
import { SignIn } from './data/sign-in';

@Component({
  selector: 'yu-root',
  imports: [RouterOutlet, SignInPage],
  template: `
    <router-outlet />
    @if (signIn.needed()) {
      @defer (on immediate) {
        <yu-sign-in-page />
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class App {
  protected readonly signIn = inject(SignIn);
}
