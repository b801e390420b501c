import { MOST_ADDRESS } from '@undo-ink/contracts'
import { COLORS_AT } from './colors-at.ts'
import { COVER } from './cover.ts'
import { SURVEY } from './survey.ts'

/**
 * The agent: the one script that runs on inherited pages. It speaks only with the application's origins, says where the visitor is,
 * scrolls and reloads in place, tells which colors are painted, and keeps links from leading out of the copy. It keeps nothing: browsers
 * refuse storage to framed pages of another site. Plain text, since it is put into pages as it stands.
 * @param version of the plan that the page is written by; null: it is as received
 */
export function agentScript(appOrigins: readonly string[], version: number | null): string {
  return `(() => {
  'use strict'
  const origins = ${JSON.stringify(appOrigins)}
  let app = null
  let quiet = 0
  const say = (message) => app && parent.postMessage(message, app)
  const where = () => say({ kind: 'at', version: ${version}, path: location.pathname.slice(0, ${MOST_ADDRESS}), title: document.title.slice(0, 500), covered: isCovered() })
  const COLOR = /(?:rgba?|color|oklch|oklab|lch|lab|hsla?|hwb)[(][^()]*[)]|#[0-9a-f]{3,8}\\b/gi
  const colorsIn = (value) => (/[(#]/.test(value) ? (value.slice(0, 5000).match(COLOR) ?? []) : [])
${COLORS_AT}${COVER}${SURVEY}
  addEventListener('message', (event) => {
    if (event.source !== parent || !origins.includes(event.origin) || typeof event.data !== 'object' || !event.data) return
    app = event.origin
    const { kind, x, y, path, colors, rules } = event.data
    if (kind === 'hello') {
      where()
      if (scrollX || scrollY) say({ kind: 'scrolled', x: scrollX, y: scrollY })
    } else if (kind === 'reload') location.reload()
    else if (kind === 'go' && typeof path === 'string') {
      const target = new URL(path, location.origin)
      if (target.origin === location.origin) location.assign(target)
    } else if (kind === 'scroll' && Number.isFinite(x) && Number.isFinite(y)) {
      quiet = performance.now() + 200
      scrollTo({ left: x, top: y, behavior: 'instant' })
    } else if (kind === 'colors' && Number.isFinite(x) && Number.isFinite(y)) say({ kind: 'colors', x, y, found: colorsAt(x, y) })
    else if (kind === 'uncover') {
      uncover()
      where()
    } else if (kind === 'survey' && Array.isArray(colors)) say({ kind: 'surveyed', path: location.pathname.slice(0, ${MOST_ADDRESS}), ...survey(colors, rules) })
  })
  addEventListener('scroll', () => {
    if (performance.now() > quiet) say({ kind: 'scrolled', x: scrollX, y: scrollY })
  }, { passive: true })
  const stay = (event) => {
    const link = event.target instanceof Element ? event.target.closest('a, area') : null
    // That of a drawing is an object.
    const address = link && (typeof link.href === 'string' ? link.href : link.href?.baseVal)
    if (!address) return
    const target = URL.canParse(address, document.baseURI) ? new URL(address, document.baseURI) : null
    if (target?.origin !== location.origin) event.preventDefault()
    else link.removeAttribute('target')
  }
  for (const press of ['click', 'auxclick']) addEventListener(press, stay, true)
})()`
}
