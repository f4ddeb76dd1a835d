/** What voltage drops say: each piece of a path by its own reading, a whole path by what its parts leave. */
import { limitsOf } from '../../criteria/criteria-set';
import { threshold, weightOf } from '../../criteria/weights';
import { spreadOf } from '../../criteria/spreads';
import { FAULTS } from '../../trade/tables';
import { PATH_TESTS, PIECES, isPartOf, pathOf, piecesOf } from '../../circuit/paths';
import type { PathTest, PieceName } from '../../circuit/paths';
import type { FaultName } from '../../format/names';
import type { Message } from '../../format/message';
import { SOME_AMPS, toldAmps, usualAmps } from '../../evidence/path-amps';
import type { PathRest } from '../../evidence/path-solution';
import { toPlainLimit } from '../../criteria/usual-amps';
import type { GradedCase } from '../../evidence/case-context';
import type { DerivedCase } from '../../evidence/derived-case';
import { causeOf, weigh } from '../../evidence/finding';
import type { Cause, Finding } from '../../evidence/finding';
import { message } from '../messages';

/** Noise of a drop reading (12 V), V: keeps a few millivolts from counting as evidence. */
const FLOOR_VOLTS = 0.01;
/** Of a whole path's limit its measured parts may use up this share of their own limits, but leave this much. */
const PARTS_USE = 0.5;
const MIN_LEFT = 0.4;
/** Share of a piece that lies in this path besides the one the reading is meant for. */
const BESIDES = 0.9;

/** Limit of a path in the set in use, V at the usual current, 12 V. */
export function dropLimit(test: PathTest, { criteria }: GradedCase): number {
  for (const { rule } of limitsOf(criteria, test)) if (rule.kind === 'drop') return rule.max;
  return pathOf(test).lenientVolts;
}

/** What the voltage drops of a case say: for each path what its measured parts leave unexplained. */
export function pathFindings({ gradedCase, figures }: DerivedCase): readonly Finding[] {
  const { rests } = figures.paths;
  const passing = rests.filter(({ reading }) => gradedCase.grades.get(reading.id)?.grade !== 'outside');
  // what an open piece leaves of a whole that carries no current is the difference of two meters
  const telling = rests
    .filter(({ isOpen, amps }) => isOpen || amps > SOME_AMPS)
    .sort((a, b) => PATH_TESTS.indexOf(a.test) - PATH_TESTS.indexOf(b.test));
  return telling.map((rest) => {
    const finding = findingOf(rest, gradedCase, passing);
    return finding.weight >= 0 ? finding : { ...finding, causes: cleared(finding.causes, rest, passing) };
  });
}

/**
 * The faults that a good reading clears. A fault may sit in several pieces: one that is good does not clear it
 * while another of its pieces loses too much.
 */
const cleared = (causes: readonly Cause[], rest: PathRest, passing: readonly PathRest[]): readonly Cause[] =>
  causes.filter(({ fault }) =>
    piecesOf(fault).every(
      (piece) => rest.pieces.includes(piece) || passing.some(({ pieces }) => pieces.includes(piece)),
    ),
  );

function findingOf(rest: PathRest, gradedCase: GradedCase, passing: readonly PathRest[]): Finding {
  const source = { reading: rest.reading.id };
  const own = suspects(rest, passing);
  if (rest.isOpen)
    return {
      causes: own,
      weight: weightOf('open-path'),
      source,
      says: message('path-open', { test: rest.test, value: Math.abs(rest.reading.value) }),
    };
  const limit = restLimit(rest, gradedCase);
  const usual = usualAmps(pathOf(rest.test).loadedBy, gradedCase);
  const factor = usual === null ? 1 : toPlainLimit(rest.amps, usual);
  const volts = (Math.max(0, rest.volts - (rest.parts.length > 0 ? rest.spread : 0)) * factor) / gradedCase.scale;
  const value = Math.log((volts + FLOOR_VOLTS) / limit);
  const { sound, faulty } = spreadOf('drop');
  const weight = weigh(value, { sound, faulty: [faulty[0] - Math.log(limit), faulty[1]] }, threshold('directOutliers'));
  // who else lies across a piece decides where a loss is; what loses nothing has no bad piece
  const causes = weight < 0 ? causesIn(rest.pieces, rest) : own;
  return { causes, weight, source, says: saysOf(rest, gradedCase), figure: { spread: 'drop', value } };
}

/** What is left of a path's limit when its measured parts are taken off. */
function restLimit({ test, parts }: PathRest, gradedCase: GradedCase): number {
  const whole = dropLimit(test, gradedCase);
  const used = parts.reduce((sum, part) => sum + dropLimit(part, gradedCase) * PARTS_USE, 0);
  return Math.max(whole - used, whole * MIN_LEFT);
}

/** Faults of the pieces that are left, less those that another reading excuses. */
function suspects(rest: PathRest, passing: readonly PathRest[]): readonly Cause[] {
  const open = rest.pieces.filter((piece) => !isExcused(piece, rest, passing));
  return causesIn(open.length > 0 ? open : rest.pieces, rest);
}

function causesIn(pieces: readonly PieceName[], { test }: PathRest): readonly Cause[] {
  const faults = new Set<FaultName>(pieces.map((piece) => PIECES[piece].fault));
  return [...faults].map((fault) => causeOf(fault, FAULTS[fault].where === test ? 1 : BESIDES));
}

/** True where another reading across this piece lies inside its limit: it cannot lose much here either. */
const isExcused = (piece: PieceName, rest: PathRest, passing: readonly PathRest[]): boolean =>
  passing.some(({ test }) => test !== rest.test && pathOf(test).pieces.includes(piece) && !isPartOf(rest.test, test));

function saysOf(rest: PathRest, gradedCase: GradedCase): Message {
  const { test, reading, amps } = rest;
  const told = toldAmps(reading, gradedCase);
  const usual = usualAmps(pathOf(test).loadedBy, gradedCase);
  const factor = usual === null ? 1 : toPlainLimit(amps, usual);
  const limit = dropLimit(test, gradedCase) * gradedCase.scale;
  const value = Math.abs(reading.value);
  const hasParts = rest.parts.length > 0;
  return message(hasParts ? 'drop-left' : 'drop-read', {
    test,
    value,
    amps: told,
    allowed: told === undefined ? limit : limit / factor,
    left: hasParts ? rest.volts : undefined,
    parts: hasParts ? rest.parts : undefined,
  });
}
