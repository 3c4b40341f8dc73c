import type { Art, Rider } from '@pace-line/core';
import { DEGREES, NumberField, PX } from '../../../fields/index.ts';
import { Row, Segments } from '../Card.tsx';
import { ChoiceRow, NumberRow } from '../rows.tsx';
import { useHeading } from './use-heading.ts';

/** Degrees a second with which a limit begins. */
const FIRST_LIMIT = 180;

/** How it turns: rounded corners, backing up, heading left, no faster than it may. */
export function TurningRows({ rider, art }: { rider: Rider; art: Art }) {
  const { heading } = rider;
  const patch = useHeading(rider);
  const looksLeft = Math.cos((art.facing * Math.PI) / 180) < 0;
  return (
    <>
      {heading.mode !== 'toward' && (
        <NumberRow
          label="Smoothed over"
          value={heading.smooth}
          unit="px"
          units={PX}
          min={0}
          max={100_000}
          onCommit={(smooth) => patch('Smooth heading', { smooth })}
        />
      )}
      {heading.mode !== 'toward' && (
        <ChoiceRow
          label="Backing up"
          title="Where it moves against the guide’s direction, and on the way back of there and back"
          value={heading.reverse}
          options={[
            ['keep', 'keeps facing'],
            ['turn', 'turns round'],
          ]}
          onChange={(reverse) => patch('Set backing up', { reverse })}
        />
      )}
      <ChoiceRow
        label="Heading left"
        title="Where it would be more upside down than upright"
        value={heading.left}
        options={[
          ['over', 'turns over'],
          ['mirror', 'is mirrored'],
        ]}
        onChange={(left) =>
          patch(left === 'mirror' ? 'Mirror when heading left' : 'Turn over when heading left', { left })
        }
      />
      {looksLeft && heading.left === 'over' && heading.mode === 'along' && (
        <p className="card-note">
          It is drawn facing left and flies upside down to the right.{' '}
          <button type="button" className="small-button" onClick={() => patch('Mirror it', { left: 'mirror' })}>
            mirror it instead
          </button>
        </p>
      )}
      {heading.mode !== 'level' && <LimitRow rider={rider} />}
    </>
  );
}

function LimitRow({ rider }: { rider: Rider }) {
  const { limit } = rider.heading;
  const patch = useHeading(rider);
  return (
    <Row label="Turns">
      {limit !== null && (
        <NumberField
          label="Degrees a second at most"
          value={limit}
          unit="°/s"
          units={DEGREES}
          digits={1}
          min={0.1}
          max={1e6}
          onCommit={(next) => patch('Limit turning', { limit: next })}
        />
      )}
      <Segments
        label="How fast it turns"
        value={limit === null ? 'free' : 'limited'}
        options={[
          ['free', 'at once'],
          ['limited', 'at most'],
        ]}
        onChange={(how) =>
          patch(how === 'free' ? 'Turn at once' : 'Limit turning', {
            limit: how === 'free' ? null : (limit ?? FIRST_LIMIT),
          })
        }
      />
    </Row>
  );
}
