import { ACTS, type ActType, jobSchema, schemaOf } from '../../record'
import { ARCHIVE_ROWS, archivedJob, archiveHead } from '../archive'
import { learntFileSchema } from '../learn'
import { caseSchema } from '../practice'
import { READING_SCHEMAS } from '../../readings'
import { driveSchema } from '../../sheet'
import { assessmentSchema } from '../../paths'
import { type JsonSchema, jsonSchemaOf } from './jsonSchema'
import { printedSchemaOf } from './printed'

/** The open formats, as JSON Schemas: made from the very rules that check files here. */
export function formats(): Record<
  | 'umbrette-drive'
  | 'umbrette-job'
  | 'umbrette-assessment'
  | 'umbrette-practice'
  | 'umbrette-learnt'
  | 'umbrette-workshop',
  JsonSchema
> {
  const drive = { ...jsonSchemaOf(driveSchema) }
  const job = jsonSchemaOf(jobSchema) as JsonSchema & { properties: Record<string, JsonSchema> }
  const practice = jsonSchemaOf(caseSchema) as typeof job
  return {
    'umbrette-drive': draft(drive),
    'umbrette-job': draft({
      ...job,
      properties: {
        ...job.properties,
        drive: { $ref: '#/$defs/drive' },
        openedOn: { $ref: '#/$defs/drive' },
        readings: { ...job.properties.readings, items: { $ref: '#/$defs/reading' } },
        acts: { ...job.properties.acts, items: { $ref: '#/$defs/act' } }
      },
      $defs: { drive, reading: readingSchema(), act: act() }
    }),
    'umbrette-practice': draft({
      ...practice,
      properties: { ...practice.properties, drive: { $ref: '#/$defs/drive' } },
      $defs: { drive }
    }),
    'umbrette-learnt': draft(jsonSchemaOf(learntFileSchema)),
    // `workshop.json` at an archive's head; what a row of each other list is, by the list's name.
    'umbrette-workshop': draft({
      ...jsonSchemaOf(archiveHead),
      $defs: {
        ...Object.fromEntries(Object.entries(ARCHIVE_ROWS).map(([list, row]) => [list, jsonSchemaOf(row)])),
        kept: jsonSchemaOf(archivedJob)
      }
    }),
    'umbrette-assessment': draft(printedSchemaOf(jsonSchemaOf(assessmentSchema)))
  }
}

function draft(schema: JsonSchema): JsonSchema {
  return { $schema: 'https://json-schema.org/draft/2020-12/schema', ...schema }
}

/** A reading: for each kind its own fields. */
function readingSchema(): JsonSchema {
  return { oneOf: Object.values(READING_SCHEMAS).map((schema) => jsonSchemaOf(schema)) }
}

/** An act: for each type its own fields. */
function act(): JsonSchema {
  return { oneOf: (Object.keys(ACTS) as ActType[]).map((type) => jsonSchemaOf(schemaOf(type))) }
}
