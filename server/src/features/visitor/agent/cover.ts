/**
 * `coverOf()`: the fixed elements that cover the whole window, as a preloader does which only a script takes away.
 * `uncover()` takes them away, and lets a page be seen and scrolled that waits for its script.
 */
export const COVER = `
  const coverOf = () => {
    const points = [[0.5, 0.5], [0.05, 0.05], [0.95, 0.05], [0.05, 0.95], [0.95, 0.95]]
    const covers = points.map(([x, y]) => {
      let found = null
      for (let up = document.elementFromPoint(x * innerWidth, y * innerHeight); up && up !== document.body; up = up.parentElement)
        if (getComputedStyle(up).position === 'fixed') found = up
      return found
    })
    return covers[0] && covers.every((each) => each === covers[0]) ? covers[0] : null
  }
  const hidesAll = () => [document.documentElement, document.body].some((each) => {
    const { opacity, visibility, display } = getComputedStyle(each)
    return opacity === '0' || visibility === 'hidden' || display === 'none'
  })
  const isCovered = () => document.body !== null && (coverOf() !== null || hidesAll())
  const uncover = () => {
    for (let times = 0, cover = coverOf(); cover && times < 10; times++, cover = coverOf())
      cover.style.setProperty('display', 'none', 'important')
    const shown = { opacity: '1', visibility: 'visible', overflow: 'auto' }
    for (const each of [document.documentElement, document.body]) {
      for (const [name, value] of Object.entries(shown)) each.style.setProperty(name, value, 'important')
      if (getComputedStyle(each).display === 'none') each.style.setProperty('display', 'block', 'important')
    }
  }
`
