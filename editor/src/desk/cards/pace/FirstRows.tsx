import { leadInOf, loopLength, setPace, type Rider } from '@pace-line/core';
import { useDocumentState } from '../../../document/index.ts';
import { ChoiceField } from '../../../fields/index.ts';
import { useDesk } from '../../context.ts';
import { Row } from '../Card.tsx';
import { changeEach, useChosen } from '../several.ts';

const FIRSTS = [
  { value: 'always', label: 'as always' },
  { value: 'hidden', label: 'hidden until it starts' },
  { value: 'only', label: 'plays once, before the loop' },
  { value: 'only-hidden', label: 'hidden, then once' },
] as const;

const BEFORE = [
  { value: 'auto', label: 'automatic' },
  { value: 'runs', label: 'runs' },
  { value: 'stands', label: 'stays at its start' },
] as const;

/** What is otherwise the first time: before the loop, in the lead-in. */
export function FirstRows({ rider }: { rider: Rider }) {
  const desk = useDesk();
  const chosen = useChosen(rider);
  const scene = useDocumentState((state) => state.shown);
  const { only, hidden, leadIn, delay } = rider.pace;
  const patch = (label: string, next: Parameters<typeof setPace>[1]['patch']): void =>
    changeEach(desk, label, chosen, (base, { id }) => setPace(base, { rider: id, patch: next }));
  const long = leadInOf(scene);
  const rounds = long / loopLength(scene.clock);
  const loops =
    Math.abs(rounds - Math.round(rounds)) < 1e-6
      ? ` (${Math.round(rounds)} ${Math.round(rounds) === 1 ? 'loop' : 'loops'})`
      : '';
  return (
    <>
      <Row of="pace.first">
        <ChoiceField
          label="First round"
          value={only ? (hidden ? 'only-hidden' : 'only') : hidden ? 'hidden' : 'always'}
          data={[...FIRSTS]}
          onChange={(value) =>
            patch('Change first round', {
              only: value?.startsWith('only') === true,
              hidden: value?.endsWith('hidden') === true,
            })
          }
        />
      </Row>
      {hidden && delay <= 0 && <p className="card-note">It starts at once: there is nothing to hide.</p>}
      {long > 0 && !only && (
        <Row of="pace.leadin">
          <ChoiceField
            label="In the lead-in"
            value={leadIn ?? 'auto'}
            data={[...BEFORE]}
            onChange={(value) =>
              patch('Change the lead-in', { leadIn: value === 'runs' || value === 'stands' ? value : null })
            }
          />
        </Row>
      )}
      {long > 0 && (only || (hidden && delay > 0)) && (
        <p className="card-note">
          The lead-in takes {Number(long.toFixed(3))} s{loops}. The arrow beside Play shows it
          {only && '; the sheet shows this pace from the loop’s start'}.
        </p>
      )}
    </>
  );
}
