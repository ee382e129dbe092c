import type { Transaction } from 'sequelize'
import { type Role, suffices } from '../../core/record'
import { told } from '../../words/problems'
import { type Caller, forgetCallers, roleOf } from '../access/caller'
import { digestSecret, isSecret } from '../access/secrets'
import { countPatiently } from '../access/tries'
import { inTransaction, useDb } from '../db/connection'
import { PasskeyRow, PersonRow, SessionRow } from '../db/models'
import { forgetTries } from '../db/queries/access'
import { nameTaken, personNamed } from '../db/queries/people'
import { Problem } from '../utils/problem'

/** Somebody who works here, or did, as who is answerable for it sees them. */
export interface StaffMember {
  id: number
  name: string
  role: Role
  retired: boolean
  hasPassphrase: boolean
  hasPin: boolean
}

/** First names of who works here, in alphabetical order. */
export async function listPeople(): Promise<string[]> {
  await useDb()
  const rows = await PersonRow.findAll({ where: { retiredAt: null as never }, order: [['name', 'ASC']] })
  return rows.map(({ name }) => name)
}

/** Everybody, who left too. */
export async function listStaff(): Promise<StaffMember[]> {
  await useDb()
  return (await PersonRow.findAll({ order: [['name', 'ASC']] })).map(staffMember)
}

function staffMember({ id, name, role, retiredAt, passphrase, pin }: PersonRow): StaffMember {
  return { id, name, role, retired: retiredAt !== null, hasPassphrase: passphrase !== null, hasPin: pin !== null }
}

/**
 * Adds a name; one that is known already, however it is spelt in capitals, stays as it is. @returns everybody, and the
 * name as it is kept
 */
export async function addPerson(name: string): Promise<{ people: string[]; name: string }> {
  await useDb()
  await checkFree(name, 0)
  const kept = await personNamed(name)
  return { people: await listPeople(), name: kept }
}

/** What is changed of somebody. */
export interface PersonChange {
  name?: string
  role?: Role
  retired?: boolean
  passphrase?: string
}

/**
 * Changes somebody: entries keep the name that they were made under. Who leaves is signed out everywhere.
 * @throws Problem not-found, conflict for a name that is taken and for the last owner
 */
export async function changePerson(id: number, change: PersonChange): Promise<StaffMember> {
  const passphrase = change.passphrase === undefined ? undefined : await digestSecret(change.passphrase)
  const { name } = change
  if (name !== undefined) await checkFree(name, id)
  const changed = await inTransaction(async (transaction) => {
    const before = await countOwners(transaction)
    const row = await lockedPerson(id, transaction)
    if (name !== undefined && name !== row.name)
      row.set({ former: [...row.former.filter((one) => one !== name), row.name], name })
    if (change.role !== undefined) row.role = change.role
    if (change.retired !== undefined) row.retiredAt = change.retired ? (row.retiredAt ?? new Date()) : null
    if (passphrase !== undefined) row.passphrase = passphrase
    await row.save({ transaction })
    // A workshop that once had somebody who may everything never comes to have nobody.
    if (before > 0 && (await countOwners(transaction)) === 0) throw new Problem('conflict', told('an-owner-stays'))
    if (row.retiredAt !== null || passphrase !== undefined) await shutOut(id, transaction)
    return row
  })
  if (passphrase !== undefined) await forgetTries(passphraseKey(changed.name))
  forgetCallers()
  return staffMember(changed)
}

/** Sets or takes away somebody's PIN. @throws Problem forbidden for that of somebody who may more */
export async function setPin(caller: Caller, id: number, pin: string | null): Promise<StaffMember> {
  const digest = pin === null ? null : await digestSecret(pin)
  const changed = await inTransaction(async (transaction) => {
    const row = await lockedPerson(id, transaction)
    if (row.id !== caller.person?.id && !suffices(roleOf(caller), row.role))
      throw new Problem('forbidden', told('needs-role', { role: row.role }))
    row.pin = digest
    return row.save({ transaction })
  })
  await forgetTries(pinKey(id))
  return staffMember(changed)
}

/** Changes one's own secrets, by the passphrase one has. @throws Problem bad-input, too-many */
export async function changeOwnSecrets(
  person: { id: number; name: string },
  { current, passphrase, pin }: { current: string; passphrase?: string; pin?: string }
): Promise<void> {
  const row = await provenSelf(person, current)
  await row.update({
    ...(passphrase === undefined ? {} : { passphrase: await digestSecret(passphrase) }),
    ...(pin === undefined ? {} : { pin: await digestSecret(pin) })
  })
}

/** Somebody who shows by their passphrase that it is them. @throws Problem bad-input, too-many */
export async function provenSelf(person: { id: number; name: string }, current: string): Promise<PersonRow> {
  const row = await PersonRow.findByPk(person.id)
  await countPatiently(passphraseKey(person.name))
  if (!row || !(await isSecret(current, row.passphrase)))
    throw new Problem('bad-input', told('wrong-passphrase'), [{ place: 'current', ...told('wrong-passphrase') }])
  await forgetTries(passphraseKey(person.name))
  return row
}

/** Key that what somebody left waiting on a device is sealed with, for who takes it over. @throws Problem not-found */
export async function sealOf(id: number): Promise<{ seal: string; name: string }> {
  await useDb()
  const row = await PersonRow.findByPk(id)
  if (!row) throw noPerson()
  return { seal: row.seal, name: row.name }
}

/** What tries to sign in as somebody are counted under. */
export const passphraseKey = (name: string) => `passphrase:${name.toLowerCase()}`
export const pinKey = (id: number) => `pin:${id}`

async function lockedPerson(id: number, transaction: Transaction): Promise<PersonRow> {
  const row = await PersonRow.findByPk(id, { transaction, lock: true })
  if (!row) throw noPerson()
  return row
}

/** Ends what somebody is signed in with, and could sign in with beside a passphrase. */
async function shutOut(personId: number, transaction: Transaction): Promise<void> {
  await SessionRow.destroy({ where: { personId }, transaction })
  await PasskeyRow.update({ removedAt: new Date() }, { where: { personId, removedAt: null as never }, transaction })
}

/** Owners who can sign in; nobody else changes people meanwhile. */
async function countOwners(transaction: Transaction): Promise<number> {
  const owners = await PersonRow.findAll({ where: { role: 'owner' }, transaction, lock: true })
  return owners.filter(({ passphrase, retiredAt }) => passphrase !== null && retiredAt === null).length
}

async function checkFree(name: string, id: number): Promise<void> {
  if (await nameTaken(name, id)) throw new Problem('conflict', told('name-taken', { name }))
}

const noPerson = () => new Problem('not-found', told('no-such-person'))
