import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal, untracked } from '@angular/core';
import { RouterLink } from '@angular/router';
import {
  CLAMP_PLACES,
  INSTRUMENT_FUNCTIONS,
  OBSERVATIONS,
  OBSERVATION_NAMES,
  TESTS,
  TEST_NAMES,
  TEST_POINTS,
  batteryLabelWords,
  stepName,
} from '@tetrad/core';
import type { ObservationName, TestName, TestPoint } from '@tetrad/core';
import { BAY_FUNCTIONS, isTakenByHand } from '@tetrad/core/practice';
import type { BayFunction, PracticeCall } from '@tetrad/core/practice';
import { Figures } from '../../device/figures';
import { Sentences } from '../../device/sentences';
import { Sound } from '../../device/sound';
import { VehicleHands } from '../../instruments/live/vehicle-hands';
import type { VehicleState } from '../../instruments/live/vehicle-state';
import { Button } from '../../kit/button';
import { GradeMark } from '../../kit/grade-mark';
import { Message } from '../../kit/message';
import { Segmented } from '../../kit/segmented';
import { Select } from '../../kit/select';
import { Coming, Empty } from '../../kit/states';
import { CrankSound } from '../../practice/crank-sound';
import { OwnExercises } from '../../practice/own-exercises';
import { PracticeResults } from '../../practice/practice-results';
import { PracticeVisit } from '../../practice/practice-visit';
import { BayDrawing } from './bay-drawing';
import type { InHand } from './bay-drawing';
import { CallDialog } from './call-dialog';
import { PracticeReview } from './practice-review';

const USUAL_CYLINDERS = 4;
type Help = 'with-help' | 'hints' | 'alone';

/** Tests that are taken whole, with an instrument of their own. */
const SPECIALS = TEST_NAMES.filter((test) => !isTakenByHand(test) && TESTS[test].unit !== 'rpm');

/** One exercise: the vehicle with its test points, the instrument, the hands, and what was written down. */
@Component({
  selector: 'tt-practice-bay',
  imports: [
    BayDrawing,
    Button,
    CallDialog,
    Coming,
    Empty,
    GradeMark,
    Message,
    PracticeReview,
    RouterLink,
    Segmented,
    Select,
    VehicleHands,
  ],
  providers: [PracticeVisit],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './practice-bay.html',
  styleUrl: './practice-bay.css',
  host: { '(document:keydown)': 'press($event)' },
})
export class PracticeBayScreen {
  readonly #figures = inject(Figures);
  readonly #voice = inject(Sentences).voice;
  readonly #results = inject(PracticeResults);
  readonly #sound = inject(Sound);
  readonly #own = inject(OwnExercises);
  protected readonly visit = inject(PracticeVisit);
  /** From the address. */
  readonly exercise = input.required<string>();
  protected readonly known = computed(() => this.#own.of(this.exercise()));
  protected readonly inHand = signal<InHand>('red');
  protected readonly help = signal<Help>('hints');
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
  protected readonly uses = BAY_FUNCTIONS.map((value) => ({ value, label: INSTRUMENT_FUNCTIONS[value].name }));
  protected readonly options = {
    throttle: [
      { value: 0, label: 'Idle' },
      { value: 0.55, label: '2,000 rpm' },
    ],
    isLoadTested: [
      { value: false, label: 'Tester off' },
      { value: true, label: 'Half the CCA' },
    ],
  };
  protected readonly hands = ['key', 'hasFuel', 'loads', 'throttle', 'isLoadTested'] as const;

  protected readonly shown = computed(() => {
    const bay = this.visit.bay();
    if (!bay) return '';
    const { value, decimals, unit } = bay.shown;
    if (value === null) return 'OL';
    return this.#figures.format().shown(value, unit, 10 ** -decimals, unit === 'V' && Math.abs(value) < 0.5);
  });
  protected readonly amps = computed(() => {
    const amps = this.visit.bay()?.clampAmps ?? null;
    return amps === null ? null : `${this.#figures.format().plain(amps, 1)} A in the clamp`;
  });
  protected readonly taking = computed(() => {
    const test = this.visit.bay()?.test ?? null;
    if (test !== null) return TESTS[test].name;
    return this.where() === ''
      ? 'Put the leads on two points.'
      : 'Nothing in the trade is read between these points just now.';
  });
  /** Where leads and clamp are, in words. */
  protected readonly where = computed(() => {
    const { red = null, black = null, clamp = null } = this.visit.bay()?.hands ?? {};
    return [
      red && `Red on ${TEST_POINTS[red]}`,
      black && `black on ${TEST_POINTS[black]}`,
      clamp && `clamp round ${CLAMP_PLACES[clamp]}`,
    ]
      .filter(Boolean)
      .join(', ');
  });
  protected readonly heard = computed(() => {
    const bay = this.visit.bay();
    if (!bay) return '';
    if (bay.isRunning) return `The engine runs, ${this.#figures.format().plain(Math.round(bay.rpm / 10) * 10, 0)} rpm.`;
    if (bay.vehicle.key !== 'start') return bay.vehicle.key === 'on' ? 'Key on, the engine stands.' : 'All quiet.';
    if (bay.rpm > 130) return 'It cranks.';
    return bay.rpm > 20 ? 'It cranks slowly.' : 'It does not crank.';
  });
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
  protected readonly readings = computed(() => {
    const voice = this.#voice();
    return [...(this.visit.visit()?.readings ?? [])].reverse().map(({ id, test, value, graded }) => ({
      id,
      name: TESTS[test].name,
      value:
        value === null ? 'not possible' : typeof value === 'object' ? 'each cell' : voice.value(test, value as number),
      grade: graded.grade,
      because: graded.because,
    }));
  });
  protected readonly seen = computed(() =>
    (this.visit.visit()?.observations ?? []).map(({ about, finding }) => ({
      about: OBSERVATIONS[about].asks,
      finding: finding.replaceAll('-', ' '),
    })),
  );
  protected readonly looks = OBSERVATION_NAMES.map((value) => ({ value, label: stepName(value) }));
  protected readonly specials = SPECIALS.map((value) => ({ value, label: TESTS[value].name }));
  protected readonly next = computed(() => {
    const next = this.help() === 'with-help' ? (this.visit.visit()?.next ?? null) : this.visit.hint();
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
      const { points, minutes, isRight } = scored.score;
      untracked(() => this.#results.add(this.exercise(), { at: new Date().toISOString(), points, minutes, isRight }));
    });
  }

  protected put(point: TestPoint): void {
    const lead = this.inHand();
    if (lead === 'clamp') return;
    this.visit.say({ kind: 'hands', hands: { [lead]: point } });
    // the other lead comes next
    if (lead === 'red' && this.visit.bay()?.hands.black === null) this.inHand.set('black');
  }
  protected clamp(clamp: 'battery-cables' | 'alternator-output' | 'tester-lead'): void {
    this.visit.say({ kind: 'hands', hands: { clamp } });
  }
  protected use(use: BayFunction): void {
    this.visit.say({ kind: 'hands', hands: { use } });
    if (use === 'amps-dc') this.inHand.set('clamp');
  }
  protected turn(hands: Partial<VehicleState>): void {
    this.visit.say({ kind: 'vehicle', hands });
  }
  protected look(about: ObservationName | null): void {
    if (about !== null) this.visit.say({ kind: 'look', about });
  }
  protected special(test: TestName | null): void {
    if (test !== null) this.visit.say({ kind: 'special', test });
  }
  protected call(call: PracticeCall): void {
    this.calling.set(false);
    this.visit.say({ kind: 'call', call });
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
