import type { CDPSession, Page } from '@playwright/test'

export const PROPERTIES = [
  ...['color', 'background-color', 'background-image', 'border-top-color', 'border-right-color'],
  ...['border-bottom-color', 'border-left-color', 'outline-color', 'text-decoration-color', 'fill', 'stroke'],
  ...['box-shadow', 'text-shadow', 'caret-color', 'column-rule-color'],
]

/** What every element and pseudo-element is painted with, in the order of the document. */
export function paintOnPage(page: Page): Promise<string[][]> {
  return page.evaluate((properties) => {
    const rows: string[][] = []
    for (const element of document.querySelectorAll('*'))
      for (const pseudo of [null, '::before', '::after']) {
        const style = getComputedStyle(element, pseudo)
        rows.push(pseudo && style.content === 'none' ? [] : properties.map((name) => style.getPropertyValue(name)))
      }
    return rows
  }, PROPERTIES)
}

export interface Condition {
  readonly selector: string
  readonly pseudo: string | null
  readonly width: string | null
}

/** For each element, the conditions that hold for it; for each pseudo-element too. */
export function holding(page: Page, conditions: readonly Condition[], visited: boolean): Promise<number[][]> {
  const asked = conditions.map((each) => ({
    ...each,
    selector: visited ? each.selector.replaceAll(':visited', ':any-link') : each.selector,
  }))
  return page.evaluate((all) => {
    const matching = (element: Element, selector: string) => {
      try {
        return element.matches(selector)
      } catch {
        return false
      }
    }
    const rows: number[][] = []
    for (const element of document.querySelectorAll('*'))
      for (const pseudo of [null, '::before', '::after'])
        rows.push(
          all.flatMap((each, i) =>
            each.pseudo === pseudo &&
            (!each.width || matchMedia(each.width).matches) &&
            matching(element, each.selector)
              ? [i]
              : [],
          ),
        )
    return rows
  }, asked)
}

/** Shows a page of a copy, of which nothing moves and no script runs. */
export async function show(
  page: Page,
  origin: string,
  path: string,
  files: ReadonlyMap<string, Buffer>,
): Promise<void> {
  await page.unrouteAll()
  await page.route(`${origin}/**`, (route) => {
    const wanted = decodeURIComponent(new URL(route.request().url()).pathname.slice(1))
    const body = files.get(wanted)
    const contentType = wanted.endsWith('.css') ? 'text/css' : wanted.endsWith('.html') ? 'text/html' : 'image/svg+xml'
    return body
      ? route.fulfill({ body, contentType, headers: { 'Content-Security-Policy': "script-src 'none'" } })
      : route.fulfill({ status: 404 })
  })
  await page.goto(`${origin}/${path}`)
  // What is on its way from one color to another says nothing of either.
  await page.addStyleTag({ content: '*,*::before,*::after{transition:none!important;animation:none!important}' })
}

/** Of each row of `paintOnPage`, that of its parent. */
export function parentsOf(page: Page): Promise<number[]> {
  return page.evaluate(() => {
    const all = [...document.querySelectorAll('*')]
    const at = new Map(all.map((element, i) => [element, i * 3]))
    return all.flatMap((element, i) => [
      element.parentElement ? (at.get(element.parentElement) ?? -1) : -1,
      i * 3,
      i * 3,
    ])
  })
}

/** What reads the paint of the page, and whether links count as visited. */
type Act<T> = (paint: () => Promise<string[][]>, visited: boolean) => Promise<T>

/** Does something under each forced state of some elements that a visitor can act on; of links, also as visited. */
export async function eachState<T>(page: Page, cdp: CDPSession, act: Act<T>): Promise<T[]> {
  const found: T[] = []
  const { root } = await cdp.send('DOM.getDocument', { depth: 0 })
  const idsOf = async (selector: string) =>
    (await cdp.send('DOM.querySelectorAll', { nodeId: root.nodeId, selector })).nodeIds
  const under = async (nodeIds: readonly number[], forced: string[], paint: () => Promise<string[][]>) => {
    const force = async (forcedPseudoClasses: string[]) => {
      for (const nodeId of nodeIds) await cdp.send('CSS.forcePseudoState', { nodeId, forcedPseudoClasses })
    }
    await force(forced)
    found.push(await act(paint, forced.includes('visited')))
    await force([])
  }
  const actable = await idsOf('a, button, input, [class*=btn]')
  const some = actable.filter((_, i) => i % Math.ceil(actable.length / 12) === 0)
  for (const forced of [['hover'], ['focus', 'focus-visible'], ['active']])
    await under(some, forced, () => paintOnPage(page))
  const [links, all] = [await idsOf('a[href]'), await idsOf('*')]
  // A page's own answer says of no link that it was visited: the debugging protocol does.
  await under(links, ['visited'], async () => {
    const rows = await paintOnPage(page)
    for (const nodeId of links) {
      const { computedStyle } = await cdp.send('CSS.getComputedStyleForNode', { nodeId })
      const values = new Map(computedStyle.map(({ name, value }) => [name, value]))
      rows[all.indexOf(nodeId) * 3] = PROPERTIES.map((name) => values.get(name) ?? '')
    }
    return rows
  })
  return found
}
