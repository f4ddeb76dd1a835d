import { judge, SimulatedVisit, TUNING_SPREAD } from '@tetrad/core';
const [, , fault, seed, sev] = process.argv;
const v = new SimulatedVisit({
  faults: [fault as never],
  seed: Number(seed),
  severity: Number(sev ?? 0.6),
  spread: TUNING_SPREAD,
});
v.do('resting-voltage');
let g = judge(v.case);
let n = 1;
console.log(JSON.stringify(v.case.complaint?.symptoms));
while (n < 40) {
  const last = v.case.readings.at(-1)!;
  const lo = v.case.observations?.at(-1);
  console.log(
    n,
    last.test,
    JSON.stringify(last.value),
    last.notPossible ?? '',
    g.readings.at(-1)?.grade,
    '| obs',
    lo?.about,
    lo?.finding,
    '|',
    g.decision.action,
    g.decision.fault,
    '|',
    g.faults
      .slice(0, 4)
      .map((f) => f.fault + ' ' + f.probability.toFixed(2))
      .join(', '),
    '| next',
    g.next.map((x) => x.test).join(','),
  );
  if (g.next.length === 0 || (g.decision.action !== 'test-next' && g.decision.action !== 'charge-first')) break;
  v.do(g.next[0]!.test as never, g.next[0]!.conditions);
  g = judge(v.case);
  n++;
}
console.log(g.decision.because, JSON.stringify(g.parts));
for (const f of g.faults.slice(0, 3)) {
  console.log(f.fault, f.probability);
  f.evidence.forEach((e) => console.log('   ', e.weight, e.says));
}
