import { useEffect } from 'react';
import { Link, useParams, useRouteError } from 'react-router';
import { fileStem } from '@pace-line/core';
import { storedText } from '../document/index.ts';
import { saveFile } from '../platform/files.ts';
import { reasonOf } from '../words/reasons.ts';
import './scene.css';

/** What stands in a view's place when it broke. What is kept of the scene can be saved from here as it is. */
export function ViewFailed() {
  const error = useRouteError();
  const { id } = useParams();
  useEffect(() => console.error(error), [error]);
  const save = async (): Promise<void> => {
    const stored = id === undefined ? undefined : await storedText(id);
    if (stored) saveFile(`${fileStem(stored.name)}.paceline.json`, 'application/json', stored.text);
  };
  return (
    <main className="message-page">
      <h1>This view cannot be shown</h1>
      <p>Nothing that was kept is lost. Reason: {reasonOf(error)}.</p>
      <button type="button" className="bar-button" onClick={() => location.reload()}>
        Try again
      </button>
      {id !== undefined && (
        <button type="button" className="bar-button" onClick={() => void save()}>
          Save the scene as it is kept
        </button>
      )}
      <Link to="/" reloadDocument>
        To the Shelf
      </Link>
    </main>
  );
}
