/** What lies in an archive of the whole workshop, for whoever opens it without Umbrette. */
export const ARCHIVE_README = `This archive is a whole workshop as open files.

workshop.json            name, address, units, currency, tax, what paths are weighed with
logo.png                 the logo, where there is one
people.json              who works or worked here, by name and role; no passphrases, PINs or passkeys
customers.json           customers, a row on each line; csv/customers.csv is the same as a table
vehicles.json            vehicles and whose they are; csv/vehicles.csv
past-jobs.json           earlier work; csv/past-jobs.csv
intakes.json             older records that were taken in as one
sheets.json, sheets/     engines: what is kept of each revision, and each revision's drive
jobs.json, jobs/         jobs: each file holds all that was ever done on it; ID.kept.json has whose hand each entry came by
csv/readings/            the readings of each job that stand, as tables
photos/                  pictures as JPEG, by job
shares.json              reports as customers were given them
practice-*.json          practice cases and runs
learnt-elsewhere.json    what other workshops' files have taught
erasures.json            what was erased for good: when and by whom, not what
wear-figures.json        figures of wear out of erased jobs, of no person and no vehicle that is known
schemas/                 JSON Schemas of these files

An empty workshop takes it in again under Settings. It holds your customers' data: keep it as you would keep the workshop's keys.
`

/** What stands in the place of a name that was erased. */
export const ERASED = '[erased]'
