import { expect, it } from 'vitest'
import * as z from 'zod'
import * as contracts from './index.ts'

const exported: readonly [string, unknown][] = Object.entries(contracts)
const schemas = exported.flatMap(([name, value]) => (value instanceof z.ZodType ? [[name, value] as const] : []))

it('finds the schemas', () => expect(schemas.length).toBeGreaterThan(20))

it.each(schemas)('%s says what it describes', (_name, schema) => {
  expect(schema.description).toBeTruthy()
})

it.each(schemas)('%s refuses members that it does not know', (_name, schema) => {
  const json = z.toJSONSchema(schema, { unrepresentable: 'any' })
  for (const object of objectsIn(json)) expect(object.additionalProperties).toBe(false)
})

/** Every object schema within a JSON schema. */
function objectsIn(json: unknown): { additionalProperties?: unknown }[] {
  if (typeof json !== 'object' || json === null) return []
  const inner = Object.values(json).flatMap(objectsIn)
  return 'type' in json && json.type === 'object' && 'properties' in json
    ? [json as { additionalProperties?: unknown }, ...inner]
    : inner
}
