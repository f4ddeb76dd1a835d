import { ChangeDetectionStrategy, Component, contentChild, input, output } from '@angular/core';
import type { ButtonProps } from 'primeng/types/button';
import { Dialog as PDialog } from 'primeng/dialog';
import { FocusFirst } from './focus-first';

/** A dialog over the page: closed by Escape, by its cross, or by a press beside it. */
@Component({
  selector: 'tt-dialog',
  imports: [PDialog],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p-dialog
      [header]="header()"
      [visible]="true"
      (visibleChange)="closed.emit()"
      [modal]="true"
      [focusOnShow]="own() === undefined"
      closeAriaLabel="Close"
      [closeButtonProps]="closeButton"
      styleClass="kit-dialog"
      [draggable]="false"
      [resizable]="false"
      [dismissableMask]="true"
    >
      <ng-content />
    </p-dialog>
  `,
})
export class Dialog {
  readonly header = input.required<string>();
  readonly closed = output();
  protected readonly closeButton: ButtonProps = { severity: 'secondary', variant: 'text' };
  /** What takes the focus by itself; the library would take it away again once the dialog has come in. */
  protected readonly own = contentChild(FocusFirst, { descendants: true });
}
