import type { AnySchema } from 'yup'

/** The part of a value whose fields a schema knows; fields that older versions kept beside them are left out. */
export function knownPart(schema: AnySchema, value: unknown): unknown {
  if (typeof value !== 'object' || value === null) return value
  const { type, fields, innerType } = (schema as unknown as { resolve(options: { value: unknown }): unknown }).resolve({
    value
  }) as { type: string; fields?: { [name: string]: AnySchema }; innerType?: AnySchema }
  if (Array.isArray(value)) return type === 'array' && innerType ? value.map((one) => knownPart(innerType, one)) : value
  if (type !== 'object' || !fields || Object.keys(fields).length === 0) return value
  return Object.fromEntries(
    Object.entries(value)
      .filter(([name]) => Object.hasOwn(fields, name))
      .map(([name, one]) => [name, knownPart(fields[name]!, one)])
  )
}
