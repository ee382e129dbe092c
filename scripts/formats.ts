import { writeFileSync } from 'node:fs'
import { assess } from '../core/paths'
import { FORMAT_TITLES, writeAssessment } from '../words/en'
import { formats } from '../core/views/formats'
import { exportJob, jobFile } from '../core/record'
import { DEMO_JOBS } from '../demo/workshop'

/** Writes the JSON Schemas of the open formats, and samples; a test fails when they are not the code's own. */
const titles: Readonly<Record<string, string>> = FORMAT_TITLES
for (const [name, { $schema, ...schema }] of Object.entries(formats())) {
  writeFileSync(
    `docs/formats/${name}.schema.json`,
    `${JSON.stringify({ $schema, title: titles[name], ...schema }, null, 1)}\n`
  )
}

/** A sample of each, for whoever writes a program that reads them. */
const { job, acts } = DEMO_JOBS[0]!
const sample = exportJob(job, acts)
const file = jobFile(job, acts)
writeFileSync('docs/formats/sample.umbrette-job.json', `${JSON.stringify(sample, null, 1)}\n`)
writeFileSync(
  'docs/formats/sample.umbrette-assessment.json',
  `${JSON.stringify(writeAssessment(file, assess(file)), null, 1)}\n`
)
