import { Op } from 'sequelize'
import type { JobFile } from '../../core/readings'
import type { LearntFrom } from '../../core/views/learn'
import { WearFigureRow } from '../db/models'

/** What erased jobs have taught, of no person and no vehicle that is known. */

/** Figures of wear as they are learnt from; the newest. */
export async function wearLeft(most: number): Promise<LearntFrom[]> {
  const rows = await WearFigureRow.findAll({
    attributes: { exclude: ['file'] },
    order: [['month', 'DESC']],
    limit: most
  })
  return rows.flatMap(({ vehicle, month, finished, summary }) =>
    summary.usage
      ? [
          {
            vehicle: '',
            vehicleId: vehicle,
            usage: summary.usage,
            openedAt: `${month}-15T12:00:00.000Z`,
            closed: finished,
            summary
          }
        ]
      : []
  )
}

/** What finished jobs on a sheet taught of its type. */
export async function filesLeft(sheetId: string, most: number): Promise<JobFile[]> {
  if (most <= 0) return []
  const rows = await WearFigureRow.findAll({
    where: { sheetId, file: { [Op.ne]: null } as never },
    attributes: ['file'],
    order: [['month', 'DESC']],
    limit: most
  })
  return rows.flatMap(({ file }) => file ?? [])
}
