import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { NonNullableFormBuilder, ReactiveFormsModule, Validators } from '@angular/forms';
import { Button } from 'primeng/button';
import { Message } from 'primeng/message';
import { Password } from 'primeng/password';
import { Lantern } from '../common/lantern';
import type { ApiError } from '../data/api-error';
import { SignIn } from '../data/sign-in';

/** Asks for the passcode of a server that is open to a network; what was begun goes on behind it. */
@Component({
  selector: 'yu-sign-in-page',
  imports: [Button, Lantern, Message, Password, ReactiveFormsModule],
  template: `
    <form [formGroup]="form" (ngSubmit)="give()" aria-labelledby="sign-in">
      <yu-lantern [lit]="false" />
      <h1 id="sign-in">The passcode of this server</h1>
      <p class="soft">
        It was set on the machine that Yurei runs on. What you were doing goes on afterwards.
      </p>
      <label for="passcode">Passcode</label>
      <p-password
        inputId="passcode"
        autocomplete="current-password"
        [feedback]="false"
        [toggleMask]="true"
        [autofocus]="true"
        [fluid]="true"
        formControlName="passcode"
        [invalid]="!!refused()"
      />
      @if (refused(); as refused) {
        <p-message class="refused" severity="error" size="small">
          <b>{{ refused.title }}.</b> {{ refused.message }}
        </p-message>
      }
      <p-button type="submit" label="Go on" [loading]="asking()" />
    </form>
  `,
  styleUrl: './sign-in-page.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SignInPage {
  private readonly signIn = inject(SignIn);
  protected readonly form = inject(NonNullableFormBuilder).group({
    passcode: ['', Validators.required],
  });
  protected readonly refused = signal<ApiError | undefined>(undefined);
  protected readonly asking = signal(false);

  protected async give(): Promise<void> {
    if (this.form.invalid) return;
    this.asking.set(true);
    this.refused.set(await this.signIn.give(this.form.controls.passcode.value));
    this.asking.set(false);
  }
}
