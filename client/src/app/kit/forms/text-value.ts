import { Directive, input, output } from '@angular/core';

/** A text that stands in a draft and not in a form: it shows what the draft has, and tells what is typed. */
@Directive({
  selector: 'input[ttText]',
  host: { '[value]': 'text()', '(input)': 'tell($event)' },
})
export class TextValue {
  readonly text = input.required<string>({ alias: 'ttText' });
  readonly typed = output<string>();

  protected tell({ target }: Event): void {
    this.typed.emit((target as HTMLInputElement).value);
  }
}
