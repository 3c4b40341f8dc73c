import { useEffect } from 'react';
import { Link } from 'react-router';
import { SHORTCUTS } from '../desk/keyboard.ts';
import { Wordmark } from '../look/Wordmark.tsx';
import './help.css';

const RECIPES: readonly { readonly title: string; readonly steps: readonly string[] }[] = [
  {
    title: 'Plot a guide',
    steps: [
      'Press 2, or choose Plot above the canvas.',
      'Click for a corner; press and drag to pull handles for a curve.',
      'Click the first node to close the guide. Press Enter, or click the last node again, to end it open.',
      'Backspace takes the last node back, Escape gives up.',
    ],
  },
  {
    title: 'Bend it',
    steps: [
      'Select the guide and drag its nodes and the knobs of their handles. With Alt a knob moves alone, with Shift it keeps to steps of 15°.',
      'Double-click the line to add a node; the shape does not change. Delete takes selected nodes away.',
      'On card 1, choose how handles are tied: corner, smooth (in line) or balanced (in line and equal).',
      'Marks stay with their nodes and spans, and keep their times.',
    ],
  },
  {
    title: 'Put a drawing on it',
    steps: [
      'Drop an SVG file anywhere on the Desk, or bring it in from the Art drawer.',
      'Drag it from the drawer onto the guide. A line above the canvas says how it sits: on the guide, or where it was dropped. One click changes it.',
      'On card 2, set the pivot: the point of the drawing that runs along the guide.',
    ],
  },
  {
    title: 'Turn it along the curve',
    steps: [
      'On card 3, choose along the guide. “Nose leads” turns the drawing’s nose into the curve; “angle kept” leaves it as it stands and turns it from there.',
      'Say on the same card which way the art was drawn to face. Fine turn adds a constant angle.',
    ],
  },
  {
    title: 'Shape its pace',
    steps: [
      'The sheet shows time across and the way along the guide upwards: a steep line is fast, a flat one rests.',
      'Press on the line to set a mark there; drag it in time and place. Nothing moves until you drag.',
      'Drag the stroke beside a mark to let the rider rest. Choose on card 4 how it goes on from there.',
      'Both ends of the loop are repeated beyond the rules at 0 and at the end: a kink there is a seam that shows.',
    ],
  },
  {
    title: 'Send it',
    steps: [
      'Choose Send. Pick a format; what you see there is the real output, with its size and how far it is from the Desk at most.',
      'Save it, or write it from a build with the command line: pace-line export FILE --to animated-svg --out PATH.',
    ],
  },
];

/** The jobs as short recipes, and the shortcuts. */
export function Help() {
  useEffect(() => {
    document.title = 'How to · Pace Line';
  }, []);
  return (
    <main className="help">
      <header className="shelf-head">
        <Link to="/" className="home-link" aria-label="To the Shelf">
          <Wordmark />
        </Link>
        <h1>How to</h1>
      </header>
      <div className="help-columns">
        <section aria-label="Recipes">
          {RECIPES.map((recipe) => (
            <article key={recipe.title}>
              <h2>{recipe.title}</h2>
              <ol>
                {recipe.steps.map((step) => (
                  <li key={step}>{step}</li>
                ))}
              </ol>
            </article>
          ))}
        </section>
        <section aria-label="Shortcuts">
          {SHORTCUTS.map(({ group, list }) => (
            <article key={group}>
              <h2>{group}</h2>
              <dl className="shortcuts">
                {list.map(({ keys, does }) => (
                  <div key={keys}>
                    <dt>
                      <kbd>{keys}</kbd>
                    </dt>
                    <dd>{does}</dd>
                  </div>
                ))}
              </dl>
            </article>
          ))}
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
