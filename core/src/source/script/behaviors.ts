import type { BehaviorFacts, ClassChange, Recolor, Trigger } from '../behavior.ts'
import { inKebab } from '../named.ts'
import type { OuterContext } from '../occurrence.ts'
import { propertyKind } from '../value/property.ts'
import type { Names } from './names.ts'
import {
  bareNode,
  calleeName,
  child,
  childrenOf,
  isCall,
  isFunction,
  isMember,
  keyName,
  list,
  type Node,
  stringOf,
} from './parse.ts'
import { readScrollTest, type Side } from './scroll-test.ts'

/** Where in a handler a statement stands. */
interface Where {
  readonly trigger: Trigger
  readonly self: string | null
  /** Which side of a threshold; null: on both. */
  readonly side: Side | null
  readonly threshold: number | null
  /** Functions that are being followed, outermost first. */
  readonly within: readonly Node[]
}

/** Functions called from handlers are followed no deeper. */
const DEEPEST = 4
/** Statements looked at in the handlers of one script: hostile calls cost no time. */
const MOST_STEPS = 200_000

const EVENTS: Readonly<Record<string, readonly [Trigger, Side | null]>> = {
  scroll: ['scroll', null],
  wheel: ['scroll', null],
  touchmove: ['scroll', null],
  mouseover: ['hover', 'above'],
  mouseenter: ['hover', 'above'],
  pointerenter: ['hover', 'above'],
  pointerover: ['hover', 'above'],
  mouseout: ['hover', 'below'],
  mouseleave: ['hover', 'below'],
  pointerleave: ['hover', 'below'],
  pointerout: ['hover', 'below'],
  focus: ['focus', 'above'],
  focusin: ['focus', 'above'],
  blur: ['focus', 'below'],
  focusout: ['focus', 'below'],
  mousedown: ['press', 'above'],
  touchstart: ['press', 'above'],
  mouseup: ['press', 'below'],
  touchend: ['press', 'below'],
  click: ['click', null],
}

/**
 * Finds what a script does to colors and classes when a visitor scrolls, points, focuses or clicks.
 * @param outer of a handler in an attribute: its element and its event
 * @returns where the strings begin that an element is given past a threshold
 */
export function findBehaviors(
  root: Node,
  names: Names,
  outer: OuterContext,
  event: string | null,
  report: (start: number, end: number, facts: BehaviorFacts) => void,
): ReadonlySet<number> {
  const found = new Map<string, { start: number; end: number; facts: BehaviorFacts }>()
  const stuck = new Set<number>()
  let steps = 0

  const put = (node: Node, key: string, facts: BehaviorFacts, merge: (before: BehaviorFacts) => BehaviorFacts) => {
    const before = found.get(key)
    if (before) found.set(key, { ...before, facts: merge(before.facts) })
    else found.set(key, { start: node.start, end: node.end, facts })
  }

  const recolor = (node: Node, element: string | null, name: string, value: Node | null, where: Where) => {
    const property = name.startsWith('--') ? name : inKebab(name)
    const { takes } = propertyKind(property)
    if (takes !== 'color' && takes !== 'image' && takes !== 'custom') return
    for (const { text, side, threshold, start } of valuesOf(value, where)) {
      const key = ['recolor', where.trigger, element, property, threshold].join('\n')
      const isAbove = side !== 'below'
      if (isAbove && where.trigger === 'scroll' && side !== null) stuck.add(start)
      const facts: Recolor = {
        kind: 'recolor',
        trigger: where.trigger,
        element,
        property,
        threshold,
        above: isAbove ? text : null,
        below: isAbove ? null : text,
      }
      put(node, key, facts, (before) => ({ ...(before as Recolor), ...(isAbove ? { above: text } : { below: text }) }))
    }
  }

  /** The values that an expression may have, each with the side of a threshold on which it has it. */
  const valuesOf = (
    value: Node | null,
    where: Where,
  ): { text: string; side: Side | null; threshold: number | null; start: number }[] => {
    const bare = bareNode(value)
    if (bare?.type === 'ConditionalExpression') {
      const test = readScrollTest(child(bare, 'test'), names)
      if (test) {
        const at = (side: Side) => ({ ...where, side, threshold: test.threshold })
        return [
          ...valuesOf(child(bare, 'consequent'), at(test.side)),
          ...valuesOf(child(bare, 'alternate'), at(otherSide(test.side))),
        ]
      }
    }
    const resolved = names.valueOf(bare)
    const text = stringOf(resolved)
    if (text === null || !resolved) return []
    return [{ text, side: where.side, threshold: where.threshold, start: resolved.start }]
  }

  const classes = (node: Node, element: string | null, call: string, args: readonly (Node | null)[], where: Where) => {
    const test = /toggle/.test(call) && args[1] ? readScrollTest(args[1], names) : null
    const side = test ? test.side : where.side
    const threshold = test ? test.threshold : where.threshold
    const written = call === 'toggle' || /Class$/.test(call) ? args.slice(0, 1) : args
    for (const name of written.flatMap((each) => (stringOf(each) ?? '').split(/\s+/)).filter(Boolean)) {
      const isToggle = /toggle/.test(call) && !test && !(args[1] && side)
      const adds = /toggle/.test(call) ? !isToggle : /^add/.test(call)
      const isAbove = side !== 'below'
      const change: ClassChange['change'] = isToggle ? 'toggle' : adds === isAbove ? 'add' : 'remove'
      const key = ['class', where.trigger, element, name, threshold].join('\n')
      const facts: ClassChange = { kind: 'class', trigger: where.trigger, element, className: name, threshold, change }
      // On a click one branch adds what the other takes away.
      put(node, key, facts, (before) =>
        (before as ClassChange).change === change
          ? before
          : { ...(before as ClassChange), change: side === null ? 'toggle' : (before as ClassChange).change },
      )
    }
  }

  const follow = (node: Node, where: Where): void => {
    if (++steps > MOST_STEPS) return
    if (isFunction(node)) {
      const body = child(node, 'body')
      if (body) follow(body, where)
      return
    }
    if (node.type === 'IfStatement') {
      const test = readScrollTest(child(node, 'test'), names)
      const [then, other] = [child(node, 'consequent'), child(node, 'alternate')]
      if (then) follow(then, test ? { ...where, ...test } : where)
      if (other) follow(other, test ? { ...where, ...test, side: otherSide(test.side) } : where)
      return
    }
    if (node.type === 'AssignmentExpression') assigned(node, where)
    else if (isCall(node)) called(node, where)
    for (const each of childrenOf(node)) if (!isFunction(each) || isDeferred(node)) follow(each, where)
  }

  const assigned = (node: Node, where: Where) => {
    const left = bareNode(child(node, 'left'))
    const object = isMember(left) ? bareNode(child(left, 'object')) : null
    const name = isMember(left) ? keyName(left) : null
    if (name === null || !isMember(object) || keyName(object) !== 'style') return
    recolor(node, names.elementOf(child(object, 'object'), where.self), name, child(node, 'right'), where)
  }

  const called = (node: Node, where: Where) => {
    const name = calleeName(node)
    const callee = bareNode(child(node, 'callee'))
    const args = list(node, 'arguments')
    const on = isMember(callee) ? bareNode(child(callee, 'object')) : null
    const element = (of: Node | null) => names.elementOf(of, where.self)
    const known = names.functionOf(callee)
    if (known && !where.within.includes(known) && where.within.length < DEEPEST)
      follow(known, { ...where, within: [...where.within, known] })
    if (name === null) return
    const owner = isMember(on) ? child(on, 'object') : null
    if (name === 'setProperty') {
      const property = stringOf(args[0] ?? null)
      if (property !== null) recolor(node, element(owner), property, args[1] ?? null, where)
    } else if (name === 'css') {
      const property = stringOf(args[0] ?? null)
      if (property !== null && args[1]) recolor(node, element(on), property, args[1], where)
      const object = bareNode(args[0] ?? null)
      for (const each of object?.type === 'ObjectExpression' ? list(object, 'properties') : []) {
        const key = keyName(each, 'key')
        if (key !== null) recolor(node, element(on), key, child(each, 'value'), where)
      }
    } else if (/^(?:add|remove|toggle)Class$/.test(name)) classes(node, element(on), name, args, where)
    else if (/^(?:add|remove|toggle)$/.test(name) && isMember(on) && keyName(on) === 'classList')
      classes(node, element(owner), name, args, where)
  }

  const handle = (handler: Node | null, event: string, self: string | null) => {
    const known = Object.hasOwn(EVENTS, event) ? EVENTS[event] : undefined
    const body = names.functionOf(handler)
    if (!known || !body) return
    const [trigger, side] = known
    follow(body, { trigger, self, side, threshold: null, within: [body] })
  }

  const ownEvent = event !== null && Object.hasOwn(EVENTS, event) ? EVENTS[event] : undefined
  if (ownEvent) {
    const [trigger, side] = ownEvent
    follow(root, { trigger, self: outer.selector, side, threshold: null, within: [] })
  }
  for (const node of names.nodes) listen(node)
  for (const { start, end, facts } of found.values()) report(start, end, facts)
  return stuck

  /** Looks whether a node makes a function the handler of an event. */
  function listen(node: Node): void {
    if (node.type === 'AssignmentExpression') {
      const left = bareNode(child(node, 'left'))
      const event = isMember(left) ? /^on([a-z]+)$/.exec(keyName(left) ?? '')?.[1] : undefined
      if (event !== undefined && isMember(left))
        handle(child(node, 'right'), event, names.elementOf(child(left, 'object'), outer.selector))
      return
    }
    if (node.type === 'NewExpression' && calleeName(node) === 'IntersectionObserver')
      return handle(list(node, 'arguments')[0] ?? null, 'scroll', null)
    if (!isCall(node)) return
    const name = calleeName(node)
    const callee = bareNode(child(node, 'callee'))
    if (name === null || !isMember(callee)) return
    const args = list(node, 'arguments')
    const self = () => names.elementOf(child(callee, 'object'), outer.selector)
    if (name === 'addEventListener' || name === 'on' || name === 'bind') {
      const handler = args.find((each, i) => i > 0 && names.functionOf(each)) ?? null
      for (const event of (stringOf(args[0] ?? null) ?? '').split(/\s+/))
        handle(handler, event.split('.')[0] ?? '', self())
    } else if (name === 'hover') {
      handle(args[0] ?? null, 'mouseenter', self())
      handle(args[1] ?? null, 'mouseleave', self())
    } else if (Object.hasOwn(EVENTS, name)) handle(args[0] ?? null, name, self())
  }
}

function otherSide(side: Side): Side {
  return side === 'above' ? 'below' : 'above'
}

/** Whether functions given to a call run because of it: a timer, an animation frame, an iteration. */
function isDeferred(node: Node): boolean {
  return (
    isCall(node) &&
    /^(?:requestAnimationFrame|set\w+|forEach|each|map|throttle|debounce|then)$/.test(calleeName(node) ?? '')
  )
}
