/** `colorsAt(x, y)`: what is painted at a point of the window, the uppermost first. Below the last element of a page lies the ground of its body. */
export const COLORS_AT = `
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
    // The canvas takes the ground of the root, and where that has none, the body's (CSS Backgrounds 3 §2.11.2).
    const under = element === document.documentElement && document.body ? document.body : null
    for (let up = under ?? element; up; up = up.parentElement) {
      const { backgroundColor, backgroundImage } = getComputedStyle(up)
      if (backgroundImage.includes('gradient('))
        for (const color of colorsIn(backgroundImage)) add('ground', color)
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
`
