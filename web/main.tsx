import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { StrictMode, type ComponentType } from 'react';
import { createRoot } from 'react-dom/client';
import { createBrowserRouter, RouterProvider, type RouteObject } from 'react-router';
import { ApiProblem } from './api/client.ts';
import { Home } from './screens/home/Home.tsx';
import { Lost } from './ui/Lost.tsx';
import { Notices } from './ui/Notices.tsx';
import './styles.css';

const client = new QueryClient({
  defaultOptions: {
    queries: { retry: (failures, error) => failures < 1 && !(error instanceof ApiProblem), refetchOnWindowFocus: true },
  },
});

/** A page that is fetched when it is first gone to, with what only it needs. */
const page = (path: string, load: () => Promise<ComponentType>): RouteObject => ({
  path,
  lazy: async () => ({ Component: await load() }),
  hydrateFallbackElement: <p />,
  errorElement: <Lost />,
});
const array = async () => (await import('./screens/array/ArrayPage.tsx')).ArrayPage;
const builder = async () => (await import('./screens/builder/BuilderPage.tsx')).BuilderPage;

const router = createBrowserRouter([
  { path: '/', element: <Home />, errorElement: <Lost /> },
  page('/designs/:id', async () => (await import('./screens/design/DesignPage.tsx')).DesignPage),
  page('/motifs', async () => (await import('./screens/drawer/MotifDrawer.tsx')).MotifDrawer),
  page('/arrays/new/:motif', array),
  page('/arrays/:id', array),
  page('/build', builder),
  page('/build/:id', builder),
  page('/workshop', async () => (await import('./screens/workshop/Workshop.tsx')).Workshop),
  page('/workshop/:id', async () => (await import('./screens/workshop/ScanPage.tsx')).SheetPage),
  page('/workshop/:id/tile', async () => (await import('./screens/tile/TilePage.tsx')).TilePage),
  page('/swatches', async () => (await import('./screens/swatches/SwatchBook.tsx')).SwatchBook),
  page('/try-ons', async () => (await import('./screens/tryOn/TryOnsPage.tsx')).TryOnsPage),
  page('/try-ons/new', async () => (await import('./screens/tryOn/NewTryOn.tsx')).NewTryOn),
  page('/try-ons/compare', async () => (await import('./screens/tryOn/ComparePage.tsx')).ComparePage),
  page('/try-ons/:id', async () => (await import('./screens/tryOn/TryOnPage.tsx')).TryOnPage),
  page('/products/:id/faces', async () => (await import('./screens/tryOn/FacesPage.tsx')).FacesPage),
  page('/print-house', async () => (await import('./screens/printHouse/PrintHousePage.tsx')).PrintHousePage),
  page('/swatches/:id', async () => (await import('./screens/swatches/SwatchPage.tsx')).SwatchPage),
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
