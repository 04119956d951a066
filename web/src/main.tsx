import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { registerSW } from 'virtual:pwa-register';
import { App } from './app';
import { ApiProblem } from './data/api';
import { startOutbox } from './data/outbox-runner';
import { countPresses } from './data/presses';
import { readSpilled } from './data/quick-store';
import './theme/theme.css';
import { applyTheme } from './theme/theme';

if (import.meta.env.DEV) void import('./data/check-answers');

applyTheme();
registerSW({ immediate: true });
startOutbox();
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

// A moment at most: fields show what was typed before from their first drawing on.
void Promise.race([readSpilled(), new Promise((resolve) => setTimeout(resolve, 300))]).then(render);
