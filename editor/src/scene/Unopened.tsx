import { Loader } from '@mantine/core';
import { Link } from 'react-router';
import { wordingOf } from '@pace-line/core';
import { restoreStored } from '../document/index.ts';
import { saveFile } from '../platform/files.ts';
import type { Opened } from './use-open-document.ts';

/** What stands in a scene's place while it is being read, or where it cannot be. */
export function Unopened({ id, opened }: { id: string; opened: Exclude<Opened, { state: 'ok' }> }) {
  switch (opened.state) {
    case 'loading':
      return (
        <main className="message-page">
          <Loader aria-label="Opening the scene" />
        </main>
      );
    case 'missing':
      return (
        <main className="message-page">
          <h1>This scene is not in this browser</h1>
          <p>It may have been deleted, or kept in another browser.</p>
          <Link to="/">To the Shelf</Link>
        </main>
      );
    case 'deleted':
      return (
        <main className="message-page">
          <h1>“{opened.name}” was deleted</h1>
          <p>It can still be restored, as it was.</p>
          <button
            type="button"
            className="bar-button"
            onClick={() => void restoreStored(id).then(() => location.reload())}
          >
            Restore
          </button>
          <Link to="/">To the Shelf</Link>
        </main>
      );
    case 'broken':
      return (
        <main className="message-page">
          <h1>This scene cannot be opened</h1>
          <p>What is stored does not pass the checks. It is still there, and can be saved as it is.</p>
          <ul>
            {opened.problems.slice(0, 5).map((problem) => (
              <li key={problem.path + problem.message}>{wordingOf(problem)}</li>
            ))}
          </ul>
          <button
            type="button"
            className="bar-button"
            onClick={() => saveFile('scene.raw.json', 'application/json', opened.raw)}
          >
            Save as it is
          </button>
          <Link to="/">To the Shelf</Link>
        </main>
      );
  }
}
