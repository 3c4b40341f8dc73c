import '@mantine/core/styles.css';
import '@mantine/notifications/styles.css';
import '@fontsource-variable/figtree';
import '@fontsource/commit-mono/400.css';
import '@fontsource/commit-mono/700.css';
import './look/base.css';
import './look/controls.css';
import { MantineProvider } from '@mantine/core';
import { Notifications } from '@mantine/notifications';
import { lazy, StrictMode, Suspense, type ReactNode } from 'react';
import { createRoot } from 'react-dom/client';
import { createBrowserRouter, Link, RouterProvider } from 'react-router';
import { Questions } from './look/ask.tsx';
import { theme } from './look/theme.ts';
import { JobNotes } from './jobs/index.ts';
import { SceneLayout } from './scene/SceneLayout.tsx';
import { ViewFailed } from './scene/ViewFailed.tsx';
import { OpenLink } from './shelf/OpenLink.tsx';
import { Shelf } from './shelf/Shelf.tsx';
import { BASE } from './platform/base.ts';
import { whenIdle } from './platform/idle.ts';

const loadDesk = () => import('./desk/Desk.tsx');
const Desk = lazy(() => loadDesk().then(({ Desk: view }) => ({ default: view })));
const SendView = lazy(() => import('./send/SendView.tsx').then(({ SendView: view }) => ({ default: view })));
const Help = lazy(() => import('./help/Help.tsx').then(({ Help: view }) => ({ default: view })));

function NotFound() {
  return (
    <main className="message-page">
      <h1>There is nothing at this address</h1>
      <Link to="/">To the Shelf</Link>
    </main>
  );
}

const later = (view: ReactNode): ReactNode => <Suspense>{view}</Suspense>;

/** Every view stands under one that says what happened when it breaks. */
const router = createBrowserRouter(
  [
    {
      errorElement: <ViewFailed />,
      children: [
        { path: '/', element: <Shelf />, errorElement: <ViewFailed /> },
        {
          path: '/scene/:id',
          element: <SceneLayout />,
          errorElement: <ViewFailed />,
          children: [
            { index: true, element: later(<Desk />), errorElement: <ViewFailed /> },
            { path: 'send', element: later(<SendView />), errorElement: <ViewFailed /> },
          ],
        },
        { path: '/open', element: <OpenLink />, errorElement: <ViewFailed /> },
        { path: '/help', element: later(<Help />), errorElement: <ViewFailed /> },
        { path: '*', element: <NotFound /> },
      ],
    },
  ],
  { basename: BASE },
);

// At a scene's address the Desk is on its way at once; from elsewhere as soon as there is nothing else to do.
// Where that fails, it is told when it is opened.
const loadAhead = (): void => void loadDesk().catch(() => undefined);
if (location.pathname.includes('/scene/')) loadAhead();
else whenIdle(loadAhead);

const root = document.getElementById('root');
if (!root) throw new Error('The page has no #root');
createRoot(root, {
  // What was drawn again after a fault is reported as that fault, not by the number of the recovery.
  onRecoverableError: (error) => reportError(error instanceof Error ? (error.cause ?? error) : error),
}).render(
  <StrictMode>
    <MantineProvider theme={theme} defaultColorScheme="auto">
      <Notifications position="bottom-right" limit={20} />
      <Questions />
      <RouterProvider router={router} />
      <JobNotes />
    </MantineProvider>
  </StrictMode>,
);
