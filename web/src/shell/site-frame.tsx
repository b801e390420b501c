import { Box, Flex } from '@chakra-ui/react'
import { useSuspenseQuery } from '@tanstack/react-query'
import { Suspense, useEffect } from 'react'
import { Navigate, Outlet, useLocation, useParams } from 'react-router'
import { isActive, useWatchJob } from '../api/jobs.ts'
import { siteQuery } from '../api/sites.ts'
import { Loading } from '../components/loading.tsx'
import { JudgeProvider } from '../judging/judge-provider.tsx'
import { FirstIntake } from '../stages/intake/first-intake.tsx'
import { ReadingScreen } from '../stages/intake/reading-screen.tsx'
import { UnreadScreen } from '../stages/intake/unread-screen.tsx'
import { useView } from '../work/view-store.ts'
import { WorkProvider } from '../work/work.tsx'
import { Bands } from './bands.tsx'
import { PlainHeader, SiteHeader } from './header.tsx'
import { LeftOutBar } from './left-out-bar.tsx'
import { Path } from './path.tsx'
import { TroubleBar } from './trouble-bar.tsx'

/** The frame of one site: header, bands, path, and the stage that one is in. */
export function SiteFrame() {
  const { siteId = '' } = useParams()
  const { data: site } = useSuspenseQuery(siteQuery(siteId))
  const chooseStretch = useView((state) => state.chooseStretch)
  // biome-ignore lint/correctness/useExhaustiveDependencies: a stretch belongs to the site it was chosen in
  useEffect(() => () => chooseStretch(null), [siteId, chooseStretch])
  const { pathname } = useLocation()
  useWatchJob(site)
  useEffect(() => {
    // The largest part of the program is there before it is asked for.
    void import('../stages/ledger/ledger-screen.tsx')
  }, [])
  if (!site.snapshot?.read) {
    if (!site.snapshot && !pathname.endsWith('/intake')) return <Navigate to={`/sites/${siteId}/intake`} replace />
    return (
      <Flex direction="column" minH="100%" h={{ md: '100%' }}>
        <PlainHeader title={site.name} />
        {isActive(site.job) ? (
          <ReadingScreen job={site.job} />
        ) : site.snapshot ? (
          <UnreadScreen site={site} />
        ) : (
          <FirstIntake site={site} />
        )}
      </Flex>
    )
  }
  return (
    <WorkProvider site={site} snapshot={site.snapshot}>
      <JudgeProvider>
        <Flex direction="column" h="100%" minH="520px">
          <SiteHeader />
          <TroubleBar />
          <LeftOutBar />
          <Bands />
          <Flex flex="1" minH="0" direction={{ base: 'column', md: 'row' }}>
            <Path />
            <Box as="main" tabIndex={-1} outline="none" flex="1" minW="0" p="5" pt="4" overflow="auto">
              <Suspense fallback={<Loading />}>
                <Outlet />
              </Suspense>
            </Box>
          </Flex>
        </Flex>
      </JudgeProvider>
    </WorkProvider>
  )
}
