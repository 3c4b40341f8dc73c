import { TextInput } from '@mantine/core';
import { IconArrowLeft, IconSearch } from '@tabler/icons-react';
import { useEffect, useState } from 'react';
import { Link, useLocation, useSearchParams } from 'react-router';
import { FindIndex } from '../find/search.ts';
import { ShortcutLists } from '../look/ShortcutLists.tsx';
import { MovingPicture } from '../look/MovingPicture.tsx';
import { useArrival } from '../look/use-arrival.ts';
import { Wordmark } from '../look/Wordmark.tsx';
import { pictureScene } from '../look/way-pictures.ts';
import { RECIPES } from '../look/recipes.ts';
import './help.css';

const NUMBERED = RECIPES.map((recipe, i) => ({ recipe, i }));

/** The recipes as they are searched. */
const INDEX = new FindIndex(
  NUMBERED.map(({ recipe: { title, steps }, i }) => ({
    ...{ id: String(i), title, about: steps.join(' '), where: '', also: '' },
    run: () => undefined,
  })),
);

/** All recipes by their titles. */
const Contents = () => (
  <nav className="help-contents" aria-label="Contents">
    <ul>
      {NUMBERED.map(({ recipe, i }) => (
        <li key={recipe.title}>
          <a href={`#recipe-${i + 1}`}>{recipe.title}</a>
        </li>
      ))}
    </ul>
  </nav>
);

/** The jobs as short recipes, and the shortcuts. */
export function Help() {
  const heading = useArrival();
  const [question, ask] = useState('');
  const found =
    question.trim() === '' ? NUMBERED : INDEX.find(question).flatMap(({ id }) => NUMBERED[Number(id)] ?? []);
  const from = useSearchParams()[0].get('from');
  useEffect(() => {
    document.title = 'Help · Pace Line';
  }, []);
  // A recipe that was asked for by name.
  const { hash } = useLocation();
  useEffect(() => {
    if (/^#recipe-\d+$/.test(hash)) document.querySelector(hash)?.scrollIntoView();
  }, [hash]);
  return (
    <main className="help">
      <header className="shelf-head">
        <Link to="/" className="home-link" aria-label="To the Shelf">
          <Wordmark />
        </Link>
        <h1 ref={heading} tabIndex={-1}>
          Help
        </h1>
        <span className="spacer" />
        <TextInput
          size="xs"
          type="search"
          aria-label="Search Help"
          placeholder="Search Help"
          leftSection={<IconSearch size={14} aria-hidden />}
          value={question}
          onChange={(event) => ask(event.currentTarget.value)}
        />
        {from !== null && (
          <Link className="bar-button" to={`/scene/${encodeURIComponent(from)}`}>
            <IconArrowLeft size={16} aria-hidden /> Back to the Desk
          </Link>
        )}
      </header>
      <div className="help-columns">
        <section aria-label="Recipes">
          {question.trim() === '' && <Contents />}
          {found.length === 0 && (
            <p className="muted">Nothing here by that name. On the Desk, Ctrl K finds commands, rows and tools too.</p>
          )}
          {found.map(({ recipe, i }) => (
            <article key={recipe.title} id={`recipe-${i + 1}`}>
              <h2>{recipe.title}</h2>
              <div className="recipe-picture">
                <MovingPicture name={recipe.title} scene={() => pictureScene(recipe.title, recipe.picture)} />
              </div>
              <ol>
                {recipe.steps.map((step) => (
                  <li key={step}>{step}</li>
                ))}
              </ol>
            </article>
          ))}
        </section>
        <section aria-label="Shortcuts">
          <ShortcutLists />
          <article>
            <h2>The scene file</h2>
            <p>
              A scene is saved as <code>.paceline.json</code>: readable JSON with its canvas, clock, art, guides and
              riders. Drop it on the Shelf or the Desk to open it. Its format is described in the project’s documents.
            </p>
          </article>
        </section>
      </div>
    </main>
  );
}
