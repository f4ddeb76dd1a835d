import type { HttpErrorResponse } from '@angular/common/http';
import { ChangeDetectionStrategy, Component, ElementRef, computed, effect, inject, input, signal } from '@angular/core';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { Router } from '@angular/router';
import { Store } from '@ngrx/store';
import { SignIn as SignInBody } from '@tetrad/contracts';
import { InputText } from 'primeng/inputtext';
import { Button } from '../../kit/button';
import { Field } from '../../kit/field';
import { FocusFirst } from '../../kit/focus-first';
import { bodyOf, focusProblem } from '../../kit/forms/body-form';
import { Message } from '../../kit/message';
import { Password } from '../../kit/password';
import { Api } from '../../api/api';
import { problemOf } from '../../api/loading';
import { SessionActions, selectSession, selectSingleSignOn } from '../../state/session/session.feature';
import { OwnSecretsForm } from '../../session/own-secrets-form';

/** What the server says in the address after the way over the shop's own accounts. */
const OUTCOMES: Readonly<Record<string, string>> = {
  unknown:
    'The shop’s accounts know you, but nobody here has your e-mail address: an administrator adds it under People.',
  refused: 'The shop’s accounts did not let you in. Try again, or sign in with name and password.',
};
const SHOP_KEY = 'tetrad.sign-in.shop';
const text = (value = ''): FormControl<string> => new FormControl(value, { nonNullable: true });

/** Signing in: once a shift with the password; from then on others switch in by PIN. */
@Component({
  selector: 'tt-sign-in',
  imports: [Button, Field, FocusFirst, InputText, Message, OwnSecretsForm, Password, ReactiveFormsModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './sign-in.html',
  styleUrl: './sign-in.css',
})
export class SignIn {
  readonly #api = inject(Api);
  readonly #store = inject(Store);
  readonly #router = inject(Router);
  readonly #host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  /** From the address: the shop, and where to go on. */
  readonly shop = input<string>();
  readonly to = input<string>();
  /** How the way over the shop's own accounts ended. */
  readonly outcome = input<string>();

  readonly #session = this.#store.selectSignal(selectSession);
  protected readonly singleSignOn = this.#store.selectSignal(selectSingleSignOn);
  protected readonly came = computed(() => OUTCOMES[this.outcome() ?? ''] ?? null);
  /** A one-time password opens nothing but this. */
  protected readonly isFirst = computed(() => this.#session()?.kind === 'first');
  protected readonly form = new FormGroup({
    shop: text(localStorage.getItem(SHOP_KEY) ?? ''),
    name: text(),
    password: text(),
  });
  protected readonly refused = signal<string | null>(null);
  protected readonly busy = signal(false);

  constructor() {
    effect(() => {
      const shop = this.shop();
      if (shop) this.form.controls.shop.setValue(shop);
    });
    effect(() => {
      if (this.#session() && !this.isFirst()) void this.#router.navigateByUrl(this.to() ?? '/floor');
    });
  }

  protected submit(): void {
    const { shop, name, password } = this.form.getRawValue();
    const body = bodyOf(SignInBody, this.form, { shop: shop.trim().toLowerCase(), name: name.trim(), password });
    if (body === null) return focusProblem(this.#host);
    this.busy.set(true);
    this.#api.signIn(body).subscribe({
      next: (session) => {
        localStorage.setItem(SHOP_KEY, body.shop);
        this.busy.set(false);
        this.refused.set(null);
        this.#store.dispatch(SessionActions.known({ session }));
      },
      error: (failure: HttpErrorResponse) => {
        this.busy.set(false);
        this.refused.set(problemOf(failure).detail);
        this.form.controls.password.reset();
      },
    });
  }
}
