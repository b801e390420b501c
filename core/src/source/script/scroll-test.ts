import type { Names } from './names.ts'
import { bareNode, calleeName, child, isCall, isMember, keyName, type Node } from './parse.ts'

/** Which side of a threshold: past it, or before it. */
export type Side = 'above' | 'below'

/** What a condition asks of the scroll position. */
export interface ScrollTest {
  /** On which side it holds. */
  readonly side: Side
  /** In pixels; null: not written out. */
  readonly threshold: number | null
}

const DEEPEST = 6

/** Reads a condition such as `window.scrollY > 80`, through names and `!`, `&&`, `||`; null: it does not ask for the scroll position. */
export function readScrollTest(node: Node | null, names: Names, depth = 0): ScrollTest | null {
  const test = names.valueOf(node)
  if (!test || depth > DEEPEST) return null
  switch (test.type) {
    case 'UnaryExpression': {
      const inner = test.operator === '!' ? readScrollTest(child(test, 'argument'), names, depth + 1) : null
      return inner && { ...inner, side: inner.side === 'above' ? 'below' : 'above' }
    }
    case 'LogicalExpression':
      return (
        readScrollTest(child(test, 'left'), names, depth + 1) ?? readScrollTest(child(test, 'right'), names, depth + 1)
      )
    case 'BinaryExpression': {
      const operator = String(test.operator)
      if (!/^[<>]=?$/.test(operator)) return null
      const [left, right] = [child(test, 'left'), child(test, 'right')]
      const onLeft = isScrollPosition(left, names)
      if (!onLeft && !isScrollPosition(right, names)) return null
      const isGreater = operator.startsWith('>')
      return { side: onLeft === isGreater ? 'above' : 'below', threshold: names.numberOf(onLeft ? right : left) }
    }
    // An observed element that is in view has not been scrolled past.
    case 'MemberExpression':
      return keyName(test) === 'isIntersecting' ? { side: 'below', threshold: null } : null
    default:
      return isScrollPosition(test, names) ? { side: 'above', threshold: 0 } : null
  }
}

/** Whether an expression is how far the page has been scrolled. */
function isScrollPosition(node: Node | null, names: Names, depth = 0): boolean {
  const value = names.valueOf(node)
  if (!value || depth > DEEPEST) return false
  if (value.type === 'LogicalExpression' || value.type === 'BinaryExpression')
    return (
      isScrollPosition(child(value, 'left'), names, depth + 1) ||
      isScrollPosition(child(value, 'right'), names, depth + 1)
    )
  if (isCall(value)) {
    const callee = bareNode(child(value, 'callee'))
    if (/^(?:max|min|round|floor|abs|Number|parseInt)$/.test(calleeName(value) ?? ''))
      return (value.arguments as (Node | null)[]).some((each) => isScrollPosition(each, names, depth + 1))
    return isMember(callee) && keyName(callee) === 'scrollTop'
  }
  if (value.type === 'Identifier') return /^(?:scrollY|pageYOffset)$/.test(String(value.name))
  return isMember(value) && /^(?:scrollY|pageYOffset|scrollTop)$/.test(keyName(value) ?? '')
}
