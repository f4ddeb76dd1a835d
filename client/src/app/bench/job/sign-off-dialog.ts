import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  linkedSignal,
  output,
  signal,
} from '@angular/core';
import { Store } from '@ngrx/store';
import { NewSignOff, TAKEN_ACTIONS, checkBody } from '@tetrad/contracts';
import type { JobView, TakenAction } from '@tetrad/contracts';
import { PARTS, customerWords, decisionWords } from '@tetrad/core';
import type { Judgement, Part } from '@tetrad/core';
import { Dialog } from 'primeng/dialog';
import { FocusFirst } from '../../parts/focus-first';
import { newId } from '../../state/new-id';
import { ShopActions, selectWho } from '../../state/shop/shop.reducer';

export type SignOffDraft = Omit<NewSignOff, 'id'>;

const ACTION_WORDS: Readonly<Record<TakenAction, string>> = {
  replace: 'Replace',
  repair: 'Repair',
  'charge-first': 'Charge only',
  'none-found': 'Nothing found',
  stop: 'Stopped: unsafe',
};

/** The technician's conclusion: it may differ from the judge's, with its reason; both are kept. */
@Component({
  selector: 'tt-sign-off',
  imports: [Dialog, FocusFirst],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './sign-off-dialog.html',
  styleUrl: './sign-off-dialog.css',
})
export class SignOffDialog {
  readonly #store = inject(Store);
  readonly job = input.required<JobView>();
  readonly judgement = input.required<Judgement | null>();
  readonly signed = output<SignOffDraft>();
  readonly closed = output();

  protected readonly actions = TAKEN_ACTIONS.map((value) => ({ value, label: ACTION_WORDS[value] }));
  protected readonly parts = PARTS;
  readonly #judged = computed(() => this.judgement()?.decision ?? null);
  protected readonly judgeWords = computed(() => {
    const judged = this.#judged();
    return judged ? decisionWords(judged) : 'nothing yet';
  });
  /** Begins at what the judge decided; a job that is still open has no such action. */
  protected readonly action = linkedSignal((): TakenAction | '' => {
    const action = this.#judged()?.action;
    return TAKEN_ACTIONS.find((known) => known === action) ?? '';
  });
  protected readonly part = linkedSignal((): Part | '' => this.#judged()?.part ?? '');
  protected readonly conclusion = linkedSignal(() => {
    const judged = this.#judged();
    return judged && judged.action !== 'test-next' ? customerWords(judged) : '';
  });
  protected readonly by = linkedSignal(this.#store.selectSignal(selectWho));
  protected readonly fitted = signal('');
  protected readonly comment = signal('');
  protected readonly reason = signal('');
  protected readonly solved = signal<'' | 'yes' | 'no'>('');
  protected readonly problems = signal<Readonly<Record<string, string>>>({});

  protected readonly needsPart = computed(() => this.action() === 'replace' || this.action() === 'repair');
  protected readonly differs = computed(() => {
    const judged = this.#judged();
    const part = this.needsPart() || this.action() === 'charge-first' ? this.part() || null : null;
    return this.action() !== '' && (judged?.action !== this.action() || (judged.part ?? null) !== part);
  });

  protected submit(event: Event): void {
    event.preventDefault();
    const action = this.action();
    const part = this.part();
    const draft = {
      id: newId(),
      by: this.by().trim(),
      ...(action !== '' && { action }),
      ...(part !== '' && (this.needsPart() || action === 'charge-first') && { part }),
      ...(this.differs() && this.reason().trim() && { reason: this.reason().trim() }),
      conclusion: this.conclusion().trim(),
      partsFitted: this.fitted()
        .split(',')
        .map((text) => text.trim())
        .filter(Boolean),
      ...(this.comment().trim() && { comment: this.comment().trim() }),
      ...(this.solved() !== '' && { solved: this.solved() === 'yes' }),
    };
    const result = checkBody(NewSignOff, draft);
    const problems: Record<string, string> = result.ok
      ? {}
      : Object.fromEntries(result.errors.map(({ field, allowed }) => [field, `Needed: ${allowed}.`]));
    if (this.differs() && !this.reason().trim()) problems['reason'] = 'The judge says otherwise: say why.';
    this.problems.set(problems);
    if (!result.ok || Object.keys(problems).length > 0) return;
    this.#store.dispatch(ShopActions.named({ who: draft.by }));
    const { id: _id, ...body } = result.body;
    this.signed.emit({ ...body });
  }
}
