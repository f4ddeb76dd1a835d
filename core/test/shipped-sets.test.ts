/** What a set that ships was when it had a version: jobs name the version they were judged by, so that figures never change under it. */
import { createHash } from 'node:crypto';
import { SCHOOLS } from '../src';

/** Of each set, by its version: the digest of all that it judges by. A version that was out is never taken off this list. */
const DIGESTS: Readonly<Record<string, Readonly<Record<number, string>>>> = {
  balanced: { 2: 'cbf9141162b4b9f8' },
  careful: { 2: '44ec7fbaef56ac64' },
  'heavy-duty': { 2: 'ad7d2e935fc64155' },
  'quick-check': { 2: 'da2ce4855a9a14e2' },
};

/** One text for one content, in whatever order its fields are written; notes explain, and judge nothing. */
const ordered = (value: unknown): unknown =>
  Array.isArray(value)
    ? value.map(ordered)
    : typeof value === 'object' && value !== null
      ? Object.fromEntries(
          Object.entries(value)
            .filter(([key]) => key !== 'note')
            .sort(([a], [b]) => (a < b ? -1 : 1))
            .map(([key, inner]) => [key, ordered(inner)]),
        )
      : value;

it.each(SCHOOLS.map(({ id }) => [id]))('%s is what it was under its version', (id) => {
  const { version, name: _name, ...judgesBy } = SCHOOLS.find((set) => set.id === id)!;
  const digest = createHash('sha256')
    .update(JSON.stringify(ordered(judgesBy)))
    .digest('hex')
    .slice(0, 16);
  if (DIGESTS[id]?.[version] !== digest)
    throw new Error(
      `The set ${id} is not what it was as version ${version}: raise its version in core/src/criteria/schools and write ` +
        `${version + 1}: '${digest}' here, beside what is there.`,
    );
});
