/** The shape of `tetrad-capture/1`: what was found in a recording. */
import type { Reading } from './reading-shape';
import { TEST_WORDS } from './trade-words';
import { anything, either, integer, list, nothing, number, object, text, word } from './shape';
import type { Infer, JsonSchema } from './shape';

export const CAPTURE_FORMAT = 'tetrad-capture/1';
export const SAMPLE_ENCODING = 'base64-float32-le';

export const CHANNEL_ROLES = ['volts', 'amps', 'field', 'ground', 'unused'] as const;
/** Volts at the battery's posts; amps of the clamp; field command; volts lost in the ground. */
export type ChannelRole = (typeof CHANNEL_ROLES)[number];

export const SEGMENT_KINDS = ['rest', 'key-on', 'inrush', 'crank', 'recovery', 'charging'] as const;
export type SegmentKind = (typeof SEGMENT_KINDS)[number];

export const FINDINGS = [
  'clamp-saturated',
  'clamp-reversed',
  'clamp-scale',
  'volts-clipped',
  'rate-too-low',
  'weak-cylinder',
  'diode-open',
  'diode-shorted',
  'not-charging',
  'did-not-start',
  'truncated',
] as const;
export type FindingName = (typeof FINDINGS)[number];

const seconds = number({ min: 0, unit: 's' });
const confidence = number({ min: 0, max: 1 });
const maybe = either(number(), nothing());
const stretch = { fromS: seconds, toS: seconds };
const said = { code: text(1, 80), with: anything<Readonly<Record<string, unknown>>>({ type: 'object' }) };

const channel = object(
  { name: text(1, 200), quantity: word(['volts', 'amps'] as const), scale: number(), column: integer(1, 64) },
  { role: word(CHANNEL_ROLES), origin: word(['told', 'recognised', 'chosen'] as const) },
);
const segment = object({ kind: word(SEGMENT_KINDS), ...stretch }, {});
const reading = object(
  { id: text(1, 80), test: word(TEST_WORDS), value: number(), uncertainty: number({ min: 0 }), ...stretch, confidence },
  { conditions: anything<NonNullable<Reading['conditions']>>({ type: 'object' }) },
);
const finding = object({ finding: word(FINDINGS), confidence, because: text(1), ...said }, stretch);
const cylinder = object({ index: integer(1, 16), relative: number({ min: 0, max: 1 }) }, {});
const ripple = object(
  {
    peakToPeakV: number({ min: 0 }),
    rmsV: number({ min: 0 }),
    humpHz: maybe,
    humpsMissing: maybe,
    regularity: number({ min: 0, max: 1 }),
  },
  {},
);
const line = object({ hz: number({ above: 0 }), rmsV: number({ min: 0 }) }, {});

export const captureShape = object(
  {
    format: word([CAPTURE_FORMAT]),
    sampleRateHz: number({ above: 0 }),
    samples: integer(1, 50_000_000),
    seconds: number({ above: 0 }),
    channels: list(channel, 1, 8),
    segments: list(segment),
    readings: list(reading),
    findings: list(finding),
    cylinders: list(cylinder, 0, 16),
    crankingRpm: maybe,
    ripple: either(ripple, nothing()),
  },
  {
    /** Compressions a second, also where the number of cylinders is not known. */
    compressionsHz: maybe,
    /** The battery's resistance from many samples of the start. */
    resistance: either(object({ ohm: number({ above: 0 }), error: number({ min: 0 }) }, {}), nothing()),
    chargingAmps: maybe,
    field: either(object({ dutyPercent: number(), reservePercent: number() }, { hz: maybe }), nothing()),
    groundNoiseV: maybe,
    frequencies: list(line),
    gaps: list(object(stretch, {})),
    /** Lowest and highest of equal stretches, for a picture without the samples. */
    outline: object({ volts: list(number(), 0, 2000) }, { amps: list(number(), 0, 2000) }),
    data: object(
      {
        encoding: word([SAMPLE_ENCODING]),
        t0S: number(),
        dtS: number({ above: 0 }),
        columns: list(text(0, 400_000_000), 1, 8),
      },
      {},
    ),
  },
);
export type Capture = Infer<typeof captureShape>;
export type CaptureReading = Capture['readings'][number];
export type CaptureFinding = Capture['findings'][number];
export type CaptureSegment = Capture['segments'][number];

/** The readings as they stand in a case. */
export const asCaseReading = ({ id, test, value, uncertainty, conditions }: CaptureReading): Reading => ({
  id,
  test,
  value,
  uncertainty,
  ...(conditions && { conditions }),
});
export const captureSchema: JsonSchema = {
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  $id: CAPTURE_FORMAT,
  title: 'What was found in a recording',
  ...captureShape.schema,
};
