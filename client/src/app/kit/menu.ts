import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { Menu as PMenu } from 'primeng/menu';
import { Button } from './button';
import type { Option } from './value-control';

/** A button with more to choose behind it. */
@Component({
  selector: 'tt-menu',
  imports: [Button, PMenu],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <button pButton kind="bare" aria-haspopup="menu" (click)="menu.toggle($event)"><ng-content /></button>
    <p-menu #menu [model]="items()" [popup]="true" appendTo="body" />
  `,
})
export class Menu<T> {
  readonly options = input.required<readonly Option<T>[]>();
  readonly chosen = output<T>();
  protected readonly items = computed(() =>
    this.options().map(({ value, label }) => ({ label, command: () => this.chosen.emit(value) })),
  );
}
