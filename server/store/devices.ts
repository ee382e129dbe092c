import { isUuid } from '../../core/check'
import { randomUUID } from 'node:crypto'
import { told } from '../../words/problems'
import { forgetCallers } from '../access/caller'
import { codeHash, hashOf, makeCode, makeToken } from '../access/secrets'
import { countPatiently } from '../access/tries'
import { useDb } from '../db/connection'
import { DeviceRow, PairingRow } from '../db/models'
import { forgetTries, takePairing, tidyAccess } from '../db/queries/access'
import { Problem } from '../utils/problem'

/** A device as settings list it. */
export interface ListedDevice {
  id: string
  name: string
  pairedBy: string
  pairedAt: string
  seenAt: string
}

/** ms that a pairing is good for. */
const GOOD_MS = 120_000

/** Lets one device be paired, once and for two minutes. @returns the code that it is paired with */
export async function offerPairing(name: string, by: string): Promise<{ code: string; endsAt: string }> {
  await useDb()
  await tidyAccess()
  const code = makeCode()
  const endsAt = new Date(Date.now() + GOOD_MS)
  await PairingRow.create({ codeHash: codeHash(code), name, madeBy: by, endsAt })
  return { code, endsAt: endsAt.toISOString() }
}

/**
 * Pairs the device that asks. @param from its address, under which wrong codes are counted
 * @returns the token that it keeps. @throws Problem bad-input, too-many
 */
export async function pairDevice(code: string, from: string): Promise<{ token: string; name: string }> {
  await useDb()
  const key = `pairing:${from}`
  await countPatiently(key)
  const pairing = await takePairing(codeHash(code))
  if (!pairing) throw new Problem('bad-input', told('wrong-code'), [{ place: 'code', ...told('wrong-code') }])
  await forgetTries(key)
  const token = makeToken()
  await DeviceRow.create({ id: randomUUID(), name: pairing.name, tokenHash: hashOf(token), pairedBy: pairing.madeBy })
  forgetCallers()
  return { token, name: pairing.name }
}

/** Devices that are paired, by name. */
export async function listDevices(): Promise<ListedDevice[]> {
  await useDb()
  const rows = await DeviceRow.findAll({ where: { removedAt: null as never }, order: [['name', 'ASC']] })
  return rows.map(({ id, name, pairedBy, pairedAt, seenAt }) => ({
    id,
    name,
    pairedBy,
    pairedAt: pairedAt.toISOString(),
    seenAt: seenAt.toISOString()
  }))
}

/** Takes a device out: nobody comes in with it any more. @throws Problem not-found */
export async function removeDevice(id: string): Promise<void> {
  await useDb()
  const [changed] = isUuid(id)
    ? await DeviceRow.update({ removedAt: new Date() }, { where: { id, removedAt: null as never } })
    : [0]
  if (changed === 0) throw new Problem('not-found', told('no-such-device'))
  forgetCallers()
}
