import { ChangeDetectionStrategy, Component, contentChild, input, output, viewChild } from '@angular/core';
import type { ElementRef } from '@angular/core';
import type { ButtonProps } from 'primeng/types/button';
import { Dialog as PDialog } from 'primeng/dialog';
import { DomHandler } from 'primeng/dom';
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
      [focusOnShow]="false"
      (onShow)="focusFirst()"
      closeAriaLabel="Close"
      [closeButtonProps]="closeButton"
      styleClass="kit-dialog"
      [draggable]="false"
      [resizable]="false"
      [dismissableMask]="true"
    >
      <div #inside><ng-content /></div>
    </p-dialog>
  `,
})
export class Dialog {
  readonly header = input.required<string>();
  readonly closed = output();
  protected readonly closeButton: ButtonProps = { severity: 'secondary', variant: 'text' };
  /** What takes the focus by itself. */
  protected readonly own = contentChild(FocusFirst, { descendants: true });
  protected readonly inside = viewChild<ElementRef<HTMLElement>>('inside');

  /** Once the dialog has come in, unless a field has the focus already: the library would take it away from there. */
  protected focusFirst(): void {
    const inside = this.inside()?.nativeElement;
    if (inside === undefined || this.own() !== undefined || inside.contains(document.activeElement)) return;
    DomHandler.getFocusableElements(inside)[0]?.focus();
  }
}
