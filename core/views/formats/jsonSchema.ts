import type {
  AnySchema,
  SchemaDescription,
  SchemaFieldDescription,
  SchemaInnerTypeDescription,
  SchemaObjectDescription
} from 'yup'

/** A JSON Schema (draft 2020-12), as plain data. */
export type JsonSchema = { [keyword: string]: unknown }

/**
 * A Yup schema as JSON Schema: what a file may look like, for people and other programs. Rules that only code can check
 * (what parts mean to each other) are not in it; a schema's own words for those stand in its `meta({ jsonSchema })`.
 */
export function jsonSchemaOf(schema: AnySchema): JsonSchema {
  return describeField(schema.describe())
}

function describeField(field: SchemaFieldDescription): JsonSchema {
  const own = ownKeywords(field)
  return (field as SchemaDescription).nullable ? { anyOf: [own, { type: 'null' }] } : own
}

function ownKeywords(field: SchemaFieldDescription): JsonSchema {
  const description = field as SchemaDescription &
    Partial<SchemaObjectDescription> &
    Partial<SchemaInnerTypeDescription>
  const { jsonSchema, valuesOf } = (description.meta ?? {}) as { jsonSchema?: JsonSchema; valuesOf?: AnySchema }
  const own = { ...(valuesOf ? { additionalProperties: jsonSchemaOf(valuesOf) } : {}), ...jsonSchema }
  const enumerated = description.oneOf && description.oneOf.length > 0 ? { enum: description.oneOf } : {}
  switch (description.type) {
    case 'object':
      return { type: 'object', ...objectKeywords(description.fields ?? {}), ...own }
    case 'array':
      return {
        type: 'array',
        ...(description.innerType ? { items: describeField(description.innerType as SchemaFieldDescription) } : {}),
        ...limits(description, 'minItems', 'maxItems'),
        ...own
      }
    case 'tuple': {
      const items = description.innerType as unknown as SchemaFieldDescription[]
      return {
        type: 'array',
        prefixItems: items.map(describeField),
        minItems: items.length,
        maxItems: items.length,
        ...own
      }
    }
    case 'number':
      return {
        type: has(description, 'integer') ? 'integer' : 'number',
        ...limits(description, 'minimum', 'maximum'),
        ...own
      }
    case 'string':
      return {
        type: 'string',
        ...(has(description, 'required') ? { minLength: 1 } : {}),
        ...pattern(description),
        ...limits(description, 'minLength', 'maxLength'),
        ...enumerated,
        ...own
      }
    case 'boolean':
      return { type: 'boolean', ...own }
    default:
      return { ...enumerated, ...own }
  }
}

function objectKeywords(fields: Record<string, SchemaFieldDescription>): JsonSchema {
  const names = Object.keys(fields)
  if (names.length === 0) return {}
  const required = names.filter((name) => !(fields[name] as SchemaDescription).optional)
  return {
    properties: Object.fromEntries(names.map((name) => [name, describeField(fields[name]!)])),
    ...(required.length > 0 ? { required } : {}),
    additionalProperties: false
  }
}

function limits({ tests }: SchemaDescription, least: string, greatest: string): JsonSchema {
  const param = (name: string) => tests.find((test) => test.name === name)?.params?.[name]
  const [min, max] = [param('min'), param('max')]
  return { ...(min === undefined ? {} : { [least]: min }), ...(max === undefined ? {} : { [greatest]: max }) }
}

function pattern({ tests }: SchemaDescription): JsonSchema {
  const regex = tests.find(({ name }) => name === 'matches')?.params?.regex
  return regex instanceof RegExp ? { pattern: regex.source } : {}
}

function has({ tests }: SchemaDescription, name: string): boolean {
  return tests.some((test) => test.name === name)
}
