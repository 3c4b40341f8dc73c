import {
  claim,
  foldScene,
  loadStored,
  loadUndo,
  lockScene,
  type SceneLock,
  type Stored,
  type UndoRows,
  type Writer,
} from '../document/index.ts';
import { newSceneId } from '../platform/ids.ts';

/** A scene as it was found, and whether this tab may change it. */
export interface OpenedScene {
  readonly stored: Stored;
  /** The steps that can be undone and done again in it. */
  readonly undo: UndoRows;
  readonly writer: Writer;
  readonly held: boolean;
  readonly release: () => void;
}

/**
 * Holds a scene for this tab, or takes it from the one that has it; only then reads it, so that nothing older is read than what is written. What was not in
 * its record yet is written there. `lost` is called when another tab takes it over.
 */
export async function openForWriting(id: string, steal: boolean, lost: () => void): Promise<OpenedScene> {
  const { held, release } = await patientLock(id, steal, lost);
  const stored = await loadStored(id);
  const undo = await undoOf(id, stored);
  const name = held && stored.state === 'ok' ? await claimed(id, stored) : '';
  return { stored, undo, writer: { id, name }, held, release };
}

/** What is undone is what is shown: steps of another state are none. */
async function undoOf(id: string, stored: Stored): Promise<UndoRows> {
  if (stored.state !== 'ok' || !stored.isLatest) return { past: [], future: [] };
  return loadUndo(id, stored.writer, stored.scene, stored.count).catch(() => ({ past: [], future: [] }));
}

/** Makes this tab the scene's writer. Where that cannot be stored it goes on as the one before, whose changes are not in the record. */
async function claimed(id: string, stored: Extract<Stored, { state: 'ok' }>): Promise<string> {
  const name = newSceneId();
  try {
    if (stored.unfolded) await foldScene({ id, name: stored.writer }, stored.scene, stored.count);
    await claim(id, name);
    return name;
  } catch {
    return stored.writer;
  }
}

/** ms. A page that was just left may hold its scene for another moment. */
const MOMENT = 120;

async function patientLock(id: string, steal: boolean, lost: () => void): Promise<SceneLock> {
  const lock = await lockScene(id, steal, lost);
  if (lock.held) return lock;
  await new Promise((resolve) => setTimeout(resolve, MOMENT));
  return lockScene(id, steal, lost);
}
