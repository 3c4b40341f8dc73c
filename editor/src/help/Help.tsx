import { TextInput } from '@mantine/core';
import { IconArrowLeft, IconPlayerPlay, IconSearch } from '@tabler/icons-react';
import { useEffect, useState } from 'react';
import { Link, useLocation, useNavigate, useSearchParams } from 'react-router';
import { FindIndex } from '../find/search.ts';
import { ShortcutLists } from '../look/ShortcutLists.tsx';
import { MovingPicture } from '../look/MovingPicture.tsx';
import { useArrival } from '../look/use-arrival.ts';
import { Wordmark } from '../look/Wordmark.tsx';
import { pictureScene } from '../look/way-pictures.ts';
import { RECIPE_GROUPS, RECIPES, type Recipe } from '../recipes/index.ts';
import { beginShow } from '../showing/begin.ts';
import './help.css';

/** The recipes as they are searched. */
const INDEX = new FindIndex(
  RECIPES.map(({ id, title, steps }) => ({
    ...{ id, title, about: steps.map(({ says }) => says).join(' '), where: '', also: '' },
    run: () => undefined,
  })),
);

/** All recipes by their subjects and titles. */
const Contents = () => (
  <nav className="help-contents" aria-label="Contents">
    {RECIPE_GROUPS.map((group) => (
      <section key={group.title} aria-label={group.title}>
        <h2>{group.title}</h2>
        <ul>
          {group.recipes.map(({ id, title }) => (
            <li key={id}>
              <a href={`#${id}`}>{title}</a>
            </li>
          ))}
        </ul>
      </section>
    ))}
  </nav>
);

/** A recipe in words, with its moving picture, and the way to have it shown. */
function Told({ recipe }: { readonly recipe: Recipe }) {
  const { id, title, picture, steps } = recipe;
  const navigate = useNavigate();
  const [isOpening, setOpening] = useState(false);
  return (
    <article id={id} aria-label={title}>
      <h2>{title}</h2>
      <div className="recipe-picture">
        <MovingPicture name={title} scene={() => pictureScene(title, picture)} />
      </div>
      <ol>
        {steps.map(({ says }) => (
          <li key={says}>{says}</li>
        ))}
      </ol>
      <button
        type="button"
        className="small-button"
        disabled={isOpening}
        title="Opens a scene of its own and does the steps before your eyes"
        aria-label={`Show me: ${title}`}
        onClick={() => {
          setOpening(true);
          void beginShow(recipe, (address) => void navigate(address)).finally(() => setOpening(false));
        }}
      >
        <IconPlayerPlay size={13} aria-hidden /> Show me
      </button>
    </article>
  );
}

/** The jobs as short recipes, and the shortcuts. */
export function Help() {
  const heading = useArrival();
  const [question, ask] = useState('');
  const found =
    question.trim() === ''
      ? RECIPES
      : INDEX.find(question).flatMap(({ id }) => RECIPES.find((one) => one.id === id) ?? []);
  const from = useSearchParams()[0].get('from');
  useEffect(() => {
    document.title = 'Help · Pace Line';
  }, []);
  // A recipe that was asked for by name.
  const { hash } = useLocation();
  useEffect(() => {
    if (/^#[\w-]+$/.test(hash)) document.querySelector(hash)?.scrollIntoView();
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
          {found.map((recipe) => (
            <Told key={recipe.id} recipe={recipe} />
          ))}
        </section>
        <section aria-label="Shortcuts" tabIndex={0}>
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
