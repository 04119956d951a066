import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { registerSW } from 'virtual:pwa-register';
import { App } from './app';
import { ApiProblem } from './data/api';
import { startOutbox } from './data/outbox-runner';
import { countPresses } from './data/presses';
import { openJobsOptions, sessionOptions, shopOptions } from './data/queries';
import { readSpilled } from './data/quick-store';
import './theme/theme.css';
import { applyTheme } from './theme/theme';

if (import.meta.env.DEV) void import('./data/check-answers');

applyTheme();
countPresses(window);

const queries = new QueryClient({
  defaultOptions: {
    queries: {
      // The device's own store answers when the network does not; never wait for “online”.
      networkMode: 'always',
      staleTime: 5_000,
      retry: (count, error) => !(error instanceof ApiProblem) && count < 1,
    },
  },
});

function render(): void {
  createRoot(document.getElementById('root')!).render(
    <StrictMode>
      <QueryClientProvider client={queries}>
        <App />
      </QueryClientProvider>
    </StrictMode>,
  );
}

const onToday = window.location.pathname === '/';

/** What Today shows: the page's own answer bade the browser ask for it, and mostly it is here by now. */
async function firstAnswers(): Promise<unknown> {
  // Without the server it is not asked twice: what the device keeps is drawn at once.
  const session = await queries.fetchQuery({ ...sessionOptions(), retry: false });
  if (!session.person) return;
  return Promise.all([
    queries.prefetchInfiniteQuery(openJobsOptions()),
    queries.prefetchQuery(shopOptions()),
  ]);
}

/** Longer the first drawing does not wait for what it shows. */
const MOMENT_MS = 300;
const SEND_AFTER_MS = 300;

// Today is drawn once, with its visits; elsewhere fields show what was typed before from their first drawing on.
const spilled = readSpilled();
const ready = (onToday ? firstAnswers() : spilled).catch(() => undefined);
void Promise.race([ready, new Promise((resolve) => setTimeout(resolve, MOMENT_MS))]).then(() => {
  render();
  // The screen first: what waits to be sent has waited longer.
  setTimeout(() => {
    startOutbox();
    registerSW({ immediate: true });
  }, SEND_AFTER_MS);
});
