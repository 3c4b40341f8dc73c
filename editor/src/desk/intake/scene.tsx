import { useEffect, useState } from 'react';
import { Checkbox } from '@mantine/core';
import { lostInside, setIn, type Scene } from '@pace-line/core';
import { listCards, loadStored, selectRider, type SceneCard } from '../../document/index.ts';
import { ChoiceField, NumberField, secondsAt } from '../../fields/index.ts';
import { readSceneFile } from '../../jobs/index.ts';
import { askAmong } from '../../look/ask.tsx';
import { tell, warn } from '../../look/notices.tsx';
import { pickFiles } from '../../platform/files.ts';
import { wordsOfProblems } from '../../words/problems.ts';
import { perform } from '../actions/change.ts';
import { keepBefore } from '../actions/saving.ts';
import { sceneOf, type Desk } from '../desk.ts';

/** What is asked for: a scene, how long its loop takes here, s, and whether it is cut off at its canvas's edges. */
interface Wish {
  inner: Scene | undefined;
  duration: number;
  cut: boolean;
}

/** Share of the canvas that a scene set in takes at most, by the side that is nearer to it. */
const SHARE = 0.5;

/** Asks for a scene of the Shelf, or a file, and sets it into this one: art that moves by a clock of its own. */
export async function bringInScene(desk: Desk): Promise<void> {
  const cards = (await listCards()).filter((card) => card.id !== desk.id);
  if (cards.length === 0) return setInFile(desk, (await pickFiles('.json,application/json'))[0]);
  const wish: Wish = { inner: undefined, duration: 0, cut: true };
  const answer = await askAmong({
    title: 'A scene as art',
    body: <Wishes cards={cards} wish={wish} />,
    yes: 'Nest it',
    other: 'From a file…',
    no: 'Cancel',
  });
  if (answer === 'other') return setInFile(desk, (await pickFiles('.json,application/json'))[0]);
  if (answer === 'yes' && wish.inner) setSceneIn(desk, wish.inner, wish.duration, wish.cut);
}

/** Sets the scene of a file into this one; says what is wrong with a bad one. */
export async function setInFile(desk: Desk, file: File | undefined): Promise<void> {
  if (!file) return;
  const read = await readSceneFile(file.name, file);
  if (read.ok) setSceneIn(desk, read.scene);
  else warn(`${file.name} was not imported`, `${wordsOfProblems(read.problems)} Nothing was changed.`);
}

/** Sets a scene into the middle of the canvas, its loop taking `duration` s; tells what of it does not come along. */
function setSceneIn(desk: Desk, inner: Scene, duration = inner.clock.duration, cut = true): void {
  const { canvas, riders } = sceneOf(desk);
  const fit = Math.min((SHARE * canvas.width) / inner.canvas.width, (SHARE * canvas.height) / inner.canvas.height);
  const at = [canvas.width / 2, canvas.height / 2] as const;
  keepBefore(desk);
  const known = new Set(riders.map(({ id }) => id));
  const how = { inner, at, size: Math.min(1, fit), duration, cut };
  if (!perform(desk, `Nest ${inner.name}`, setIn, how)) return;
  const holder = sceneOf(desk).riders.find(({ id }) => !known.has(id));
  if (holder) desk.doc.select(selectRider(holder.id));
  const lost = wordsOfLost(inner, cut);
  if (lost !== '') tell(lost, `${inner.name} was nested`);
}

function wordsOfLost(inner: Scene, cut: boolean): string {
  const { uncut, camera, driver } = lostInside(inner);
  return [
    camera ? 'It is shown whole, not through its camera.' : '',
    driver ? 'It runs by time here, whatever drove it.' : '',
    cut && uncut.length > 0 ? `Cut off by their own shapes, not at its edges: ${uncut.join(', ')}.` : '',
  ]
    .filter(Boolean)
    .join(' ');
}

/** What is asked; `wish` is kept up to date, as the question goes away with its answer. */
function Wishes({ cards, wish }: { cards: readonly SceneCard[]; wish: Wish }) {
  const [id, setId] = useState(cards[0]?.id ?? '');
  const [inner, setInner] = useState<Scene>();
  const [duration, setDuration] = useState(0);
  useEffect(() => {
    let isWanted = true;
    void loadStored(id).then((stored) => {
      if (!isWanted) return;
      const scene = stored.state === 'ok' ? stored.scene : undefined;
      setInner(scene);
      setDuration(scene?.clock.duration ?? 0);
    });
    return () => void (isWanted = false);
  }, [id]);
  const [cut, setCut] = useState(true);
  useEffect(() => void Object.assign(wish, { inner, duration, cut }), [wish, inner, duration, cut]);
  return (
    <div className="scene-wishes">
      <p>It comes as one rider that carries all that is in it, and runs by a loop of its own.</p>
      <div className="row">
        <span className="row-label">Scene</span>
        <div className="row-value">
          <ChoiceField
            label="Scene to nest"
            searchable
            value={id}
            data={cards.map((card) => ({ value: card.id, label: card.name }))}
            onChange={setId}
          />
        </div>
      </div>
      <div className="row">
        <span className="row-label">Its loop</span>
        <div className="row-value">
          {inner && (
            <NumberField
              label="Its loop"
              value={duration}
              unit="s"
              units={secondsAt(inner.clock.fps)}
              digits={3}
              min={0.01}
              max={3600}
              onCommit={setDuration}
            />
          )}
        </div>
      </div>
      <div className="row">
        <span className="row-label">Its edges</span>
        <div className="row-value">
          <Checkbox
            size="xs"
            label="cut off what reaches beyond them"
            checked={cut}
            onChange={(event) => setCut(event.currentTarget.checked)}
          />
        </div>
      </div>
      <p className="card-note">
        {inner
          ? `${inner.canvas.width} × ${inner.canvas.height} px, ${inner.riders.length} riders`
          : 'This scene cannot be read.'}
      </p>
    </div>
  );
}
