/**
 * The words of the product that are not the name of a test, an observation or a fault: one meaning each, used on the
 * screen, on paper, in documents and in the code. `docs/glossary.md` is written from here.
 */
export const GLOSSARY: Readonly<Record<string, string>> = {
  'Acknowledged caution': 'A safety caution that somebody has confirmed by name and time, once for a job.',
  Attempt: 'One of several starts in a row, counted from 1.',
  'Audit log': 'Who did what, when and from where; each entry holds the hash of the one before.',
  Bench: 'The screen of one job: the route, the step at hand, what it says, and the foot with profile and volt budget.',
  Borderline:
    'Grade: inside the limit, but closer to it than its borderline zone or the meter allows; `near` in files.',
  Capture: 'A recorded waveform of volts and amps, and what was found in it.',
  CCA: 'Cold cranking amps: the current of the rating standard on the label (SAE unless another is named).',
  'Charge first': 'Verdict: the battery is too empty to be judged. Charge it, then repeat the test.',
  Comparison: 'The same tests before and after a repair, side by side.',
  'Control circuit': 'Relay, fuse, switches and wiring that close the solenoid or excite the alternator.',
  'Deciding reading': 'The reading without which the decision would fall.',
  Drain: 'Current that flows with everything off and asleep.',
  Drop: 'Voltage drop: volts lost along a path while its current flows.',
  Evidence: 'What a reading, an observation or the complaint says for or against a fault, with its weight.',
  Excuse: 'Another cause that could give the same readings; it must be ruled out before a part is replaced.',
  'Four-note profile':
    'Resting, cranking and charging voltage on one scale, with the ripple as the thickness of the line.',
  Grade: 'How a reading stands to its limit: within, borderline, outside, void or noted.',
  Health: 'What a battery can still deliver, as a share of its rating; it says nothing of its charge.',
  Inrush: 'The first half second of a start: lowest volts and highest amps.',
  'Job list': 'The screen of all jobs: open ones with what each waits for, closed ones with how they ended.',
  Job: 'One visit of one vehicle: complaint, readings, judgement, repair and sign-off.',
  Keep: 'Verdict: the part was tested and is within its limits.',
  Label: 'What is printed on the battery: chemistry, rating with its standard, capacity.',
  Limit: 'The allowed range of a test in the limit set in use; the maker’s specification wins over it.',
  'Limit set':
    'A named, versioned set of limits, with what a decision may cost: Balanced, Quick check, Careful, Heavy duty. `criteria` in files.',
  Method: 'How a reading was caught: watched, min-max, fast-peak, scope or scan-tool.',
  'Not proven yet': 'Verdict: the part is suspected, and other causes are not ruled out.',
  'Not tested': 'Verdict: no reading speaks of the part.',
  Noted: 'Grade: no limit applies to the reading; it passes nothing.',
  Observation: 'What is seen, heard or tried by hand.',
  Outbox: 'What was entered on this device and is not stored on the server yet.',
  Path: 'The part of the circuit between the two leads of a drop; it is the sum of its pieces.',
  Phone: 'A second device that was let into one job by its code.',
  Piece: 'The smallest part of the circuit that loses volts: a post, a cable, the solenoid contacts, a strap.',
  Reading:
    'One measured value with its method, conditions and instrument. It is never changed: it is voided and taken again.',
  Repair: 'Verdict: a connection, cable, ground or control circuit is put right without a new part.',
  Replace: 'Verdict: the part is bad, and other causes are ruled out.',
  'Resting voltage': 'Battery voltage with everything off and the surface charge removed.',
  Ripple: 'The alternating part of the charging voltage.',
  Route: 'All steps of a job in working order.',
  'State of charge': 'How full the battery is, from its resting voltage; it says nothing of its health.',
  'Surface charge':
    'Extra voltage left on the plates after charging or driving; it makes the resting voltage read high.',
  Symptom: 'What the customer says or the driver notices.',
  Void: 'Grade: the reading must not be judged, with the reason.',
  'Volt budget': 'Where the volts go: what the battery, posts, cables, solenoid and ground lose, and what is left.',
  Wait: 'A timer of a step: lamps on, settle, charge, cool down, sleep.',
  Wheel: 'The screen of the phone at the steering wheel: the crank count-down and the reading.',
};
