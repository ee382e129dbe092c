import type { JsonSchema } from './jsonSchema'

const PLACE: JsonSchema = { type: 'integer', minimum: 0 }
const WORDS: JsonSchema = { type: 'string' }

/**
 * A schema of what is kept, as one of what is printed: a code may stand with the text it comes to, an id with its place
 * in the file it was read from.
 */
export function printedSchemaOf(schema: JsonSchema): JsonSchema {
  return allowPrinted(schema) as JsonSchema
}

function allowPrinted(node: unknown): unknown {
  if (Array.isArray(node)) return node.map(allowPrinted)
  if (typeof node !== 'object' || node === null) return node
  const inner = Object.fromEntries(Object.entries(node).map(([key, value]) => [key, allowPrinted(value)]))
  const properties = inner.properties as Record<string, JsonSchema> | undefined
  return properties ? { ...inner, properties: { ...properties, ...besides(properties) } } : inner
}

function besides({ code, id, readings }: Record<string, JsonSchema>): Record<string, JsonSchema> {
  const listsIds = (readings?.items as JsonSchema | undefined)?.type === 'string'
  return {
    ...(code ? { text: WORDS } : {}),
    ...(code && id ? { message: WORDS } : {}),
    ...(id ? { index: PLACE } : {}),
    ...(listsIds ? { indices: { type: 'array', items: PLACE } } : {})
  }
}
