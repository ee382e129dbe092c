import type { AnySchema } from 'yup'
import { type Shape, schemaFaults } from '../core/check'
import { sayFault } from '../words/en'

/** JSON on standard input, checked; what is wrong with it is told on standard error and ends the program. */
export async function readInput<S extends AnySchema>(schema: S): Promise<Shape<S>> {
  const chunks: Buffer[] = []
  for await (const chunk of process.stdin) chunks.push(chunk as Buffer)
  const value: unknown = JSON.parse(Buffer.concat(chunks).toString('utf8'))
  const faults = schemaFaults(schema, value)
  if (faults.length === 0) return value as Shape<S>
  for (const fault of faults) console.error(`${fault.place}: ${sayFault(fault)}`)
  process.exit(1)
}
