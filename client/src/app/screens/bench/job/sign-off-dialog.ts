import type { OnInit } from '@angular/core';
import { ChangeDetectionStrategy, Component, ElementRef, computed, inject, input, output, signal } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import { Store } from '@ngrx/store';
import { TAKEN_ACTIONS } from '@tetrad/contracts';
import type { PermissionName, TakenAction } from '@tetrad/contracts';
import { PARTS, decisionWords } from '@tetrad/core';
import type { Judgement } from '@tetrad/core';
import { InputText } from 'primeng/inputtext';
import { Textarea } from 'primeng/textarea';
import { Button } from '../../../kit/button';
import { Dialog } from '../../../kit/dialog';
import { Field } from '../../../kit/field';
import { FocusFirst } from '../../../kit/focus-first';
import { focusProblem } from '../../../kit/forms/body-form';
import { controlValue } from '../../../kit/forms/control-value';
import { Segmented } from '../../../kit/segmented';
import { Select } from '../../../kit/select';
import { selectMay, selectWho } from '../../../state/session/session.feature';
import { TakeOver } from '../../../session/take-over';
import { differs, needsPart, signOffForm, signOffOf } from './sign-off-form';
import type { SignOffDraft } from './sign-off-form';

const ACTION_WORDS: Readonly<Record<TakenAction, string>> = {
  replace: 'Replace',
  repair: 'Repair',
  repaired: 'Repaired',
  'charge-first': 'Charge only',
  'none-found': 'Nothing found',
  stop: 'Stopped: unsafe',
};

/** The technician's conclusion: it may differ from the judge's, with its reason; both are kept. */
@Component({
  selector: 'tt-sign-off',
  imports: [Button, Dialog, Field, FocusFirst, InputText, ReactiveFormsModule, Segmented, Select, TakeOver, Textarea],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './sign-off-dialog.html',
  styleUrl: './sign-off-dialog.css',
})
export class SignOffDialog implements OnInit {
  readonly #store = inject(Store);
  readonly #host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  readonly judgement = input.required<Judgement | null>();
  readonly signed = output<SignOffDraft>();
  readonly closed = output();

  protected readonly form = signal(signOffForm(null));
  readonly #typed = controlValue(() => this.form());
  protected readonly actions = TAKEN_ACTIONS.map((value) => ({ value, label: ACTION_WORDS[value] }));
  protected readonly parts = PARTS.map((value) => ({ value, label: value }));
  protected readonly solved = [
    { value: null, label: 'not tried' },
    { value: true, label: 'yes' },
    { value: false, label: 'no' },
  ];
  readonly #judged = computed(() => this.judgement()?.decision ?? null);
  protected readonly judgeWords = computed(() => {
    const judged = this.#judged();
    return judged ? decisionWords(judged) : 'nothing yet';
  });
  protected readonly needsPart = computed(() => needsPart(this.#typed().action));
  protected readonly differs = computed(() => {
    this.#typed();
    return differs(this.form(), this.#judged());
  });

  protected readonly who = this.#store.selectSignal(selectWho);
  readonly #maySign = this.#store.selectSignal(selectMay('sign-off'));
  readonly #mayDiffer = this.#store.selectSignal(selectMay('differ'));
  /** What whoever works here may not do, and this sign-off needs; null where it may be signed. */
  protected readonly needed = computed((): PermissionName | null => {
    if (this.differs() && !this.#mayDiffer()) return 'differ';
    return this.#maySign() ? null : 'sign-off';
  });
  protected readonly needs = computed(() =>
    this.needed() === 'differ' ? 'A lead signs a decision that differs from the judge’s.' : 'A technician signs off.',
  );
  /** Who must sign where the decision differs, said before anything is filled in; empty where it may be signed here. */
  protected readonly toDiffer = computed(() =>
    this.#mayDiffer() || this.needed() === 'differ' ? '' : 'a lead signs with PIN or password',
  );

  ngOnInit(): void {
    this.form.set(signOffForm(this.#judged()));
  }

  protected submit(): void {
    if (this.needed() !== null) return;
    const draft = signOffOf(this.form(), this.#judged());
    if (draft === null) return focusProblem(this.#host.ownerDocument.body);
    this.signed.emit(draft);
  }
}
