import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { SYMPTOMS, SYMPTOM_NAMES } from '@tetrad/core';
import type { Case, SymptomName } from '@tetrad/core';
import { PARTS_REPLACED } from '../../label/parts-replaced';

type Complaint = NonNullable<Case['complaint']>;

/** The complaint in plain words, and what has been replaced already. */
@Component({
  selector: 'tt-complaint-entry',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="list" role="group" aria-label="What it does">
      @for (entry of symptoms(); track entry.name) {
        <label class="check">
          <input type="checkbox" [checked]="entry.on" (change)="toggle(entry.name)" />
          {{ entry.words }}
        </label>
      }
    </div>
    <h2>Already replaced</h2>
    <div class="list" role="group" aria-label="Already replaced">
      @for (entry of replaced(); track entry.name) {
        <label class="check">
          <input type="checkbox" [checked]="entry.on" (change)="toggleReplaced(entry.name)" />
          {{ entry.name }}
        </label>
      }
    </div>
    <label class="field">
      Note
      <textarea
        rows="2"
        maxlength="2000"
        [value]="complaint().note ?? ''"
        (change)="note($any($event.target).value)"
      ></textarea>
    </label>
  `,
  styles: `
    :host {
      display: grid;
      gap: 8px;
    }
    .list {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(208px, 1fr));
      gap: 0 16px;
    }
    textarea {
      padding: 8px 12px;
    }
  `,
})
export class ComplaintEntry {
  readonly subject = input.required<Case>();
  readonly changed = output<Complaint>();

  protected readonly complaint = computed((): Complaint => this.subject().complaint ?? {});
  protected readonly symptoms = computed(() =>
    SYMPTOM_NAMES.map((name) => ({
      name,
      words: SYMPTOMS[name].name,
      on: this.complaint().symptoms?.includes(name) ?? false,
    })),
  );
  protected readonly replaced = computed(() => {
    const given = this.complaint().partsAlreadyReplaced ?? [];
    return [...new Set([...PARTS_REPLACED, ...given])].map((name) => ({ name, on: given.includes(name) }));
  });

  protected toggle(name: SymptomName): void {
    const before = this.complaint().symptoms ?? [];
    this.changed.emit({
      ...this.complaint(),
      symptoms: before.includes(name) ? before.filter((entry) => entry !== name) : [...before, name],
    });
  }
  protected toggleReplaced(name: string): void {
    const before = this.complaint().partsAlreadyReplaced ?? [];
    this.changed.emit({
      ...this.complaint(),
      partsAlreadyReplaced: before.includes(name) ? before.filter((entry) => entry !== name) : [...before, name],
    });
  }
  protected note(note: string): void {
    this.changed.emit({ ...this.complaint(), note });
  }
}
