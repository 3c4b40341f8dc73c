import { expect, test } from 'vitest';
import { LINE, riderOn, sceneOf } from '../../testing/scenes.ts';
import { acceptFinding, reopenFinding, setBounds, setClearance } from './checks.ts';

const place = { by: 'node', node: 'a' };
const scene = sceneOf({
  guides: [LINE],
  riders: ['one', 'two', 'three'].map((id) => riderOn(id, 'line', [{ time: 0, place }])),
});
const finding = { check: 'clearance', riders: ['one', 'two'], found: 'overlap 0.10–0.20 s', why: '' };

test('how far riders keep apart is kept within what a file may say', () => {
  expect(setClearance(scene, { clearance: 12.5 }).checks.clearance).toBe(12.5);
  expect(setClearance(scene, { clearance: -3 }).checks.clearance).toBe(0);
  expect(setClearance(scene, { clearance: 1e9 }).checks.clearance).toBe(10_000);
});

test('a finding is accepted once, with what it said last; and taken back', () => {
  const accepted = acceptFinding(scene, { finding });
  const again = acceptFinding(accepted, {
    finding: { ...finding, found: 'overlap 0.10–0.30 s', why: 'they shake hands' },
  });
  expect(again.checks.meant).toEqual([{ ...finding, found: 'overlap 0.10–0.30 s', why: 'they shake hands' }]);
  const other = acceptFinding(again, { finding: { ...finding, riders: ['two', 'three'] } });
  expect(other.checks.meant).toHaveLength(2);
  expect(reopenFinding(other, { finding: { check: 'clearance', riders: ['one', 'two'] } }).checks.meant).toEqual([
    { ...finding, riders: ['two', 'three'] },
  ]);
});

test('what was said of riders that are gone goes with the next that is said', () => {
  const accepted = acceptFinding(scene, { finding });
  const gone = { ...accepted, riders: accepted.riders.filter(({ id }) => id !== 'two') };
  const next = acceptFinding(gone, { finding: { ...finding, check: 'seam', riders: ['one'] } });
  expect(next.checks.meant.map(({ check }) => check)).toEqual(['seam']);
});

test('what a rider stays within is set anew, and that of riders that are gone goes with it', () => {
  const lane = { side: 'in', area: { kind: 'lane', guide: 'line' }, by: 'pivot' } as const;
  const art = { side: 'out', area: { kind: 'art', rider: 'three', part: 'rock' }, by: 'body' } as const;
  const both = setBounds(setBounds(scene, { rider: 'one', bounds: [lane] }), { rider: 'two', bounds: [lane, art] });
  expect(both.checks.bounds.map(({ rider }) => rider)).toEqual(['one', 'two', 'two']);
  const again = setBounds(both, { rider: 'two', bounds: [art] });
  expect(again.checks.bounds).toEqual([
    { ...lane, rider: 'one' },
    { ...art, rider: 'two' },
  ]);
  const gone = { ...again, riders: again.riders.filter(({ id }) => id !== 'one') };
  expect(setBounds(gone, { rider: 'two', bounds: [] }).checks.bounds).toEqual([]);
});
