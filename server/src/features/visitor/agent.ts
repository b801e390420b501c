/**
 * The agent: the one script that runs on inherited pages. It speaks only with the application's origins, says where the visitor is,
 * scrolls and reloads in place, tells the colors at a point, and keeps links from leading out of the copy. Plain text, since it is put into pages as it stands.
 */
export function agentScript(appOrigins: readonly string[]): string {
  return `(() => {
  'use strict'
  const origins = ${JSON.stringify(appOrigins)}
  const KEEP = 'undo-ink-scroll'
  let app = null
  let quiet = 0
  const say = (message) => app && parent.postMessage(message, app)
  const where = () => say({ kind: 'at', path: location.pathname.slice(0, 2000), title: document.title.slice(0, 500) })
  addEventListener('message', (event) => {
    if (event.source !== parent || !origins.includes(event.origin) || typeof event.data !== 'object' || !event.data) return
    app = event.origin
    const { kind, x, y, path } = event.data
    if (kind === 'hello') {
      where()
      if (scrollX || scrollY) say({ kind: 'scrolled', x: scrollX, y: scrollY })
    }
    else if (kind === 'reload') {
      sessionStorage.setItem(KEEP, JSON.stringify([scrollX, scrollY]))
      location.reload()
    } else if (kind === 'go' && typeof path === 'string') {
      const target = new URL(path, location.origin)
      if (target.origin === location.origin) location.assign(target)
    } else if (kind === 'scroll' && Number.isFinite(x) && Number.isFinite(y)) {
      quiet = performance.now() + 200
      scrollTo({ left: x, top: y, behavior: 'instant' })
    } else if (kind === 'colors' && Number.isFinite(x) && Number.isFinite(y)) say({ kind: 'colors', x, y, found: colorsAt(x, y) })
  })
  const colorsAt = (x, y) => {
    const found = []
    const add = (what, color) => {
      if (typeof color !== 'string' || color.length > 100 || /^(?:none|transparent|context-|url)|^rgba[(].*, 0[)]$/.test(color)) return
      if (!found.some((each) => each.what === what && each.color === color)) found.push({ what, color })
    }
    const element = document.elementFromPoint(x, y)
    if (!element) return found
    const style = getComputedStyle(element)
    if (element instanceof HTMLImageElement) add('image', pixelOf(element, x, y))
    if (element instanceof SVGElement) for (const what of ['fill', 'stroke']) add(what, style[what])
    const hasText = [...element.childNodes].some((node) => node.nodeType === 3 && node.data.trim() !== '')
    if (hasText || element instanceof HTMLInputElement) add('text', style.color)
    for (let up = element; up; up = up.parentElement) {
      const { backgroundColor, backgroundImage } = getComputedStyle(up)
      if (backgroundImage.includes('gradient('))
        for (const color of backgroundImage.match(/(?:rgba?|color|oklch|oklab|lch|lab)[(][^()]*[)]/g) ?? []) add('ground', color)
      add('ground', backgroundColor)
      if (/^(?:rgb[(]|(?!rgba)[^/]*$)/.test(backgroundColor)) break
    }
    for (const side of ['Top', 'Right', 'Bottom', 'Left'])
      if (parseFloat(style['border' + side + 'Width']) > 0) add('line', style['border' + side + 'Color'])
    return found.slice(0, 12)
  }
  const pixelOf = (image, x, y) => {
    try {
      const { left, top, width, height } = image.getBoundingClientRect()
      const canvas = document.createElement('canvas')
      canvas.width = canvas.height = 1
      const context = canvas.getContext('2d')
      const at = [((x - left) / width) * image.naturalWidth, ((y - top) / height) * image.naturalHeight]
      context.drawImage(image, Math.floor(at[0]), Math.floor(at[1]), 1, 1, 0, 0, 1, 1)
      const [r, g, b, alpha] = context.getImageData(0, 0, 1, 1).data
      return alpha === 0 ? null : 'rgb(' + [r, g, b].join(', ') + ')'
    } catch {
      return null
    }
  }
  addEventListener('scroll', () => {
    if (performance.now() > quiet) say({ kind: 'scrolled', x: scrollX, y: scrollY })
  }, { passive: true })
  addEventListener('click', (event) => {
    const link = event.target instanceof Element ? event.target.closest('a[href], area[href]') : null
    if (!link) return
    const target = new URL(link.href, location.href)
    if (target.origin !== location.origin) event.preventDefault()
    else link.removeAttribute('target')
  }, true)
  const kept = sessionStorage.getItem(KEEP)
  sessionStorage.removeItem(KEEP)
  if (kept) {
    const [left, top] = JSON.parse(kept)
    scrollTo({ left, top, behavior: 'instant' })
  }
})()`
}
