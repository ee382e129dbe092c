import { readdirSync, readFileSync } from 'node:fs'
import ts from 'typescript'

/** Every TypeScript file under these folders, parsed. */
export function sourcesIn(...folders: string[]): ts.SourceFile[] {
  const paths = folders
    .flatMap((folder) =>
      readdirSync(folder, { recursive: true, encoding: 'utf8' })
        .filter((path) => path.endsWith('.ts'))
        .map((path) => `${folder}/${path}`)
    )
    .sort()
  return paths.map((path) => ts.createSourceFile(path, readFileSync(path, 'utf8'), ts.ScriptTarget.Latest, true))
}

/** All nodes of a file that a test asks for. */
export function nodesOf<N extends ts.Node>(source: ts.SourceFile, is: (node: ts.Node) => node is N): N[] {
  const found: N[] = []
  const visit = (node: ts.Node): void => {
    if (is(node)) found.push(node)
    ts.forEachChild(node, visit)
  }
  visit(source)
  return found
}
