import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { Button } from 'primeng/button';
import { Password } from 'primeng/password';
import { FormsModule } from '@angular/forms';
import { Lantern } from '../common/lantern';
import type { ApiError } from '../data/api-error';
import { SignIn } from '../data/sign-in';

/** Asks for the passcode of a server that is open to a network; what was begun goes on behind it. */
@Component({
  selector: 'yu-sign-in-page',
  imports: [Button, FormsModule, Lantern, Password],
  template: `
    <form (submit)="give($event)" aria-labelledby="sign-in">
      <yu-lantern [lit]="false" />
      <h1 id="sign-in">The passcode of this server</h1>
      <p class="soft">
        It was set on the machine that Yurei runs on. What you were doing goes on afterwards.
      </p>
      <label for="passcode">Passcode</label>
      <p-password
        inputId="passcode"
        name="passcode"
        autocomplete="current-password"
        [feedback]="false"
        [toggleMask]="true"
        [autofocus]="true"
        [fluid]="true"
        [(ngModel)]="passcode"
        [invalid]="!!refused()"
      />
      @if (refused(); as refused) {
        <p class="refused" role="alert">
          <b>{{ refused.title }}.</b> {{ refused.message }}
        </p>
      }
      <p-button type="submit" label="Go on" [loading]="asking()" />
    </form>
  `,
  styleUrl: './sign-in-page.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SignInPage {
  private readonly signIn = inject(SignIn);
  protected readonly passcode = signal('');
  protected readonly refused = signal<ApiError | undefined>(undefined);
  protected readonly asking = signal(false);

  protected async give(event: Event): Promise<void> {
    event.preventDefault();
    if (!this.passcode()) return;
    this.asking.set(true);
    this.refused.set(await this.signIn.give(this.passcode()));
    this.asking.set(false);
  }
}
