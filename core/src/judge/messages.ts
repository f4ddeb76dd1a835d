/** Everything the judge says, as codes with their parameters; the sentences are in `words/en`. */
import type { SignalPiece } from '../circuit/start-signal';
import type { DrainCircuit } from '../evidence/fuses';
import type { Reading } from '../format/reading-shape';
import { messages } from '../format/message';
import type { Message, NoParams } from '../format/message';
import type { FaultName, ObservationName, StepName, TestName } from '../format/names';
import type { JudgedPart, SymptomName } from '../format/words';
import type { CautionName } from '../evidence/cautions';
import type { ExcuseName } from '../trade/excuses';
import type { PieceName } from '../circuit/paths';
import type {
  GradedParams,
  DropParams,
  HealthOfWay,
  PackParams,
  OwnBatteryParams,
  NothingFoundParams,
  StillOpen,
} from './message-params';

export interface GradeMessages {
  readonly 'within-limit': GradedParams;
  readonly 'too-close': GradedParams & { readonly uncertainty: number | undefined };
  readonly borderline: GradedParams;
  readonly 'below-limit': GradedParams;
  readonly 'above-limit': GradedParams;
  readonly 'not-possible': { readonly test: TestName; readonly reason: string };
  readonly 'no-limit': { readonly reading: Reading };
}

export interface VoidMessages {
  readonly 'voided-by-hand': { readonly reason: string };
  readonly 'outside-physics': {
    readonly test: TestName;
    readonly value: number;
    readonly min: number;
    readonly max: number;
    readonly unit: string;
    readonly meant?: number;
  };
}

export interface FindingMessages {
  readonly 'drop-read': DropParams;
  readonly 'drop-left': DropParams;
  readonly 'path-open': { readonly test: TestName; readonly value: number };
  readonly health: { readonly health: number; readonly ways: readonly string[]; readonly battery?: number };
  readonly seen: { readonly about: ObservationName; readonly finding: string };
  readonly complaint: { readonly symptom: SymptomName };
  readonly age: { readonly years: number };
  readonly 'read-twice': { readonly reading: Reading };
  readonly 'well-outside': { readonly reading: Reading; readonly times: number };
  readonly 'did-not-crank': NoParams;
  readonly 'path-not-open': { readonly tests: readonly TestName[]; readonly fault: FaultName };
  readonly 'starter-open': NoParams;
  readonly 'would-clear-drop': {
    readonly test: TestName;
    readonly max: number;
    readonly isRead: boolean;
    readonly isNamed: boolean;
  };
  readonly 'would-clear': { readonly test: TestName; readonly bound: Message; readonly isNamed: boolean };
  readonly 'would-clear-look': { readonly step: StepName };
}

export interface DecisionMessages {
  readonly proven: {
    readonly fault: FaultName;
    readonly probability: number;
    readonly evidence?: Message;
    /** The pieces of a path to work on. */
    readonly place?: readonly PieceName[];
    /** Other causes that are ruled out. */
    readonly causes?: readonly (ExcuseName | FaultName)[];
    readonly pack?: PackParams;
    /** Of a drain: the fuse whose circuit takes the current. */
    readonly circuit?: DrainCircuit;
    /** Pieces of the start signal that could be open. */
    readonly open?: readonly SignalPiece[];
  };
  readonly repaired: { readonly fault: FaultName; readonly before: Reading; readonly after: Reading };
  readonly 'ruled-out': { readonly cause: ExcuseName | FaultName };
  readonly 'stop-here': NoParams;
  readonly 'go-on': { readonly minutes: number; readonly share: number };
  readonly 'charge-first': {
    readonly charge: number;
    readonly needed: number;
    readonly batteries?: readonly number[];
  };
  readonly 'none-found': NothingFoundParams;
  readonly 'none-found-beside': NothingFoundParams;
  readonly 'none-found-but-missing': NothingFoundParams;
  readonly leads: {
    readonly fault: FaultName;
    readonly probability: number;
    /** The other cause that the first step rules out. */
    readonly excuse?: ExcuseName;
    /** The first step, where it rules out no other cause of this fault. */
    readonly step?: StepName;
    /** Nothing was measured yet that counts. */
    readonly isGuess?: true;
  };
  readonly 'outside-unexplained': { readonly reading: Reading };
  readonly 'nothing-possible': NoParams;
  readonly 'may-be-frozen': { readonly celsius: number };
}
export interface VerdictMessages {
  readonly called: { readonly fault: FaultName; readonly evidence?: Message };
  readonly 'charge-first-part': NoParams;
  readonly suspected: StillOpen & { readonly fault: FaultName };
  readonly 'outside-across': { readonly reading: Reading; readonly part: JudgedPart };
  readonly 'path-fails': { readonly reading: Reading; readonly amps?: number; readonly bound?: Message };
  readonly 'path-to-narrow': { readonly reading: Reading; readonly amps?: number; readonly bound?: Message };
  readonly 'not-tested': StillOpen;
  readonly 'not-read-yet': StillOpen;
  readonly keep: { readonly part: JudgedPart; readonly readings: readonly Reading[] };
  readonly 'battery-replace': OwnBatteryParams;
  readonly 'battery-charge-first': OwnBatteryParams;
  readonly 'battery-not-proven': OwnBatteryParams;
  readonly 'battery-keep': OwnBatteryParams;
  readonly 'battery-not-tested': OwnBatteryParams;
}

export interface NextMessages {
  readonly 'resting-first': NoParams;
  readonly 'label-first': NoParams;
  readonly settles: { readonly step: StepName };
  readonly 'settles-and-asked': { readonly step: StepName };
  readonly 'jam-or-open': NoParams;
  readonly 'finds-what-is-open': NoParams;
  readonly 'ways-disagree': { readonly low: HealthOfWay; readonly high: HealthOfWay; readonly battery?: number };
  readonly 'charge-then-read': { readonly battery?: number };
  readonly 'instrument-first': { readonly check: ObservationName };
  readonly 'look-first': { readonly look: ObservationName };
  readonly 'read-both-again': NoParams;
  readonly 'read-again': { readonly reading: Reading };
  readonly 'look-again': { readonly about: ObservationName; readonly finding: string };
  readonly 'again-after-repair': NoParams;
  readonly 'somebody-may-be-hurt': NoParams;
  readonly 'no-current-to-read-by': NoParams;
  readonly 'void-without-current': NoParams;
  readonly 'on-the-charger': NoParams;
  readonly 'off-the-charger-first': NoParams;
  readonly 'engine-does-not-run': NoParams;
  readonly 'nothing-is-charged': NoParams;
  readonly 'resting-comes-first': NoParams;
  readonly 'taken-again-after-charge': NoParams;
  readonly 'charge-comes-first': { readonly needed: number };
  readonly 'spoilt-by-flat-battery': { readonly minutes: number };
}

export interface CautionMessages {
  readonly caution: { readonly caution: CautionName };
  readonly 'charging-not-read': NoParams;
  readonly 'local-rules': NoParams;
}

export type JudgeMessages = GradeMessages &
  VoidMessages &
  FindingMessages &
  DecisionMessages &
  VerdictMessages &
  NextMessages &
  CautionMessages;

export const message = messages<JudgeMessages>();

/** The codes of messages that may hold another message. */
type NestingCode<M> = {
  [C in keyof M]: Message extends M[C][keyof M[C]] ? C : never;
}[keyof M];

/** Messages that may hold another one: the compiler sees to it that none is missing. */
export const NESTING: Readonly<Record<NestingCode<JudgeMessages>, true>> = {
  'within-limit': true,
  'too-close': true,
  borderline: true,
  'below-limit': true,
  'above-limit': true,
  'would-clear': true,
  proven: true,
  'path-fails': true,
  'path-to-narrow': true,
  called: true,
};
