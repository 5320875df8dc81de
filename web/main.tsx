import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { createBrowserRouter, RouterProvider } from 'react-router';
import { BuilderPage } from './builder/BuilderPage.tsx';
import { DesignPage } from './design/DesignPage.tsx';
import { MotifDrawer } from './drawer/MotifDrawer.tsx';
import { Home } from './home/Home.tsx';
import { Lost } from './shared/Lost.tsx';
import { Notices } from './shared/Notices.tsx';
import { SwatchBook } from './swatches/SwatchBook.tsx';
import { SwatchPage } from './swatches/SwatchPage.tsx';
import { SheetPage } from './workshop/SheetPage.tsx';
import { Workshop } from './workshop/Workshop.tsx';
import './styles.css';

const client = new QueryClient({ defaultOptions: { queries: { retry: 1, refetchOnWindowFocus: true } } });

const router = createBrowserRouter([
  { path: '/', element: <Home />, errorElement: <Lost /> },
  { path: '/designs/:id', element: <DesignPage />, errorElement: <Lost /> },
  { path: '/motifs', element: <MotifDrawer />, errorElement: <Lost /> },
  { path: '/build', element: <BuilderPage />, errorElement: <Lost /> },
  { path: '/build/:id', element: <BuilderPage />, errorElement: <Lost /> },
  { path: '/workshop', element: <Workshop />, errorElement: <Lost /> },
  { path: '/workshop/:id', element: <SheetPage />, errorElement: <Lost /> },
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
