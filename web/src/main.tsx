import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { registerSW } from 'virtual:pwa-register';
import { App } from './app';
import { ApiProblem } from './data/api';
import './theme/theme.css';
import { applyTheme } from './theme/theme';

applyTheme();
registerSW({ immediate: true });

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

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <QueryClientProvider client={queries}>
      <App />
    </QueryClientProvider>
  </StrictMode>,
);
