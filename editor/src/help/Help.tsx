import { IconArrowLeft } from '@tabler/icons-react';
import { useEffect } from 'react';
import { Link, useLocation, useSearchParams } from 'react-router';
import { ShortcutLists } from '../look/ShortcutLists.tsx';
import { MovingPicture } from '../look/MovingPicture.tsx';
import { useArrival } from '../look/use-arrival.ts';
import { Wordmark } from '../look/Wordmark.tsx';
import { pictureScene } from '../look/way-pictures.ts';
import { RECIPES } from '../look/recipes.ts';
import './help.css';

/** The jobs as short recipes, and the shortcuts. */
export function Help() {
  const heading = useArrival();
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
        {from !== null && (
          <Link className="bar-button" to={`/scene/${encodeURIComponent(from)}`}>
            <IconArrowLeft size={16} aria-hidden /> Back to the Desk
          </Link>
        )}
      </header>
      <div className="help-columns">
        <section aria-label="Recipes">
          {RECIPES.map((recipe, i) => (
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
