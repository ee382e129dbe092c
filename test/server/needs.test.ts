import { readdirSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { ACTS, type ActType, roleOfAct, ROLES, suffices } from '../../core/record'
import { PAGE_NEEDS, pageNeed } from '../../app/needs'
import { NEEDS, needOf } from '../../server/access/needs'

/** Every route and page says what it needs; one that says nothing is refused. */

function filesIn(folder: string): string[] {
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) =>
    entry.isDirectory() ? filesIn(join(folder, entry.name)) : [join(folder, entry.name)]
  )
}

const withParameters = (path: string) => path.replaceAll(/\[\[(\w+)\]\]/g, ':$1?').replaceAll(/\[(\w+)\]/g, ':$1')

it('every route of the server is in the table, and nothing else is', () => {
  const routes = filesIn('server/api')
    .filter((file) => !file.includes('[...]'))
    .map((file) => {
      const [, path, method] = /^server(.*)\.(get|post)\.ts$/.exec(file)!
      return `${method!.toUpperCase()} ${withParameters(path!).replace(/\/index$/, '')}`
    })
  expect(Object.keys(NEEDS).sort()).toEqual(routes.sort())
})

it('every page of the interface is in the table, and nothing else but the shell is', () => {
  const pages = filesIn('app/pages').map(
    (file) => withParameters(/^app\/pages(.*)\.vue$/.exec(file)![1]!).replace(/\/index$/, '') || '/'
  )
  const parents = ['/jobs/:id']
  expect(Object.keys(PAGE_NEEDS).sort()).toEqual([...new Set([...pages, ...parents, '/shell'])].sort())
})

describe('what says nothing', () => {
  it('is refused: routes, pages, and words that every object answers to', () => {
    for (const path of ['/api/nothing', 'toString', '__proto__', '']) expect(needOf('GET', path)).toBeNull()
    expect(needOf('DELETE', '/api/board')).toBeNull()
    expect(needOf('HEAD', '/api/board')).toBe('mechanic')
    for (const path of ['/nothing', 'constructor', '']) expect(pageNeed(path)).toBeNull()
    expect(pageNeed('/jobs/:id()/verdict')).toBe('mechanic')
  })
})

describe('a role', () => {
  it('may all that those before it may, and nobody may anything', () => {
    ROLES.forEach((role, i) =>
      ROLES.forEach((needed, k) => expect([role, needed, suffices(role, needed)]).toEqual([role, needed, i >= k]))
    )
    expect(suffices(null, 'learner')).toBe(false)
  })

  it('is named by every act, but for what a customer sends', () => {
    const customers = (Object.keys(ACTS) as ActType[]).filter((type) => roleOfAct(type) === null)
    expect(customers).toEqual(['choice'])
  })
})
