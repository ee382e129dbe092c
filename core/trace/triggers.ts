import { compileSheet, type DriveSheet } from '../sheet'
import type { Triggers } from './types'

/** The trigger wheels of a sheet; null for one that has none. */
export function triggersOf({ triggers }: DriveSheet): Triggers | null {
  if (!triggers) return null
  const { teeth, missing, first, sensor = 'hall', edge, gaps } = triggers.crank
  return {
    crank: {
      teeth,
      first,
      sensor,
      edge,
      // On the sheet teeth are counted from 1, the first after the gap.
      gaps: gaps?.map((tooth) => tooth - 1) ?? Array.from({ length: missing }, (_, i) => teeth - missing + i)
    },
    cams: triggers.cams as Triggers['cams']
  }
}

/** Crank turns after which the chain of each cam has come round: its links over the teeth of its driver. */
export function chainRounds(sheet: DriveSheet): Record<string, number> {
  const parts = compileSheet(sheet)
  return Object.fromEntries(
    sheet.sprockets.flatMap(({ id }) => {
      const chain = parts.chainAt(id)
      return chain ? [[id, chain.links / parts.sprocket(chain.driver).teeth]] : []
    })
  )
}
