import { Table, Textarea } from '@mantine/core';
import { IconArrowNarrowDown, IconArrowNarrowUp } from '@tabler/icons-react';
import { useState } from 'react';
import {
  distanceOfPlace,
  guideById,
  marksAsText,
  marksFromText,
  pathOfGuide,
  retimeMark,
  riderById,
  setDwell,
  setMarks,
  wordsOfLeg,
  type Guide,
  type Mark,
  type Rider,
} from '@pace-line/core';
import { selectRider, useDocumentState, useDocument } from '../../document/index.ts';
import { NumberField, secondsAt } from '../../fields/index.ts';
import { tell } from '../../look/notices.tsx';
import { perform } from '../actions/change.ts';
import { sayLost } from '../actions/saying.ts';
import { changeLegSpeed, placed } from '../actions/marks.ts';
import { PlaceField } from '../cards/PlaceField.tsx';
import { useDesk } from '../context.ts';
import { sceneOf } from '../desk.ts';
import { Drawer } from '../drawers/Drawer.tsx';
import { EaseCurve } from '../ease/EaseCurve.tsx';
import './marks-table.css';

/** The marks of the selected rider in exact numbers, and as text. */
export function MarksDrawer() {
  const scene = useDocumentState((state) => state.shown);
  const rider = useDocumentState(({ shown, selection }) => riderById(shown, selection.riders[0] ?? ''));
  const guide = guideById(scene, rider?.guide ?? null);
  return (
    <Drawer title="Marks">
      {rider && guide ? (
        <>
          <MarksTable rider={rider} guide={guide} />
          <MarksText key={rider.id} rider={rider} guide={guide} />
        </>
      ) : (
        <p className="card-note">Select a rider on a guide: its marks are listed here.</p>
      )}
    </Drawer>
  );
}

/** A mark with what its row shows. */
interface Row {
  readonly mark: Mark;
  readonly number: number;
  readonly place: number;
  /** Mean speed of the leg after it, px/s; undefined after the last. */
  readonly speed: number | undefined;
}

const COLUMNS = [
  ['number', 'mark'],
  ['time', 'time'],
  ['place', 'position'],
  ['rest', 'rest'],
  ['speed', 'px/s after'],
] as const;
type Column = (typeof COLUMNS)[number][0];

const VALUES: Readonly<Record<Column, (row: Row) => number>> = {
  number: ({ number }) => number,
  time: ({ mark }) => mark.time,
  place: ({ place }) => place,
  rest: ({ mark }) => mark.dwell,
  speed: ({ speed }) => speed ?? -1,
};

function rowsOf(rider: Rider, guide: Guide): readonly Row[] {
  const path = pathOfGuide(guide);
  const { marks } = rider.pace;
  const places = marks.map(({ place }) => distanceOfPlace(guide, path, place));
  return marks.map((mark, i) => {
    const next = marks[i + 1];
    const lasts = next ? next.time - mark.time - mark.dwell : 0;
    const way = Math.abs((places[i + 1] ?? 0) - (places[i] ?? 0));
    return { mark, number: i + 1, place: places[i] ?? 0, speed: next && lasts > 0 ? way / lasts : undefined };
  });
}

function MarksTable({ rider, guide }: { rider: Rider; guide: Guide }) {
  const [by, setBy] = useState<{ column: Column; down: boolean }>({ column: 'number', down: false });
  const chosen = useDocumentState((state) => state.selection.marks);
  const value = VALUES[by.column];
  const rows = [...rowsOf(rider, guide)].sort((a, b) => (value(a) - value(b)) * (by.down ? -1 : 1));
  return (
    <Table className="marks-table" verticalSpacing={2} horizontalSpacing={2}>
      <Table.Thead>
        <Table.Tr>
          {COLUMNS.map(([column, word]) => {
            const isBy = by.column === column;
            const Icon = by.down ? IconArrowNarrowDown : IconArrowNarrowUp;
            return (
              <Table.Th key={column} aria-sort={isBy ? (by.down ? 'descending' : 'ascending') : 'none'}>
                <button
                  type="button"
                  className="plain-button"
                  onClick={() => setBy({ column, down: isBy && !by.down })}
                >
                  {word} {isBy && <Icon size={13} aria-hidden />}
                </button>
              </Table.Th>
            );
          })}
          <Table.Th>leg</Table.Th>
        </Table.Tr>
      </Table.Thead>
      <Table.Tbody>
        {rows.map((row) => (
          <MarkRow key={row.mark.id} {...{ rider, guide, row }} isChosen={chosen.includes(row.mark.id)} />
        ))}
      </Table.Tbody>
    </Table>
  );
}

interface MarkRowProps {
  readonly rider: Rider;
  readonly guide: Guide;
  readonly row: Row;
  readonly isChosen: boolean;
}

function MarkRow({ rider, guide, row: { mark, number, speed }, isChosen }: MarkRowProps) {
  const doc = useDocument();
  const desk = useDesk();
  const { fps } = useDocumentState((state) => state.shown.clock);
  const of = { rider: rider.id, mark: mark.id };
  const time = { unit: 's', units: secondsAt(fps), digits: 3, min: 0 } as const;
  return (
    <Table.Tr data-chosen={isChosen || undefined}>
      <Table.Td>
        <button
          type="button"
          className="plain-button figures"
          aria-pressed={isChosen}
          aria-label={`Select mark ${number}`}
          onClick={() => doc.select(selectRider(rider.id, [mark.id]))}
        >
          {number}
        </button>
      </Table.Td>
      <Table.Td>
        <NumberField
          label={`Time of mark ${number}`}
          value={mark.time}
          {...time}
          onCommit={(next) => perform(desk, 'Move mark', retimeMark, { ...of, time: next })}
        />
      </Table.Td>
      <Table.Td>
        <PlaceField
          label={`Position of mark ${number}`}
          guide={guide}
          place={mark.place}
          onCommit={(next) => perform(desk, 'Move mark', retimeMark, { ...of, time: mark.time, ...placed(next) })}
        />
      </Table.Td>
      <Table.Td>
        <NumberField
          label={`Rest at mark ${number}`}
          value={mark.dwell}
          {...time}
          onCommit={(dwell) => perform(desk, 'Change rest', setDwell, { ...of, dwell })}
        />
      </Table.Td>
      <Table.Td>
        {speed !== undefined && (
          <NumberField
            label={`Speed after mark ${number}`}
            value={speed}
            unit=""
            units={{ '': 1, 'px/s': 1 }}
            digits={1}
            min={0.001}
            onCommit={(next) => changeLegSpeed(desk, of, next)}
          />
        )}
      </Table.Td>
      <Table.Td title={speed === undefined ? undefined : wordsOfLeg(mark.ease)}>
        {speed !== undefined && (
          <>
            <EaseCurve ease={mark.ease} width={30} height={18} />
            <span className="visually-hidden">{wordsOfLeg(mark.ease)}</span>
          </>
        )}
      </Table.Td>
    </Table.Tr>
  );
}

/** Marks as text: copied out, or pasted over. */
function MarksText({ rider, guide }: { rider: Rider; guide: Guide }) {
  const desk = useDesk();
  const [text, setText] = useState('');
  const reading = text.trim() ? marksFromText(text, guide) : undefined;
  const copy = async (): Promise<void> => {
    const out = marksAsText(sceneOf(desk), rider.id);
    try {
      await navigator.clipboard.writeText(out);
      tell('The marks were copied as text.');
    } catch {
      setText(out);
    }
  };
  return (
    <div className="marks-text">
      <Textarea
        size="xs"
        label="From text: a time and a position each line (px, 20 %, or a node)"
        placeholder={'0, 0\n1.5, 320'}
        autosize
        minRows={2}
        maxRows={8}
        value={text}
        error={reading && !reading.ok ? reading.message : undefined}
        onChange={(event) => setText(event.currentTarget.value)}
        onKeyDown={(event) => event.stopPropagation()}
      />
      <button
        type="button"
        className="small-button"
        disabled={!reading?.ok}
        onClick={() => {
          if (!reading?.ok) return;
          const before = rider.pace.marks.length;
          if (!perform(desk, 'Marks from text', setMarks, { rider: rider.id, rows: reading.rows })) return;
          setText('');
          if (before > 0) sayLost(desk, `${before} ${before === 1 ? 'mark' : 'marks'} replaced`);
        }}
      >
        Set {reading?.ok ? reading.rows.length : ''} marks
      </button>
      <button type="button" className="small-button" onClick={() => void copy()}>
        Copy as text
      </button>
    </div>
  );
}
