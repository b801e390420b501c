import { wholeColor } from '../scan/code-string.ts'
import type { Around } from './around.ts'
import { isText, operandsOf } from './content.ts'
import type { Interest } from './interest.ts'
import type { Names } from './names.ts'
import {
  bareNode,
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
import { attributeSlot, CSS_TEXT, isLabel, MARKUP, NONE, namedSlot, OPEN, type Slot, styleSlot, TABLE } from './slot.ts'
import { argumentsOf, assignedTo } from './targets.ts'

/** Takes every string and template of a script, and whatever puts some together, those that are no colors too: they may name a file. */
export type OnString = (node: Node, around: Around) => void

const COMPARED = new Set(['==', '===', '!=', '!==', '<', '>', '<=', '>=', 'in', 'instanceof'])

/** Finds the strings of a script, each with what a string is where it stands. @param interest the rest is not looked at */
export function findStrings(root: Node, names: Names, interest: Interest, outer: Around, onString: OnString): void {
  /** Visits what is within a node; nothing is known of it. */
  const inside = (node: Node, around: Around) => {
    const open = around.slot === OPEN ? around : { ...around, slot: OPEN }
    for (const each of childrenOf(node)) visit(each, open)
  }
  const to = (node: Node | null, around: Around, slot: Slot) => {
    if (node) visit(node, around.slot === slot ? around : { ...around, slot })
  }

  const visit = (node: Node, around: Around): void => {
    if (!interest.isIn(node.start, node.end)) return
    switch (node.type) {
      case 'StringLiteral':
      case 'DirectiveLiteral':
        onString(node, around)
        return
      case 'TemplateLiteral':
        onString(node, around)
        for (const each of list(node, 'expressions')) to(each, around, OPEN)
        return
      case 'TaggedTemplateExpression':
        return tagged(node, around)
      case 'JSXText':
        return
      case 'ParenthesizedExpression':
      case 'TSAsExpression':
      case 'TSNonNullExpression':
      case 'TSSatisfiesExpression':
      case 'TSTypeAssertion':
      case 'TypeCastExpression':
      case 'JSXExpressionContainer':
      case 'SpreadElement':
      case 'AwaitExpression':
        return to(child(node, 'expression') ?? child(node, 'argument'), around, around.slot)
      case 'ConditionalExpression':
        to(child(node, 'test'), around, NONE)
        to(child(node, 'consequent'), around, around.slot)
        return to(child(node, 'alternate'), around, around.slot)
      case 'LogicalExpression':
        to(child(node, 'left'), around, around.slot)
        return to(child(node, 'right'), around, around.slot)
      case 'SequenceExpression': {
        const expressions = list(node, 'expressions')
        expressions.forEach((each, i) => {
          to(each, around, i === expressions.length - 1 ? around.slot : OPEN)
        })
        return
      }
      case 'BinaryExpression': {
        if (node.operator === '+') return together(node, around)
        const slot = COMPARED.has(String(node.operator)) ? NONE : around.slot
        to(child(node, 'left'), around, slot)
        return to(child(node, 'right'), around, slot)
      }
      case 'SwitchCase':
        to(child(node, 'test'), around, NONE)
        for (const each of list(node, 'consequent')) to(each, around, OPEN)
        return
      case 'ImportDeclaration':
      case 'ExportAllDeclaration':
        return to(child(node, 'source'), around, NONE)
      case 'TSEnumDeclaration':
        return enumeration(node, around)
      case 'AssignmentExpression':
        return assignment(node, around)
      case 'VariableDeclarator':
      case 'AssignmentPattern':
      case 'ClassProperty':
      case 'PropertyDefinition':
        return declared(node, around)
      case 'ObjectExpression':
        return object(node, around)
      case 'ArrayExpression':
        return array(node, around)
      case 'CallExpression':
      case 'OptionalCallExpression':
      case 'NewExpression':
        return call(node, around)
      case 'JSXElement':
        return inside(node, around)
      case 'JSXOpeningElement':
        for (const each of list(node, 'attributes'))
          if (each?.type === 'JSXAttribute') jsxAttribute(each, child(node, 'name'), around)
          else to(each, around, OPEN)
        return
      case 'ReturnStatement':
        return to(child(node, 'argument'), around, around.slot)
      case 'BlockStatement':
      case 'IfStatement':
        // What a function returns is what its name says.
        if (node.type === 'IfStatement') to(child(node, 'test'), around, OPEN)
        for (const each of node.type === 'IfStatement'
          ? [child(node, 'consequent'), child(node, 'alternate')]
          : list(node, 'body'))
          to(each, around, each?.type === 'ExpressionStatement' ? OPEN : around.slot)
        return
    }
    if (isType(node)) return
    if (isFunction(node)) return functionBody(node, around)
    inside(node, around)
  }

  const together = (node: Node, around: Around) => {
    const operands = operandsOf(node)
    if (operands.some(isText)) onString(node, around)
    for (const each of operands) {
      if (!isText(each)) to(each, around, around.slot)
      else for (const expression of list(each, 'expressions')) to(expression, around, OPEN)
    }
  }

  const functionBody = (node: Node, around: Around) => {
    for (const each of list(node, 'params')) to(each, around, OPEN)
    const name = child(node, 'id')?.name ?? keyName(node, 'key')
    const own = typeof name === 'string' ? namedSlot(name) : null
    to(
      child(node, 'body'),
      around,
      own ?? (around.slot.kind === 'value' || around.slot.kind === 'style' ? around.slot : OPEN),
    )
  }

  const assignment = (node: Node, around: Around) => {
    const left = bareNode(child(node, 'left'))
    const right = child(node, 'right')
    if (left) inside(left, around)
    if (right) visit(right, assignedTo(left, names, around))
  }

  const declared = (node: Node, around: Around) => {
    const target = child(node, 'id') ?? child(node, 'left') ?? child(node, 'key')
    const value = child(node, 'init') ?? child(node, 'right') ?? child(node, 'value')
    const name = target?.type === 'Identifier' ? String(target.name) : null
    if (target && target.type !== 'Identifier') inside(target, around)
    to(value, around, (name && namedSlot(name)) || OPEN)
  }

  const object = (node: Node, around: Around) => {
    const properties = list(node, 'properties')
    const table = isTable(properties.map((each) => child(each, 'value')))
    for (const property of properties) {
      if (!property) continue
      if (property.type !== 'ObjectProperty') {
        visit(property, property.type === 'SpreadElement' ? around : { ...around, slot: OPEN })
        continue
      }
      const name = keyName(property, 'key')
      if (property.computed === true) to(child(property, 'key'), around, OPEN)
      to(child(property, 'value'), around, name === null ? OPEN : propertySlot(name, around, table))
    }
  }

  const propertySlot = (name: string, around: Around, table: boolean): Slot => {
    const { slot } = around
    if (slot.kind === 'style') {
      const own = styleSlot(name, slot.element)
      return own === NONE ? slot : own
    }
    if (slot.kind === 'attributes')
      return name === 'style' ? { kind: 'style', element: slot.element } : attributeSlot(name, slot.element, true)
    if (/^(?:style|styles|sx|contentStyle|containerStyle)$/.test(name)) return { kind: 'style', element: null }
    const own = namedSlot(name)
    if (own !== NONE && isLabel(name)) return OPEN
    return own ?? (slot.kind === 'value' ? slot : table ? TABLE : OPEN)
  }

  /** Its members are what their names say, or else what its own says. */
  const enumeration = (node: Node, around: Around) => {
    const own = namedSlot(String(child(node, 'id')?.name ?? '')) ?? OPEN
    for (const member of list(child(node, 'body') ?? node, 'members')) {
      const id = child(member, 'id')
      to(child(member, 'initializer'), around, namedSlot(stringOf(id) ?? String(id?.name ?? '')) ?? own)
    }
  }

  const array = (node: Node, around: Around) => {
    const elements = list(node, 'elements')
    const slot = around.slot.kind === 'open' && isTable(elements) ? TABLE : around.slot
    for (const each of elements) to(each, around, slot)
  }

  const call = (node: Node, around: Around) => {
    const callee = bareNode(child(node, 'callee'))
    const args = list(node, 'arguments')
    if (callee?.type === 'Import') return to(args[0] ?? null, around, NONE)
    if (callee) inside(callee, around)
    const each = argumentsOf(node, names, around)
    args.forEach((argument, i) => {
      if (argument) visit(argument, each[i] as Around)
    })
  }

  const tagged = (node: Node, around: Around) => {
    const tag = child(node, 'tag')
    const quasi = child(node, 'quasi')
    if (!quasi) return
    const written = tag ? rootName(tag) : null
    const slot: Slot =
      written && /^(?:css|styled|keyframes|createGlobalStyle|injectGlobal|unsafeCSS|stylesheet)$/.test(written)
        ? CSS_TEXT
        : written && /^(?:html|svg|raw)$/.test(written)
          ? MARKUP
          : OPEN
    if (tag) inside(tag, around)
    visit(quasi, { ...around, slot })
  }

  /** @param element the name of its tag: that of a plain element begins with a small letter */
  const jsxAttribute = (node: Node, element: Node | null, around: Around) => {
    const name = keyName({ ...node, property: node.name })
    const value = child(node, 'value')
    if (name === null || !value) return
    const tag = element?.type === 'JSXIdentifier' ? String(element.name) : null
    const slot: Slot =
      name === 'style' ? { kind: 'style', element: tag } : attributeSlot(name, tag, tag !== null && /^[a-z]/.test(tag))
    visit(value, { ...around, slot })
  }

  visit(root, outer)
}

/** Nodes of TypeScript that hold what runs. */
const RUN = /^TS(?:Module|Export|Instantiation|Parameter(?!s|Instantiation)|Import|Namespace)/

/** Whether a node says of what type something is: nothing in it is ever there when the script runs. */
function isType({ type }: Node): boolean {
  if (type.startsWith('TS')) return !RUN.test(type)
  return /^(?:Type|OpaqueType|Declare|Interface)|TypeAnnotation$/.test(type) && type !== 'TypeCastExpression'
}

/** Fewer are no table. */
const SMALLEST_TABLE = 3

/** Whether all of several values are strings that are wholly a color, not all of them mere words. */
function isTable(values: readonly (Node | null)[]): boolean {
  if (values.length < SMALLEST_TABLE) return false
  let written = 0
  for (const value of values) {
    const text = stringOf(value)
    const kind = text === null ? null : wholeColor(text)
    if (kind === null) return false
    if (kind !== 'name') written++
  }
  return written > 0
}

/** `styled.a.attrs(...)` begins with `styled`. */
function rootName(node: Node): string | null {
  let at: Node | null = node
  while (at && (isMember(at) || isCall(at))) at = child(at, isMember(at) ? 'object' : 'callee')
  return at?.type === 'Identifier' ? String(at.name) : null
}
