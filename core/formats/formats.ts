import { jobSchema } from '../job/readJob'
import { caseSchema } from '../practice/readCase'
import { readingSchema } from '../readings/checkReading'
import { FINDINGS } from '../readings/conditions'
import { NUMERIC_KINDS, READING_KINDS } from '../readings/kinds'
import { driveSchema } from '../sheet/schema'
import { assessmentSchema } from './assessment'
import { jsonSchemaOf, type JsonSchema } from './jsonSchema'

/** The open formats, as JSON Schemas: made from the very rules that check files here (the assessment's stands by itself). */
export function formats(): Record<'umbrette-drive' | 'umbrette-job' | 'umbrette-assessment' | 'umbrette-practice', JsonSchema> {
  const drive = { ...jsonSchemaOf(driveSchema) }
  const job = jsonSchemaOf(jobSchema) as JsonSchema & { properties: Record<string, JsonSchema> }
  const practice = jsonSchemaOf(caseSchema) as typeof job
  return {
    'umbrette-drive': titled('Drive sheet: the description of one engine\'s timing drive', drive),
    'umbrette-job': titled('Job: a drive sheet, what was read on it, and under which school it is judged', {
      ...job,
      properties: { ...job.properties, drive: { $ref: '#/$defs/drive' }, readings: { ...job.properties.readings, items: { $ref: '#/$defs/reading' } } },
      $defs: { drive, reading: reading() }
    }),
    'umbrette-practice': titled('Practice case: an engine, what is told of it, and the truth', {
      ...practice, properties: { ...practice.properties, drive: { $ref: '#/$defs/drive' } }, $defs: { drive }
    }),
    'umbrette-assessment': titled('Assessment: what a job\'s readings mean, and a call for every part', assessmentSchema)
  }
}

function titled(title: string, schema: JsonSchema): JsonSchema {
  return { $schema: 'https://json-schema.org/draft/2020-12/schema', title, ...schema }
}

/** A reading: its fields, and for each kind those it cannot do without. */
function reading(): JsonSchema {
  const numeric = NUMERIC_KINDS.map((kind): JsonSchema => {
    const needs = [...READING_KINDS[kind].target]
    const figure = kind === 'extension' ? { anyOf: [{ required: ['value'] }, { required: ['notches'] }] } : {}
    return { properties: { kind: { const: kind } }, required: kind === 'extension' ? needs : [...needs, 'value'], ...figure }
  })
  const findings = [...new Set(Object.values(FINDINGS).flatMap((list) => Object.keys(list)))].sort()
  const condition = { properties: { kind: { const: 'condition' }, finding: { enum: findings }, value: false }, required: ['target', 'finding'] }
  return { ...jsonSchemaOf(readingSchema), oneOf: [...numeric, condition] }
}
