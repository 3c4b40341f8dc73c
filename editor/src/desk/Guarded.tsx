import { useEffect, useRef, type ReactNode } from 'react';
import { ErrorBoundary, type FallbackProps } from 'react-error-boundary';
import { Link } from 'react-router';
import { useDocumentState } from '../document/index.ts';
import { reasonOf } from '../words/reasons.ts';
import { saveScene } from './actions/saving.ts';
import { useDesk } from './context.ts';

interface GuardedProps {
  /** What stands here, in a few words: "the canvas". */
  readonly what: string;
  readonly children: ReactNode;
}

/** A part of the Desk that may fail alone: the scene stays, and every change of it, undo too, tries again. */
export function Guarded({ what, children }: GuardedProps) {
  return <ErrorBoundary fallbackRender={(props) => <Failed what={what} {...props} />}>{children}</ErrorBoundary>;
}

function Failed({ what, error, resetErrorBoundary }: FallbackProps & { what: string }) {
  const desk = useDesk();
  const last = useDocumentState((state) => state.past.at(-1)?.label);
  const shown = useDocumentState((state) => state.shown);
  const failedAt = useRef(shown);
  useEffect(() => {
    if (shown !== failedAt.current) resetErrorBoundary();
  }, [shown, resetErrorBoundary]);
  return (
    <div className="failed" role="alert">
      <p>
        <strong>{`${what.charAt(0).toUpperCase()}${what.slice(1)} cannot be shown.`}</strong> The scene is still here.
      </p>
      <p className="muted">Reason: {reasonOf(error)}.</p>
      <p className="failed-ways">
        <button type="button" className="small-button" disabled={last === undefined} onClick={() => desk.doc.undo()}>
          {last === undefined ? 'nothing to undo' : `undo: ${last}`}
        </button>
        <button type="button" className="small-button" onClick={resetErrorBoundary}>
          try again
        </button>
        <button type="button" className="small-button" onClick={() => saveScene(desk)}>
          save file
        </button>
        <Link className="small-button" to="/">
          to the Shelf
        </Link>
      </p>
    </div>
  );
}
