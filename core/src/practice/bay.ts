/**
 * The practice bay: a simulated vehicle in time with a hidden fault, leads that are put on its points, and what was read of
 * it so far. Nothing here knows of a screen; time passes when it is told to.
 */
import type { Flow } from '../circuit/points';
import { randomOf } from '../circuit/model/random';
import type { Case } from '../format/case-shape';
import type { ReadingConditions } from '../format/conditions';
import type { ObservationName, TestName } from '../format/names';
import { freezingCelsius } from '../battery/state-of-charge';
import { SimulatedVisit, halfCcaAmps } from '../simulation';
import type { Controls, VehicleInTime } from '../simulation';
import { Batteries, parked } from './batteries';
import { BayClock } from './bay-clock';
import { flowOf, seeingOf, testTaken } from './being-taken';
import { conditionsAt } from './conditions-at';
import { readFrom, shownBy } from './display';
import type { Shown } from './display';
import type { Exercise } from './exercise';
import { foundByHand } from './found-by-hand';
import { EMPTY_HANDS, clampBeside, handsFor } from './hands';
import type { Hands } from './hands';
import { BayInstruments } from './instruments';
import { betweenLeads, inJaws, isAtPosts, rippleBetween } from './probe';
import type { LeftBay } from './left-bay';
import { whyNot } from './refusals';
import type { Refusal } from './refusals';
import { StarterWatch } from './safety';
import type { SafetyEvent } from './safety';
import { sensed } from './senses';
import type { Sense } from './senses';
import { EngineAsked, NOTHING_OFF, isDisconnected } from './taken-off';
import type { TakenOff } from './taken-off';
import { wrench } from './wrench';

/** The model is looked at so often while something happens, s. */
const LOOK_S = 0.02;
/** Longer waits pass at once: nobody watches, s. */
const WATCHED_S = 5;
/** A battery under this is not loaded to be tested. */
const FLAT_BELOW = 0.5;
/** With its fuel stopped a vehicle takes little with the key on, A. */
const KEY_ON_AMPS = 3;
const CHARGED: readonly [number, number] = [0.95, 1];
/** After a full charge it rests for so long, s. */
const RESTED_S = 3600;

/** A charger of the shop, A, and its volts (12 V). */
const CHARGER_AMPS = 15;
const CHARGER_VOLTS = 14.4;
/** What a charge of twenty minutes leaves on the plates is what a drive leaves. */
const DRIVEN_S = 1200;
/** A tight engine that the plugs free was held in a cylinder. */
const FREED_BY_PLUGS = 0.4;
/** A crank tells of belt and plugs once it is steady, s. */
const STEADY_CRANK_S = 3;

/** What came of writing something down. */
export type Written =
  | { readonly test: TestName; readonly id: string }
  | { readonly seen: ObservationName }
  | { readonly why: 'no-test' | 'over-range' };

export class PracticeBay {
  readonly #visit: SimulatedVisit;
  readonly #random;
  readonly #batteries: Batteries;
  readonly #asked: EngineAsked;
  readonly #isFreedByPlugs: boolean;
  #model: VehicleInTime;
  #hands: Hands = EMPTY_HANDS;
  #off: TakenOff = NOTHING_OFF;
  readonly #instruments: BayInstruments;
  readonly #starter = new StarterWatch();
  readonly #clock = new BayClock();

  constructor(readonly exercise: Exercise) {
    const { faults, severity, seed, setting = {} } = exercise;
    const { kind, isLabelMisread = false, isJustCharged = false, instruments = {} } = setting;
    this.#random = randomOf(seed + 1);
    this.#visit = new SimulatedVisit({ faults, severity, seed, isLabelMisread, ...(kind && { kind }) });
    this.#instruments = new BayInstruments(instruments, this.#random);
    this.#batteries = new Batteries(this.vehicle, this.#random);
    this.#isFreedByPlugs = faults.includes('engine-drag') && this.#random.chance(FREED_BY_PLUGS);
    this.#asked = new EngineAsked(this.vehicle, this.#isFreedByPlugs);
    this.#model = parked(this.vehicle, KEY_ON_AMPS);
    if (isJustCharged) this.#chargeFor(DRIVEN_S);
    this.take({});
  }

  get hands(): Hands {
    return this.#hands;
  }
  /** Of the vehicle, or of the battery that is isolated. */
  get controls(): Controls {
    return this.#subject.controls;
  }
  get instant() {
    return this.#subject.instant;
  }
  get takenOff(): TakenOff {
    return this.#off;
  }
  /** Lowest, highest and mean of the recorder; null while it is off. */
  get recorded() {
    return this.#instruments.kept;
  }
  get vehicle() {
    return this.#visit.vehicle;
  }
  /** What is needed to go on later. */
  get left(): LeftBay {
    const { readings, observations = [] } = this.case;
    const { faults: instruments } = this.#instruments;
    const { charges } = this.#batteries;
    const { safety } = this;
    return { readings, observations, hands: this.#hands, takenOff: this.#off, instruments, charges, safety };
  }
  /** Goes on where a visit was left: the vehicle has stood meanwhile, its key off. */
  takeUp({ readings, observations, hands, takenOff, instruments, charges, safety }: LeftBay): void {
    this.#visit.takeUp({ readings, observations });
    this.#batteries.charges = charges;
    this.#instruments.faults = instruments;
    this.#off = takenOff;
    this.#asked.take(takenOff);
    this.#model = parked(this.vehicle, KEY_ON_AMPS);
    for (const event of safety) this.#starter.note(event);
    this.take(hands);
  }
  /** What was read and seen so far, as the judge is given it. */
  get case(): Case {
    return { ...this.#visit.case, title: this.exercise.title };
  }
  get safety(): readonly SafetyEvent[] {
    return this.#starter.events;
  }

  /** Puts a lead or the clamp somewhere, sets the instrument, or isolates a battery. */
  take(change: Partial<Hands>): void {
    const { isRecording, use, battery } = this.#hands;
    this.#hands = { ...this.#hands, ...change };
    const now = this.#hands;
    if (now.battery !== battery) this.#model.set({ key: 'off', testerAmps: 0 });
    if (now.isRecording !== isRecording || now.use !== use)
      this.#instruments.record(now.isRecording ? (now.use === 'amps-dc' ? 'amps' : 'volts') : null);
    this.#instruments.begin(betweenLeads(this.#probing), inJaws(this.#probing), now.range);
  }

  /** Turns the key, stops the fuel, switches loads. @returns why it cannot be done; null where it was. */
  set(change: Partial<Controls>): Refusal | null {
    const why = whyNot(change, { off: this.#off, instant: this.instant, isIsolated: this.#hands.battery !== null });
    if (why !== null) return why;
    const isLoading = (change.testerAmps ?? 0) > 0 || change.key === 'start';
    if (isLoading && this.#isFrozen) this.#starter.note('frozen-tested');
    if ((change.testerAmps ?? 0) > 0 && this.controls.chargerAmps > 0) this.#starter.note('sparks');
    this.#subject.set(this.#off.arePlugsOut ? { ...change, hasFuel: false } : change);
    return null;
  }

  /** Takes belt, plugs or a battery clamp off, or puts them on again. @returns why it cannot be done. */
  takeOff(change: Partial<TakenOff>): Refusal | null {
    const next = { ...this.#off, ...change };
    const isTurning = this.instant.isRunning || this.controls.key === 'start';
    const { refusal, events } = wrench(this.#off, next, { isTurning, isCharging: this.controls.chargerAmps > 0 });
    if (refusal !== null) return refusal;
    for (const event of events) this.#starter.note(event);
    this.#off = next;
    this.#asked.take(next);
    if (isDisconnected(next)) this.#model.set({ key: 'off', loads: 'off', lamps: false });
    return null;
  }

  /** A load tester across the posts, at half the CCA. */
  loadTest(isOn: boolean): Refusal | null {
    return this.set({ testerAmps: isOn ? halfCcaAmps(this.#subject.vehicle) : 0 });
  }
  /** The shop's charger on the posts. */
  putOnCharger(isOn: boolean): Refusal | null {
    const { scale } = this.#subject.vehicle;
    return this.set({ chargerAmps: isOn ? CHARGER_AMPS : 0, chargerVolts: CHARGER_VOLTS * scale });
  }

  /** Instruments as they should be: leads changed, the clamp large, zeroed and rightly set, a meter that blocks DC. */
  checkInstruments(): void {
    this.#instruments.faults = {};
    this.take({ clamp: null });
  }
  /** One of the remedies for an instrument. */
  mend(what: 'leads' | 'zero' | 'clamp' | 'meter'): void {
    if (what === 'leads') this.#instruments.changeLeads();
    else if (what === 'zero') this.#instruments.zeroClamp();
    else if (what === 'clamp') this.#instruments.takeLargeClamp();
    else this.#instruments.takeOtherMeter();
    this.take({});
  }

  /** Lets time pass. @param seconds 0 or more. */
  advance(seconds: number): void {
    if (seconds > WATCHED_S) {
      this.#subject.advance(seconds - WATCHED_S);
      this.#tick(seconds - WATCHED_S);
    }
    for (let left = Math.min(seconds, WATCHED_S); left > 1e-9; left -= LOOK_S) {
      const stepS = Math.min(left, LOOK_S);
      this.#subject.advance(stepS);
      this.#tick(stepS);
      this.#follow(stepS);
    }
  }

  /** What the instrument shows. */
  get shown(): Shown {
    const { instant } = this;
    const { vehicle } = this.#subject;
    return shownBy({ hands: this.#hands, vehicle, instant, instruments: this.#instruments, ripple: this.#ripple });
  }
  /** Amps of the clamp, beside volts: two instruments at one moment; null where it is round nothing. */
  get clampAmps(): number | null {
    return this.#hands.clamp === null ? null : this.#instruments.amps.value;
  }

  /** What is heard, seen and smelled just now. */
  get senses(): readonly Sense[] {
    return sensed(this.vehicle, this.#model.controls, this.#model.instant, this.#off);
  }

  /** The test that is being taken; null where no test of the trade is read so. */
  get test(): TestName | null {
    return this.seeing === null ? testTaken(this.#hands, this.flow) : null;
  }
  /** What a steady crank with belt or plugs off shows; null for any other moment. */
  get seeing(): ObservationName | null {
    return seeingOf(this.flow, this.#off);
  }
  get flow(): Flow {
    return flowOf(this.controls, this.instant);
  }

  /** Writes down what the instrument shows, as the test that is being taken. */
  write(): Written {
    const { test, seeing } = this;
    if (seeing !== null) {
      if (this.#clock.times.crankedS < STEADY_CRANK_S) return { why: 'no-test' };
      this.look(seeing);
      return { seen: seeing };
    }
    if (test === null) return { why: 'no-test' };
    const value = readFrom(this.shown, this.flow === 'none' ? null : this.recorded, this.#hands);
    if (value === null) return { why: 'over-range' };
    if (this.flow === 'cranking' && this.controls.hasFuel) this.#starter.note('fuel-not-stopped');
    if ((this.flow === 'cranking' || this.flow === 'load') && this.#subject.vehicle.charge < FLAT_BELOW)
      this.#starter.note('loaded-flat');
    // a minus sign is only the arrow, or the order of the leads
    const isSigned = test === 'battery-current';
    const read = isSigned ? value : Math.abs(value);
    const { battery } = this.#hands;
    const measured = { value: read, conditions: this.#conditions(test), ...(battery !== null && { battery }) };
    return { test, id: this.#visit.note(test, measured) };
  }
  /** Looks, listens or feels. */
  look(about: ObservationName): void {
    const { accessorySeized: isAccessorySeized } = this.vehicle;
    const felt = { isFrozen: this.#isFrozen, isAccessorySeized, isFreedByPlugs: this.#isFreedByPlugs };
    const finding = foundByHand(about, felt) ?? this.#instruments.finding(about);
    if (finding === undefined) this.#visit.do(about);
    else this.#visit.observed(about, finding);
  }
  /** Takes a test that needs an instrument of its own: a hydrometer, a recorder, a night. */
  special(test: TestName, conditions: ReadingConditions = {}): void {
    this.#visit.do(test, conditions);
  }
  /** Reads the label again, large. */
  readLabel(): void {
    this.#visit.do('label');
  }
  /** Charges the battery fully, the isolated one or all, and lets it rest. */
  charge(): void {
    const { battery } = this.#hands;
    this.set({ key: 'off', loads: 'off', testerAmps: 0, chargerAmps: 0 });
    this.#batteries.charges = this.#batteries.charges.map((charge, at) =>
      battery === null || battery === at + 1 ? Math.max(charge, this.#random.between(...CHARGED)) : charge,
    );
    if (battery === null) this.#model = parked(this.vehicle, KEY_ON_AMPS);
    this.#clock.chargedAndRested(RESTED_S);
    this.#follow(0);
  }
  /** Headlamps for two minutes, then off for two and a half: what a charge left on the plates is gone. */
  clearSurfaceCharge(): void {
    this.set({ lamps: true });
    this.advance(120);
    this.set({ lamps: false });
    this.advance(150);
  }
  /** A charge is still on the plates. */
  get isSurfaceCharged(): boolean {
    return this.#clock.isSurfaceCharged;
  }

  /** Leads, clamp and instrument as a test wants them. @returns false for one that no instrument of the bay reads. */
  takeFor(test: TestName, battery: number | null = null): boolean {
    const hands = handsFor(test);
    if (hands) this.take({ ...hands, clamp: hands.clamp ?? clampBeside(test), isClampTurned: false, battery });
    return hands !== null;
  }

  #chargeFor(seconds: number): void {
    this.putOnCharger(true);
    this.#model.advance(seconds);
    this.putOnCharger(false);
    this.#model.fallAsleep();
    this.#clock.charged();
  }

  #conditions(test: TestName): ReadingConditions {
    return conditionsAt(test, {
      vehicle: this.#subject.vehicle,
      controls: this.controls,
      instant: this.instant,
      clock: this.#clock.times,
      clampAmps: this.clampAmps,
      postVolts: isAtPosts(this.#hands) ? this.#instruments.volts.value : null,
      isRecorded: this.recorded !== null,
      target: this.#model.alternator.target,
    });
  }

  /** The battery that is isolated, or the whole vehicle. */
  get #subject(): VehicleInTime {
    return this.#batteries.units[(this.#hands.battery ?? 0) - 1] ?? this.#model;
  }
  /** By its charge and the weather, before anything was done about it. */
  get #isFrozen(): boolean {
    const { celsius, charge } = this.#subject.vehicle;
    return celsius < freezingCelsius(charge);
  }
  get #ripple(): number {
    return this.#instruments.acOf(rippleBetween(this.#probing), betweenLeads(this.#probing));
  }
  get #probing() {
    return {
      hands: this.#hands,
      vehicle: this.#subject.vehicle,
      controls: this.controls,
      instant: this.instant,
      off: this.#off,
    };
  }
  #follow(stepS: number): void {
    const probing = this.#probing;
    this.#instruments.follow(betweenLeads(probing), inJaws(probing), stepS);
  }
  #tick(stepS: number): void {
    const { controls, instant } = this;
    this.#starter.pass(stepS, controls, instant);
    this.#clock.tick(stepS, controls, instant);
  }
}
