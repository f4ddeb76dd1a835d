import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import type { ButtonProps } from 'primeng/types/button';
import { Drawer as PDrawer } from 'primeng/drawer';

/** A sheet from the side that leaves the page in view. */
@Component({
  selector: 'tt-drawer',
  imports: [PDrawer],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p-drawer
      [header]="header()"
      [visible]="true"
      (visibleChange)="$event || closed.emit()"
      position="right"
      [style]="wide"
      appendTo="body"
      ariaCloseLabel="Close"
      [closeButtonProps]="closeButton"
      [dismissible]="true"
    >
      <ng-content />
    </p-drawer>
  `,
})
export class Drawer {
  readonly header = input.required<string>();
  readonly closed = output();
  protected readonly wide = { width: 'min(560px, 92vw)' };
  protected readonly closeButton: ButtonProps = { severity: 'secondary', variant: 'text' };
}
