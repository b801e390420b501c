import { handlerSignals } from '../value/paint-attributes.ts'
import type { Around } from './around.ts'
import type { Names } from './names.ts'
import {
  bareNode,
  calleeName,
  child,
  isCall,
  isFunction,
  isMember,
  keyName,
  list,
  type Node,
  stringOf,
} from './parse.ts'
import {
  attributeSlot,
  COLOR_STOP,
  CSS_TEXT,
  canvasSlot,
  documentSlot,
  MARKUP,
  NONE,
  namedSlot,
  OPEN,
  type Slot,
  styleSlot,
  takesNames,
} from './slot.ts'

/** What the right side of an assignment is where it stands. @param left without brackets around */
export function assignedTo(left: Node | null, names: Names, around: Around): Around {
  const as = (slot: Slot): Around => ({ ...around, slot })
  if (!isMember(left)) return as((left?.type === 'Identifier' && namedSlot(String(left.name))) || OPEN)
  const name = keyName(left)
  const object = bareNode(child(left, 'object'))
  if (name === null) return as(OPEN)
  const event = /^on([a-z]+)$/.exec(name)?.[1]
  if (event !== undefined)
    return { slot: OPEN, signals: handlerSignals(event), self: names.elementOf(object, around.self) }
  if (isMember(object) && keyName(object) === 'style')
    return as(styleSlot(name, names.elementOf(child(object, 'object'), around.self)))
  if (/^(?:innerHTML|outerHTML|srcdoc)$/.test(name)) return as(MARKUP)
  const isSheet = (object?.type === 'Identifier' && /style|css/i.test(String(object.name))) || isStyle(names, object)
  if (/^(?:className|id|href|src|textContent|innerText|hash|title|value|type|name)$/.test(name) && !isSheet)
    return as(NONE)
  const isDocument = object?.type === 'Identifier' && object.name === 'document'
  return as(canvasSlot(name) ?? (isDocument ? documentSlot(name) : null) ?? namedSlot(name) ?? OPEN)
}

/** Whether what is meant is a `style` element that the script made. */
function isStyle(names: Names, node: Node | null): boolean {
  const made = names.valueOf(node)
  if (!isCall(made) || !/^createElement(?:NS)?$/.test(calleeName(made) ?? '')) return false
  return stringOf(list(made, 'arguments').at(-1) ?? null) === 'style'
}

/** What each argument of a call is where it stands, in their order. */
export function argumentsOf(call: Node, names: Names, around: Around): Around[] {
  const args = list(call, 'arguments')
  const name = calleeName(call)
  const known = name === null ? null : knownArguments(name, call, args, names, around)
  if (known) return args.map((_, i) => known(i) ?? { ...around, slot: OPEN })
  const isNames = name !== null && takesNames(name)
  const other = name !== null && !isNames && /colou?r$/i.test(name) ? (namedSlot(name) ?? OPEN) : OPEN
  return args.map((each) => ({ ...around, slot: isNames ? amongNames(each) : other }))
}

/** What an argument of a function is that takes selectors, classes and the like: `$("<p style=...>")` is markup. */
function amongNames(argument: Node | null): Slot {
  const bare = bareNode(argument)
  const isText = bare?.type === 'StringLiteral' || bare?.type === 'TemplateLiteral' || bare?.type === 'ArrayExpression'
  if (!isText) return OPEN
  return /^\s*</.test(stringOf(bare) ?? '') ? MARKUP : NONE
}

/** For each argument what it is, undefined: nothing special; null: the function is not one that paints, or not called so. */
type Known = ((index: number) => Around | undefined) | null

function knownArguments(name: string, call: Node, args: readonly (Node | null)[], names: Names, around: Around): Known {
  const callee = bareNode(child(call, 'callee'))
  const on = isMember(callee) ? bareNode(child(callee, 'object')) : null
  const first = stringOf(args[0] ?? null)
  const element = () => names.elementOf(on, around.self)
  const only = (index: number, slot: Slot): Known => {
    const here = { ...around, slot }
    return (i) => (i === index ? here : undefined)
  }
  const isObject = bareNode(args[0] ?? null)?.type === 'ObjectExpression'
  switch (name) {
    case 'setProperty': {
      const owner = isMember(on) ? child(on, 'object') : on
      return first === null ? null : only(1, styleSlot(first, names.elementOf(owner, around.self)))
    }
    case 'css':
      if (first !== null && args.length > 1) return only(1, styleSlot(first, element()))
      return isObject ? only(0, { kind: 'style', element: element() }) : null
    case 'animate':
      return on ? only(0, { kind: 'style', element: element() }) : null
    case 'assign': {
      const target = bareNode(args[0] ?? null)
      if (!isMember(target) || keyName(target) !== 'style') return null
      const slot: Slot = { kind: 'style', element: names.elementOf(child(target, 'object'), around.self) }
      return (i) => (i > 0 ? { ...around, slot } : undefined)
    }
    case 'setAttr': {
      const slot = first === null ? null : canvasSlot(first)
      return slot && only(1, slot)
    }
    case 'setAttributeNS': {
      const key = stringOf(args[1] ?? null)
      return key === null ? null : only(2, attributeSlot(key, element(), true))
    }
    case 'attr':
    case 'prop':
    case 'setAttribute':
      if (first !== null && args.length > 1) return only(1, attributeSlot(first, element(), name !== 'prop'))
      return isObject ? only(0, { kind: 'attributes', element: element() }) : null
    case 'style':
      return first !== null && on && args.length > 1 ? only(1, styleSlot(first, element())) : null
    case 'addColorStop':
      return only(1, COLOR_STOP)
    case 'insertRule':
    case 'replaceSync':
      return only(0, CSS_TEXT)
    case 'createElement':
    case 'jsx':
    case 'jsxs':
    case 'h': {
      const slots: readonly Slot[] = [NONE, { kind: 'attributes', element: first }]
      return (i) => ({ ...around, slot: slots[i] ?? OPEN })
    }
    case 'write':
    case 'writeln':
    case 'insertAdjacentHTML':
      return () => ({ ...around, slot: MARKUP })
    case 'addEventListener':
    case 'on': {
      const last = args.length - 1
      if (first === null || !isFunction(bareNode(args[last] ?? null))) return null
      const handler: Around = { slot: OPEN, signals: handlerSignals(first), self: element() }
      return (i) => (i === last ? handler : { ...around, slot: NONE })
    }
    case 'hover':
    case 'mouseenter':
    case 'mouseover':
    case 'focus':
    case 'mousedown': {
      const signals = handlerSignals(name === 'hover' ? 'mouseover' : name)
      const self = element()
      return (i) => ({ slot: OPEN, signals: i === 0 ? signals : [], self })
    }
    default:
      return null
  }
}
