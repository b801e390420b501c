import type { Range } from '../../text/range.ts'
import type { ColorSource } from '../occurrence.ts'
import type { StartTag } from '../scan/markup-scanner.ts'

/** Elements of HTML without an end tag (HTML §13.1.2). */
const VOID = new Set(
  'area base basefont bgsound br col embed frame hr img input keygen link meta param source track wbr'.split(' '),
)

interface OpenElement {
  readonly name: string
  readonly tag: StartTag
  /** Where it sets its own `color`; null: nowhere. */
  readonly color: Range | null
  readonly foreign: boolean
}

/** The elements that are open at a place. Every step is done once for each element, whatever is left unclosed. */
export class OpenElements {
  readonly #open: OpenElement[] = []
  readonly #counts = new Map<string, number>()
  readonly #text: string
  readonly #xml: boolean

  constructor(text: string, xml: boolean) {
    this.#text = text
    this.#xml = xml
  }

  /** @param color where the element sets its own `color` */
  push(tag: StartTag, color: Range | null): void {
    if (tag.selfClosing && (this.#xml || this.isForeign || isForeignRoot(tag.name))) return
    if (!this.#xml && VOID.has(tag.name)) return
    const foreign = isForeignRoot(tag.name) || (this.isForeign && tag.name !== 'foreignobject')
    this.#open.push({ name: tag.name, tag, color, foreign })
    this.#counts.set(tag.name, (this.#counts.get(tag.name) ?? 0) + 1)
  }

  pop(name: string): void {
    if ((this.#counts.get(name) ?? 0) === 0) return
    for (let element = this.#open.pop(); element; element = this.#open.pop()) {
      this.#counts.set(element.name, (this.#counts.get(element.name) ?? 1) - 1)
      if (element.name === name) return
    }
  }

  /** Whether the place is inside a drawing or a formula of a page, or in XML. */
  get isForeign(): boolean {
    return this.#xml || (this.#open.at(-1)?.foreign ?? false)
  }

  /** The element around that keeps a browser with scripts from using what is in it. */
  get inert(): 'noscript' | 'template' | null {
    const isOpen = (name: string) => (this.#counts.get(name) ?? 0) > 0
    return isOpen('noscript') ? 'noscript' : isOpen('template') ? 'template' : null
  }

  /** What gives `currentColor` its color on an element that is just beginning. */
  colorSource(tag: StartTag, color: Range | null): ColorSource {
    if (color) return { element: describe(this.#text, tag), range: color }
    // Looked for only so far up, so that hostile depth costs no time.
    const around = this.#open.slice(-MOST_ANCESTORS).reverse()
    const setter = around.find((element) => element.color)
    if (setter) return { element: describe(this.#text, setter.tag), range: setter.color }
    const outside = around.find((element) => !element.foreign) ?? this.#open[0]
    return { element: describe(this.#text, outside?.tag ?? tag), range: null }
  }
}

const MOST_ANCESTORS = 100

function isForeignRoot(name: string): boolean {
  return name === 'svg' || name === 'math'
}

/** The element as a selector would name it: type, id, classes; template tags left out. */
export function describe(text: string, tag: StartTag): string {
  const get = (wanted: string) => {
    const value = tag.attributes.find(({ name }) => name === wanted)?.value
    return value ? text.slice(value.start, value.end).trim() : ''
  }
  const id = get('id')
  const classes = get('class').split(/\s+/).filter(Boolean)
  return tag.name + (id === '' ? '' : `#${id.replace(/\s+/g, '')}`) + classes.map((name) => `.${name}`).join('')
}
