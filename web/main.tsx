import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { createBrowserRouter, RouterProvider } from 'react-router';
import { ApiProblem } from './api/client.ts';
import { MotifDrawer } from './screens/drawer/MotifDrawer.tsx';
import { Home } from './screens/home/Home.tsx';
import { Lost } from './ui/Lost.tsx';
import { Notices } from './ui/Notices.tsx';
import { SwatchBook } from './screens/swatches/SwatchBook.tsx';
import { SwatchPage } from './screens/swatches/SwatchPage.tsx';
import { Workshop } from './screens/workshop/Workshop.tsx';
import './styles.css';

const client = new QueryClient({
  defaultOptions: {
    queries: { retry: (failures, error) => failures < 1 && !(error instanceof ApiProblem), refetchOnWindowFocus: true },
  },
});

// Pages are fetched with what only they need.
const builder = async () => ({ Component: (await import('./screens/builder/BuilderPage.tsx')).BuilderPage });

const router = createBrowserRouter([
  { path: '/', element: <Home />, errorElement: <Lost /> },
  {
    path: '/designs/:id',
    lazy: async () => ({ Component: (await import('./screens/design/DesignPage.tsx')).DesignPage }),
    hydrateFallbackElement: <p />,
    errorElement: <Lost />,
  },
  { path: '/motifs', element: <MotifDrawer />, errorElement: <Lost /> },
  { path: '/build', lazy: builder, hydrateFallbackElement: <p />, errorElement: <Lost /> },
  { path: '/build/:id', lazy: builder, hydrateFallbackElement: <p />, errorElement: <Lost /> },
  { path: '/workshop', element: <Workshop />, errorElement: <Lost /> },
  {
    path: '/workshop/:id',
    lazy: async () => ({ Component: (await import('./screens/workshop/ScanPage.tsx')).SheetPage }),
    hydrateFallbackElement: <p />,
    errorElement: <Lost />,
  },
  { path: '/swatches', element: <SwatchBook />, errorElement: <Lost /> },
  { path: '/swatches/:id', element: <SwatchPage />, errorElement: <Lost /> },
]);

createRoot(document.getElementById('root') as HTMLElement).render(
  <StrictMode>
    <QueryClientProvider client={client}>
      <Notices>
        <RouterProvider router={router} />
      </Notices>
    </QueryClientProvider>
  </StrictMode>,
);
