/**
 * `survey(keys, rules)`: which elements of the page show some colors (opaque keys), and where each comes from as far as the page tells: the sheet that
 * declares it, the element's own style or attribute, the browser itself, or an image. Bounded: what is beyond is told as not looked at.
 */
export const SURVEY = `
  const MOST_ELEMENTS = 20000
  const MOST_TRACED = 400
  const MOST_RULES = 50000
  const MOST_IMAGES = 100
  const probe = document.createElement('canvas').getContext('2d', { willReadFrequently: true })
  const keyOf = (text) => {
    const known = keys.get(text)
    if (known !== undefined) return known
    const key = readKey(text)
    if (keys.size < 20000) keys.set(text, key)
    return key
  }
  const keys = new Map()
  const readKey = (text) => {
    if (text.length > 200 || !CSS.supports('color', text)) return null
    // A canvas keeps what it had where a text is no color; it gives '#rrggbb', or 'rgba(...)' where that is see-through.
    probe.fillStyle = '#000000'
    probe.fillStyle = text
    const told = probe.fillStyle
    if (told[0] === '#') return told
    const numbers = /^rgba[(](\\d+), (\\d+), (\\d+), ([\\d.]+)[)]$/.exec(told)
    if (!numbers || Number(numbers[4]) === 0) return null
    return '#' + numbers.slice(1, 4).map((each) => Number(each).toString(16).padStart(2, '0')).join('')
  }
  const SIDES = ['top', 'right', 'bottom', 'left']
  const isDrawn = (style, name) => parseFloat(style[name + 'Width']) > 0 && !/^(?:none|hidden)$/.test(style[name + 'Style'])
  const TEXTLESS = ['checkbox', 'radio', 'range', 'color', 'image', 'hidden']
  /** Whether it shows a text that is no node of it. */
  const isField = ({ tagName, type }) => /^(?:TEXTAREA|SELECT)$/.test(tagName) || (tagName === 'INPUT' && !TEXTLESS.includes(type))
  const paintsOf = (element, style, isPseudo) => {
    const paints = []
    const hasText = isPseudo ? /["']\\S/.test(style.content) : [...element.childNodes].some((node) => node.nodeType === 3 && node.data.trim() !== '')
    if (hasText || isField(element)) paints.push(['text', 'color', style.color])
    paints.push(['ground', 'background-color', style.backgroundColor])
    for (const color of colorsIn(style.backgroundImage)) paints.push(['ground', 'background-image', color])
    for (const side of SIDES) {
      const name = 'border' + side[0].toUpperCase() + side.slice(1)
      if (isDrawn(style, name)) paints.push(['line', 'border-' + side + '-color', style[name + 'Color']])
    }
    if (isDrawn(style, 'outline')) paints.push(['line', 'outline-color', style.outlineColor])
    for (const color of colorsIn(style.boxShadow)) paints.push(['shadow', 'box-shadow', color])
    for (const color of hasText ? colorsIn(style.textShadow) : []) paints.push(['shadow', 'text-shadow', color])
    if (hasText && style.textDecorationLine !== 'none') paints.push(['line', 'text-decoration-color', style.textDecorationColor])
    if (element instanceof SVGGeometryElement || element instanceof SVGTextContentElement) paints.push(['fill', 'fill', style.fill], ['stroke', 'stroke', style.stroke])
    if (element instanceof SVGStopElement) paints.push(['fill', 'stop-color', style.stopColor])
    return paints
  }
  const rulesOf = () => {
    const rules = []
    const walk = (list, sheet) => {
      for (const rule of list) {
        if (rules.length >= MOST_RULES) return
        if (rule.selectorText && rule.style && rule.style.length > 0) rules.push({ selector: rule.selectorText, style: rule.style, sheet })
        if (rule.styleSheet) readRules(rule.styleSheet)
        if (rule.cssRules && rule.cssRules.length > 0) walk(rule.cssRules, sheet)
      }
    }
    const readRules = (sheet) => {
      try {
        walk(sheet.cssRules, sheet.href === null ? location.pathname : new URL(sheet.href).pathname)
      } catch {}
    }
    for (const sheet of document.styleSheets) readRules(sheet)
    return rules
  }
  const INHERITED = /^(?:color|fill|stroke|text-shadow|text-decoration-color)$/
  const OWN_COLOR = /^(?:INPUT|TEXTAREA|SELECT|BUTTON|MARK)$/
  const DECLARED = { 'text-decoration-color': ['text-decoration-color', 'color'] }
  const ATTRIBUTES = ['fill', 'stroke', 'stop-color', 'color', 'bgcolor', 'text', 'link', 'bordercolor', 'style']
  const declares = (style, property, key) => {
    for (const name of DECLARED[property] ?? [property]) {
      const value = style.getPropertyValue(name)
      if (value === '') continue
      if (keyOf(value) === key || colorsIn(value).some((each) => keyOf(each) === key)) return true
      // A shorthand with a variable in it has no longhands of its own: what it comes to is told by the element.
      if (/var[(]/.test(value)) return true
    }
    const short = property.replace(/-(?:top|right|bottom|left)?-?(?:color|image)$/, '')
    return short !== property && /var[(]/.test(style.getPropertyValue(short))
  }
  /** Where an element's color comes from: the path of a sheet, 'style', 'attribute', 'browser', or null: nobody knows. */
  const sourceOf = (element, pseudo, property, key, rules) => {
    let isSet = false
    for (let at = element; at; at = INHERITED.test(property) ? at.parentElement : null) {
      const own = at === element && pseudo
      if (!own && at.style && declares(at.style, property, key)) return 'style'
      for (const { selector, style, sheet } of rules) {
        if (!declares(style, property, key)) continue
        try {
          if (own ? selector.includes(pseudo) && at.matches(selector.replace(/::?(?:before|after)/g, '') || '*') : at.matches(selector)) return sheet
        } catch {}
      }
      if (!own && ATTRIBUTES.some((name) => keyOf(at.getAttribute(name) ?? '') === key)) return 'attribute'
      const isSetHere = rules.some(({ selector, style }) => {
        try {
          return style.getPropertyValue(property) !== '' && at.matches(selector)
        } catch {
          return false
        }
      })
      // What the browser gives a color of its own inherits none.
      if (!isSetHere && property === 'color' && OWN_COLOR.test(at.tagName)) return 'browser'
      isSet ||= isSetHere
    }
    return isSet ? null : 'browser'
  }
  const imageShows = (image, wanted) => {
    try {
      const canvas = document.createElement('canvas')
      canvas.width = canvas.height = 32
      const context = canvas.getContext('2d', { willReadFrequently: true })
      context.imageSmoothingEnabled = false
      context.drawImage(image, 0, 0, 32, 32)
      const { data } = context.getImageData(0, 0, 32, 32)
      const counts = new Map()
      for (let at = 0; at < data.length; at += 4) {
        if (data[at + 3] === 0) continue
        const key = '#' + [...data.slice(at, at + 3)].map((each) => each.toString(16).padStart(2, '0')).join('')
        if (wanted.has(key)) counts.set(key, (counts.get(key) ?? 0) + 1)
      }
      // A share that an eye sees, of what are all pixels taken together.
      return [...counts].filter(([, times]) => times >= 1024 / 50).map(([key]) => key)
    } catch {
      return []
    }
  }
  /** Of rules that were added: how many elements each finds, and how many of them take its color. In states nothing can be told. */
  const rulesTold = (rules) => rules.slice(0, 500).flatMap(({ selector, property, color }) => {
    if (typeof selector !== 'string' || /:(?!:|not|is|where|first|last|nth|only|empty|root)/.test(selector)) return []
    try {
      const found = [...document.querySelectorAll(selector)].slice(0, 5000)
      return [{ selector, property, color, found: found.length, taking: found.filter((each) => keyOf(getComputedStyle(each).getPropertyValue(property)) === color).length }]
    } catch {
      return []
    }
  })
  const survey = (wantedKeys, addedRules) => {
    const wanted = new Set(wantedKeys)
    const found = new Map()
    const showing = new Set()
    let elements = 0
    let images = 0
    let traced = 0
    let rules = null
    const add = (element, key, what, source) => {
      const id = key + ' ' + what + ' ' + source
      const known = found.get(id) ?? { color: key, what, source, elements: 0, example: describe(element) }
      known.elements++
      found.set(id, known)
      showing.add(element)
    }
    const known = new Map()
    const trace = (element, pseudo, property, key) => {
      const same = describe(element) + ' ' + (element.parentElement ? describe(element.parentElement) : '') + pseudo + property + key
      if (known.has(same)) return known.get(same)
      if (++traced > MOST_TRACED) return null
      rules ??= rulesOf()
      const source = sourceOf(element, pseudo, property, key, rules)
      known.set(same, source)
      return source
    }
    const look = (element, pseudo) => {
      const style = getComputedStyle(element, pseudo || null)
      if (pseudo && (style.content === 'none' || style.content === 'normal')) return
      const told = new Set()
      for (const [what, property, color] of paintsOf(element, style, pseudo !== '')) {
        const key = keyOf(color)
        if (key === null || !wanted.has(key) || told.has(what + key)) continue
        told.add(what + key)
        add(element, key, what, trace(element, pseudo, property, key))
      }
    }
    const walker = document.createTreeWalker(document.documentElement, NodeFilter.SHOW_ELEMENT)
    for (let element = walker.currentNode; element; element = walker.nextNode()) {
      if (/^(?:SCRIPT|STYLE|HEAD|META|LINK|TITLE|TEMPLATE|NOSCRIPT|BASE)$/.test(element.tagName)) continue
      if (element.closest('head')) continue
      if (++elements > MOST_ELEMENTS) break
      if (!element.checkVisibility({ checkVisibilityCSS: true })) continue
      for (const pseudo of ['', '::before', '::after']) look(element, pseudo)
      if (element instanceof HTMLImageElement && element.complete && images++ < MOST_IMAGES)
        for (const key of imageShows(element, wanted)) add(element, key, 'image', 'image')
    }
    return { elements: Math.min(elements, MOST_ELEMENTS), isWhole: elements <= MOST_ELEMENTS, showing: showing.size, found: [...found.values()].slice(0, 500), rules: rulesTold(Array.isArray(addedRules) ? addedRules : []) }
  }
  const describe = (element) => {
    const classes = typeof element.className === 'string' ? element.className.trim().split(/\\s+/).filter(Boolean).slice(0, 3) : []
    return (element.tagName.toLowerCase() + (element.id ? '#' + element.id : '') + classes.map((each) => '.' + each).join('')).slice(0, 120)
  }
`
