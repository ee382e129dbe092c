import { describe, expect, it } from 'vitest'
import { FINDINGS, READING_KINDS, type NumericKind } from '../../core/readings'
import { exampleCase, inspectionOfFigure, inspectionOfFinding, inspectionsOf } from '../../core/views/practice'
import { slotsOf } from '../../core/views/bench'
import { partKindOf } from '../../core/sheet'
import { DEMO_SHEETS } from '../../demo/workshop'
import { pictureOf } from '../../draw/practice/pictureOf'
import { HOW } from '../../words/en'
import { sheet } from '../support/sheets'

describe('how it is read', () => {
  it('is said of every figure of every sample engine, with two mistakes, and drawn from its sheet', () => {
    for (const engine of DEMO_SHEETS)
      for (const { kind, part } of slotsOf(engine)) {
        const inspection = inspectionOfFigure(engine, kind as NumericKind, part)
        if (!inspection) continue
        const { tool, how, mistakes } = HOW[inspection.kind]
        expect(Math.min(tool.length, how.length, ...mistakes.map((one) => one.length))).toBeGreaterThan(5)
        expect(mistakes).toHaveLength(2)
        const picture = pictureOf(exampleCase(engine), inspection, { attempt: 0, turnedForward: true }, 0)
        const drawn = picture?.shapes.length ?? 0
        // Links are drawn where the sheet has coordinates.
        if (kind !== 'linkCount') expect([engine.id, kind, drawn > 0]).toEqual([engine.id, kind, true])
      }
  })
  it('finds the inspection of each kind of figure on an engine that has it', () => {
    const ardmere = sheet('ardmere-a18')
    const kinds = new Set(slotsOf(ardmere).map(({ kind }) => kind))
    expect([...kinds].sort()).toEqual(Object.keys(READING_KINDS).sort())
    for (const { kind, part } of slotsOf(ardmere))
      expect([kind, part, inspectionOfFigure(ardmere, kind, part) !== null]).toEqual([kind, part, true])
  })
  it('shows a finding where it is looked for', () => {
    const ardmere = sheet('ardmere-a18')
    for (const { id } of ardmere.rails)
      for (const finding of FINDINGS[partKindOf(ardmere, id) as 'guide']) {
        const inspection = inspectionOfFinding(ardmere, id, finding)!
        expect([id, finding, inspection.kind]).toEqual([id, finding, 'rail'])
        expect(
          pictureOf(exampleCase(ardmere, { target: id, finding }), inspection, { attempt: 0, turnedForward: true }, 0)
        ).not.toBeNull()
      }
    expect(inspectionsOf(ardmere).some(({ kind }) => kind === 'rail')).toBe(true)
  })
})
