import { Loader } from '@mantine/core';
import { useEffect, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { wordingOf } from '@pace-line/core';
import { readSceneLink } from '../jobs/index.ts';
import { keepNew } from '../scene/new-scene.ts';

/** Links being opened: each is kept once, however often the view is made. */
const opening = new Map<string, Promise<OpenedLink>>();

type OpenedLink = { readonly id: string } | { readonly message: string };

async function openLink(text: string): Promise<OpenedLink> {
  if (text === '') return { message: 'There is no scene in this address.' };
  const read = await readSceneLink(text);
  if (!read.ok) return { message: read.problems[0] ? wordingOf(read.problems[0]) : 'It cannot be read.' };
  const id = await keepNew(read.scene);
  return id === undefined ? { message: 'This browser did not store it.' } : { id };
}

/** An address that holds a scene in itself: it is kept as a new one and opened. */
export function OpenLink() {
  const navigate = useNavigate();
  const [message, setMessage] = useState<string>();
  useEffect(() => {
    const text = location.hash.slice(1);
    let known = opening.get(text);
    if (!known) opening.set(text, (known = openLink(text)));
    let isCurrent = true;
    void known.then((opened) => {
      // Opened again later, it is a new scene again.
      opening.delete(text);
      if (!isCurrent) return;
      if ('id' in opened) void navigate(`/scene/${opened.id}`, { replace: true });
      else setMessage(opened.message);
    });
    return () => {
      isCurrent = false;
    };
  }, [navigate]);
  return (
    <main className="message-page">
      {message === undefined ? (
        <Loader aria-label="Opening the scene" />
      ) : (
        <>
          <h1>The scene in this link cannot be opened</h1>
          <p>{message}</p>
          <Link to="/">To the Shelf</Link>
        </>
      )}
    </main>
  );
}
