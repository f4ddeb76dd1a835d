import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal, untracked } from '@angular/core';
import { RouterLink } from '@angular/router';
import { OBSERVATION_NAMES, TESTS, TEST_NAMES, batteryLabelWords, stepName } from '@tetrad/core';
import type { ClampPlace, ObservationName, PracticeHelp, TestName, TestPoint } from '@tetrad/core';
import { SENSES, isForBench, isTakenByHand } from '@tetrad/core/practice';
import type { PracticeCall } from '@tetrad/core/practice';
import { Figures } from '../../device/figures';
import { Sound } from '../../device/sound';
import { Button } from '../../kit/button';
import { Message } from '../../kit/message';
import { Segmented } from '../../kit/segmented';
import { Select } from '../../kit/select';
import { Coming, Empty } from '../../kit/states';
import { BenchPractice } from '../../practice/bench-practice';
import { CrankSound } from '../../practice/crank-sound';
import { OwnExercises } from '../../practice/own-exercises';
import { PracticeResults } from '../../practice/practice-results';
import { resultOf } from '../../practice/result-of';
import { PracticeVisit } from '../../practice/practice-visit';
import { BayDrawing } from './bay-drawing';
import type { InHand } from './bay-drawing';
import { BayInstrument } from './bay-instrument';
import { BayVehicleHands } from './bay-vehicle';
import { CallDialog } from '../../practice/call-dialog';
import { PracticeReview } from '../../practice/practice-review';
import { WrittenDown } from './written-down';

const USUAL_CYLINDERS = 4;

/** Tests that are taken whole, with an instrument of their own. */
const SPECIALS = TEST_NAMES.filter((test) => !isTakenByHand(test) && TESTS[test].unit !== 'rpm');
/** What is done by hands in the bay, and seen then. */
const BY_HAND: ReadonlySet<ObservationName> = new Set(['belt-removed-crank', 'plugs-removed-crank']);
const LABEL = 'label';

/** One exercise: the vehicle with its test points, the instrument, the hands, and what was written down. */
@Component({
  selector: 'tt-practice-bay',
  imports: [
    BayDrawing,
    BayInstrument,
    BayVehicleHands,
    Button,
    CallDialog,
    Coming,
    Empty,
    Message,
    PracticeReview,
    RouterLink,
    Segmented,
    Select,
    WrittenDown,
  ],
  providers: [PracticeVisit],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './practice-bay.html',
  styleUrl: './practice-bay.css',
  host: { '(document:keydown)': 'press($event)' },
})
export class PracticeBayScreen {
  readonly #figures = inject(Figures);
  readonly #results = inject(PracticeResults);
  readonly #sound = inject(Sound);
  readonly #own = inject(OwnExercises);
  readonly #bench = inject(BenchPractice);
  protected readonly visit = inject(PracticeVisit);
  /** From the address. */
  readonly exercise = input.required<string>();
  protected readonly known = computed(() => this.#own.of(this.exercise()));
  protected readonly inHand = signal<InHand>('red');
  protected readonly help = signal<PracticeHelp>('hints');
  protected readonly calling = signal(false);

  protected readonly helps = [
    { value: 'with-help' as const, label: 'With help' },
    { value: 'hints' as const, label: 'Hints' },
    { value: 'alone' as const, label: 'Alone' },
  ];
  protected readonly inHands = [
    { value: 'red' as const, label: 'Red' },
    { value: 'black' as const, label: 'Black' },
    { value: 'clamp' as const, label: 'Clamp' },
  ];
  /** What stands on the display. */
  protected readonly shown = computed(() => {
    const bay = this.visit.bay();
    if (!bay) return '';
    const { value, decimals, unit } = bay.shown;
    if (value === null) return 'OL';
    return this.#figures.format().shown(value, unit, 10 ** -decimals, unit === 'V' && Math.abs(value) < 0.5);
  });
  protected readonly heard = computed(() => (this.visit.bay()?.senses ?? []).map((sense) => SENSES[sense]).join(' '));
  protected readonly card = computed(() => {
    const seen = this.visit.visit();
    if (!seen) return '';
    const { engine } = seen.system;
    const format = this.#figures.format();
    return [
      batteryLabelWords(seen.system, format).join(' · '),
      engine?.cylinders === undefined ? '' : `${engine.cylinders} cylinders, ${engine.fuel ?? 'fuel not told'}`,
      seen.celsius === null ? '' : format.celsius(seen.celsius),
    ]
      .filter(Boolean)
      .join(' · ');
  });
  protected readonly looks = [
    { value: LABEL, label: 'Read the label again' },
    ...OBSERVATION_NAMES.filter((value) => !BY_HAND.has(value)).map((value) => ({ value, label: stepName(value) })),
  ];
  protected readonly specials = SPECIALS.map((value) => ({ value, label: TESTS[value].name }));
  /** What comes next: named with help, or the hint that was asked for. */
  protected readonly next = computed(() => {
    const hint = this.visit.hint();
    if (this.help() !== 'with-help' && hint?.says) return { name: 'Hint', because: hint.says };
    const next = this.help() === 'with-help' ? (this.visit.visit()?.next ?? null) : (hint?.next ?? null);
    return next && { name: stepName(next.test), because: next.because };
  });
  protected readonly minutes = computed(() =>
    this.#figures.format().plain(Math.round(this.visit.bay()?.minutes ?? 0), 0),
  );

  constructor() {
    effect(() => {
      const known = this.known();
      untracked(() => known && this.visit.open(known));
    });
    const crank = new CrankSound();
    let lookedAt = performance.now();
    effect(() => {
      const bay = this.visit.bay();
      const cylinders = untracked(this.visit.visit)?.system.engine?.cylinders ?? USUAL_CYLINDERS;
      const now = performance.now();
      if (bay?.flow === 'cranking' && crank.passes(bay.rpm, cylinders, (now - lookedAt) / 1000))
        this.#sound.play('compression');
      lookedAt = now;
    });
    effect(() => {
      const scored = this.visit.scored();
      if (!scored) return;
      untracked(() => this.#results.add(resultOf(this.known()!, this.help(), scored)));
    });
    // who sets the instrument to amps takes the clamp in hand
    const use = computed(() => this.visit.bay()?.hands.use);
    effect(() => {
      if (use() === 'amps-dc') this.inHand.set('clamp');
    });
  }

  protected put({ lead, point }: { readonly lead: 'red' | 'black'; readonly point: TestPoint | null }): void {
    this.visit.say({ kind: 'hands', hands: { [lead]: point } });
    // the other lead comes next
    if (lead === 'red' && point !== null && this.visit.bay()?.hands.black === null) this.inHand.set('black');
  }
  protected clamp(clamp: ClampPlace | null): void {
    this.visit.say({ kind: 'hands', hands: { clamp } });
  }
  protected look(about: string | null): void {
    if (about === LABEL) this.visit.say({ kind: 'label' });
    else if (about !== null) this.visit.say({ kind: 'look', about: about as ObservationName });
  }
  protected special(test: TestName | null): void {
    if (test !== null) this.visit.say({ kind: 'special', test });
  }
  protected call(call: PracticeCall): void {
    this.calling.set(false);
    this.visit.say({ kind: 'call', call });
  }
  protected readonly isForBench = computed(() => {
    const known = this.known();
    return known !== null && isForBench(known);
  });
  /** The same vehicle at the simulated instruments, on the bench where real work is done. */
  protected onBench(): void {
    const known = this.known();
    if (known) this.#bench.begin(known);
  }
  protected again(): void {
    const known = this.known();
    if (known) this.visit.open(known, true);
  }

  /** R, B and C take a lead in hand, W writes down. */
  protected press(event: KeyboardEvent): void {
    if (event.ctrlKey || event.altKey || event.metaKey || this.calling() || this.visit.scored()) return;
    if ((event.target as Element).closest?.('input, textarea, [role=combobox], [role=listbox]')) return;
    const key = event.key.toLowerCase();
    if (key === 'r') this.inHand.set('red');
    else if (key === 'b') this.inHand.set('black');
    else if (key === 'c') this.inHand.set('clamp');
    else if (key === 'w') this.visit.say({ kind: 'write' });
    else return;
    event.preventDefault();
  }
}
