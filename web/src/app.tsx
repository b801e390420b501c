import { ChakraProvider } from '@chakra-ui/react'
import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { Suspense } from 'react'
import { createBrowserRouter, Navigate, Outlet } from 'react-router'
import { RouterProvider } from 'react-router/dom'
import { ApiError } from './api/client.ts'
import { Loading } from './components/loading.tsx'
import { Failure } from './shell/failure.tsx'
import { PlainHeader } from './shell/header.tsx'
import { SiteFrame } from './shell/site-frame.tsx'
import { SitesScreen } from './sites/sites-screen.tsx'
import { IntakeScreen } from './stages/intake/intake-screen.tsx'
import { PagesScreen } from './stages/intake/pages-screen.tsx'
import { ApartScreen } from './stages/ledger/apart-screen.tsx'
import { ScriptsScreen } from './stages/ledger/scripts-screen.tsx'
import { MappingScreen } from './stages/mapping/mapping-screen.tsx'
import { system } from './theme/system.ts'

const client = new QueryClient({
  defaultOptions: {
    queries: {
      refetchOnWindowFocus: false,
      // A refusal stays one; a server that does not answer may be back in a moment.
      retry: (times, error) => times < 2 && !(error instanceof ApiError && error.code !== null),
    },
  },
})

function Root() {
  return (
    <Suspense
      fallback={
        <>
          <PlainHeader />
          <Loading />
        </>
      }
    >
      <Outlet />
    </Suspense>
  )
}

const router = createBrowserRouter([
  {
    element: <Root />,
    errorElement: <Failure />,
    hydrateFallbackElement: <Loading />,
    children: [
      { path: '/', element: <SitesScreen /> },
      {
        path: '/sites/:siteId',
        element: <SiteFrame />,
        children: [
          { index: true, element: <Navigate to="intake" replace /> },
          { path: 'intake', element: <IntakeScreen /> },
          { path: 'intake/pages', element: <PagesScreen /> },
          { path: 'ledger', element: <Navigate to="places" replace /> },
          { path: 'ledger/scripts', element: <ScriptsScreen /> },
          { path: 'ledger/apart', element: <ApartScreen /> },
          {
            path: 'ledger/findings',
            lazy: async () => ({ Component: (await import('./stages/ledger/findings-screen.tsx')).FindingsScreen }),
          },
          {
            path: 'ledger/colors',
            lazy: async () => ({ Component: (await import('./stages/ledger/colors-screen.tsx')).ColorsScreen }),
          },
          {
            path: 'ledger/colors/:color',
            lazy: async () => ({ Component: (await import('./stages/ledger/color-screen.tsx')).ColorScreen }),
          },
          {
            path: 'ledger/places',
            lazy: async () => ({ Component: (await import('./stages/ledger/ledger-screen.tsx')).LedgerScreen }),
          },
          { path: 'mapping', element: <Navigate to="clusters" replace /> },
          { path: 'mapping/clusters', element: <MappingScreen /> },
          {
            path: 'mapping/palette',
            lazy: async () => ({
              Component: (await import('./stages/mapping/palette/palette-screen.tsx')).PaletteScreen,
            }),
          },
          {
            path: 'look',
            lazy: async () => ({ Component: (await import('./stages/look/look-screen.tsx')).LookScreen }),
          },
          {
            path: 'handover',
            lazy: async () => ({ Component: (await import('./stages/handover/handover-screen.tsx')).HandoverScreen }),
          },
        ],
      },
      { path: '*', element: <Navigate to="/" replace /> },
    ],
  },
])

export function App() {
  return (
    <ChakraProvider value={system}>
      <QueryClientProvider client={client}>
        <RouterProvider router={router} />
      </QueryClientProvider>
    </ChakraProvider>
  )
}
