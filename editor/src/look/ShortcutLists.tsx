import { SHORTCUTS } from '../words/shortcuts.ts';
import './shortcuts.css';

/** Every shortcut of the Desk, by what it is for. */
export function ShortcutLists() {
  return SHORTCUTS.map(({ group, list }) => (
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
  ));
}
