import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { LABEL_FIGURES } from '@tetrad/core';
import { InputText } from 'primeng/inputtext';
import { TableModule } from 'primeng/table';
import { Textarea } from 'primeng/textarea';
import { Button } from '../../kit/button';
import { Check } from '../../kit/check';
import { CheckList } from '../../kit/check-list';
import { Dialog } from '../../kit/dialog';
import { Drawer } from '../../kit/drawer';
import { Field } from '../../kit/field';
import { FileButton } from '../../kit/file-button';
import { Fold } from '../../kit/fold';
import { Figure, fitsFigure } from '../../kit/forms/figure';
import { GradeMark } from '../../kit/grade-mark';
import { Menu } from '../../kit/menu';
import { Message } from '../../kit/message';
import { Progress } from '../../kit/progress';
import { Segmented } from '../../kit/segmented';
import { Select } from '../../kit/select';
import { Coming, Empty, Failed } from '../../kit/states';
import { Suggest } from '../../kit/suggest';
import { Toasts } from '../../kit/toasts';

/** Every part of the kit, in both themes: in development only. */
@Component({
  selector: 'tt-kit-page',
  imports: [
    Button,
    Check,
    CheckList,
    Coming,
    Dialog,
    Drawer,
    Empty,
    Failed,
    Field,
    Figure,
    FileButton,
    Fold,
    GradeMark,
    InputText,
    Menu,
    Message,
    Progress,
    ReactiveFormsModule,
    Segmented,
    Select,
    Suggest,
    TableModule,
    Textarea,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './kit.html',
  styleUrl: './kit.css',
})
export class Kit {
  protected readonly toasts = inject(Toasts);
  protected readonly themes = ['light', 'dark'] as const;
  protected readonly open = signal<'dialog' | 'drawer' | null>(null);
  protected readonly said = signal('nothing yet');
  protected readonly undo = (): void => this.said.set('undone');
  protected readonly words = ['alpha', 'beta', 'gamma'].map((value) => ({ value, label: value }));
  protected readonly grades = ['within', 'near', 'outside', 'void', 'noted'] as const;
  protected readonly rows = [
    { name: 'First', value: 1.5 },
    { name: 'Second', value: 0.2 },
  ];
  protected readonly form = new FormGroup({
    text: new FormControl('Text', { nonNullable: true }),
    figure: new FormControl('lots', {
      nonNullable: true,
      validators: [fitsFigure({ shape: LABEL_FIGURES.ratingAmps, unit: 'A' })],
    }),
    note: new FormControl('', { nonNullable: true }),
    word: new FormControl('beta', { nonNullable: true }),
    few: new FormControl('alpha', { nonNullable: true }),
    holds: new FormControl(true, { nonNullable: true }),
    list: new FormControl<readonly string[]>(['alpha'], { nonNullable: true }),
    known: new FormControl('', { nonNullable: true }),
  });

  constructor() {
    this.form.markAllAsTouched();
  }
}
