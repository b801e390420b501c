import { Box, chakra, Flex, Text } from '@chakra-ui/react'
import type { AddedRule } from '@undo-ink/contracts'
import { opaqueKey, resolverOf } from '@undo-ink/core'
import { useMemo } from 'react'
import { Link } from 'react-router'
import { useVisit } from '../../../api/copies.ts'
import { Sheet } from '../../../components/sheet.tsx'
import { Swatch } from '../../../components/swatch.tsx'
import { are, count, number, shownPath } from '../../../components/words.ts'
import { shownPages } from '../../../work/shown-pages.ts'
import { useReached } from '../../../work/use-reached.ts'
import { useCopy, usePlan, useSaved } from '../../../work/work.tsx'
import { lookPath } from '../../ledger/paths.ts'
import { decidedAway } from './decided-away.ts'
import { type LostRule, lostRules, type Remnant, remnantsOf } from './survey.ts'
import { MOST_CHECKED, usePageCheck } from './use-page-check.ts'

/** Whether the pages of the copy still show a colour that was decided away, and why. Looked at anew after every change. */
export function PageCheck() {
  const { snapshot, places, sitePages } = useCopy()
  const { outcomes, state, resolver } = usePlan()
  const { data: visit } = useVisit(snapshot.planId)
  const saved = useSaved()
  const reached = useReached()
  const pages = useMemo(() => shownPages(sitePages), [sitePages])
  const rules = useMemo(
    () =>
      state.insertions.flatMap(({ selector, property, to }): AddedRule[] => {
        const color = resolver.groundOf(to)
        return color ? [{ selector, property, color: opaqueKey(color) }] : []
      }),
    [state.insertions, resolver],
  )
  const away = useMemo(
    () =>
      decidedAway(
        places,
        outcomes,
        rules.map(({ color }) => color),
      ),
    [places, outcomes, rules],
  )
  const asks = saved && away.colors.length + rules.length > 0 && pages.length > 0
  const check = usePageCheck(visit, pages, away.colors, rules, asks ? reached.key : null)
  const resolve = useMemo(() => resolverOf(snapshot.files.map(({ path }) => path)), [snapshot])
  const remnants = useMemo(
    () => remnantsOf(check.surveys, sitePages.leftOut, resolve),
    [check.surveys, sitePages, resolve],
  )
  if (away.colors.length + rules.length === 0 || pages.length === 0) return null
  const surveys = [...check.surveys.values()]
  const elements = surveys.reduce((sum, each) => sum + each.elements, 0)
  const showing = surveys.reduce((sum, each) => sum + each.showing, 0)
  const pagesShowing = surveys.filter((each) => each.showing > 0).length
  const unknown = remnants.filter(({ reason }) => reason === 'unknown')
  const remarks = [
    ...(check.isDone ? lostRules(surveys).map(lostText) : []),
    pages.length > MOST_CHECKED ? `The first ${number(MOST_CHECKED)} pages are looked at.` : '',
    check.silent.length > 0
      ? `${count(check.silent.length, 'page')} did not answer: ${check.silent.slice(0, 3).join(', ')}.`
      : '',
    surveys.some(({ isWhole }) => !isWhole) ? 'Of some pages only the first 20,000 elements are looked at.' : '',
    away.staying > 0
      ? `${count(away.staying, 'colour')} ${are(away.staying)} decided in some places and stay${away.staying === 1 ? 's' : ''} in others: pages may show ${away.staying === 1 ? 'it' : 'them'}.`
      : '',
    sitePages.pages.length > pages.length
      ? `${count(sitePages.pages.length - pages.length, 'page')} cannot be shown, and so not be checked.`
      : '',
  ].filter(Boolean)
  return (
    <Sheet as="section" aria-label="Check of the pages" mb="3" px="3" py="2" fontSize="13px">
      <Text aria-live="polite" fontWeight="600">
        <span aria-hidden>{!check.isDone ? '◇' : showing === 0 ? '■' : '▲'}</span>{' '}
        {!check.isDone
          ? `Looking at the pages: ${number(check.surveys.size + check.silent.length)} of ${count(Math.min(pages.length, MOST_CHECKED), 'page')} …`
          : showing === 0
            ? `No element of ${count(check.surveys.size, 'page')} shows a colour that was decided away (${number(elements)} looked at).`
            : `${count(showing, 'element')} on ${number(pagesShowing)} of ${count(check.surveys.size, 'page')} still ${showing === 1 ? 'shows' : 'show'} a colour that was decided away${unknown.length === 0 ? ', each for a reason that is known' : ''}.`}
      </Text>
      {remarks.length > 0 ? <Text color="soft">{remarks.join(' ')}</Text> : null}
      {check.isDone && remnants.length > 0 ? <Remnants remnants={remnants} /> : null}
    </Sheet>
  )
}

function lostText({ selector, property, found }: LostRule): string {
  return found === 0
    ? `The rule that was added for ${selector} finds no element.`
    : `The rule that was added for ${selector} loses everywhere: none of ${count(found, 'element')} takes its ${property}.`
}

const MOST_LISTED = 60

function Remnants({ remnants }: { remnants: readonly Remnant[] }) {
  const { site } = useCopy()
  return (
    <chakra.details mt="1" open={remnants.some(({ reason }) => reason === 'unknown')}>
      <chakra.summary cursor="pointer" color="soft">
        Which, and why
      </chakra.summary>
      <Box
        as="ul"
        listStyleType="none"
        maxH="180px"
        overflow="auto"
        mt="1"
        tabIndex={0}
        aria-label="What is left on the pages"
      >
        {remnants.slice(0, MOST_LISTED).map((remnant) => {
          const { color, reason, path, elements, pages, example } = remnant
          return (
            <Flex as="li" key={`${color} ${reason} ${path}`} gap="2" py="1" align="center" wrap="wrap">
              <Swatch color={color} size="18px" />
              <Text fontFamily="mono">{color}</Text>
              <Text>
                {count(elements, 'element')}, such as{' '}
                <Text as="span" fontFamily="mono">
                  {example}
                </Text>{' '}
                on{' '}
                <Box as="span" textDecoration="underline" asChild>
                  <Link to={lookPath(site.id, pages[0] ?? '')}>{pages[0]}</Link>
                </Box>
                {pages.length > 1 ? ` and ${count(pages.length - 1, 'other page')}` : ''}: <b>{reasonText(remnant)}</b>
              </Text>
            </Flex>
          )
        })}
        {remnants.length > MOST_LISTED ? <li>and {count(remnants.length - MOST_LISTED, 'more')}</li> : null}
      </Box>
    </chakra.details>
  )
}

function reasonText({ reason, path }: Remnant): string {
  switch (reason) {
    case 'left-out':
      return `${shownPath(path ?? '')} is left out`
    case 'image':
      return 'an image'
    case 'browser':
      return 'the browser’s own colour: no rule of the site sets one'
    case 'own-style':
      return 'set on the element itself'
    case 'unknown':
      return path === null ? 'not yet known' : `not yet known; it comes from ${shownPath(path)}`
  }
}
