import ts from 'typescript'
import { describe, expect, it } from 'vitest'
import { nodesOf, sourcesIn } from '../support/sources'

/** Two words after each other, as in what people read. */
const SENTENCE = /\p{L}{2,}[,:;]? \p{L}{2,}/u
const SQL = /^\s*\(?(select|insert|update|delete|create|alter|drop|grant|revoke|DESC|SET)\b/
const HEADER = /^[a-z-]+\/[a-z]+;|; filename=|max-age|no-store|no-transform|^<\?xml/
/**
 * Words of the formats and of drawn shapes that no one reads as a sentence: units, causes, bases, columns, names of
 * shapes.
 */
const TERMS = new Set(['crank degrees', 'as new', 'by usage', 'at odds', 'still moving', 'umbrette live'])

const texts = (source: ts.SourceFile) =>
  nodesOf(
    source,
    (node): node is ts.StringLiteral | ts.NoSubstitutionTemplateLiteral | ts.TemplateExpression =>
      ts.isStringLiteral(node) || ts.isNoSubstitutionTemplateLiteral(node) || ts.isTemplateExpression(node)
  )
const textOf = (node: ts.StringLiteral | ts.NoSubstitutionTemplateLiteral | ts.TemplateExpression) =>
  ts.isTemplateExpression(node)
    ? [node.head.text, ...node.templateSpans.map(({ literal }) => literal.text)].join('…')
    : node.text

/** An argument of an error that only a programmer sees, or of a line in the log. */
function isForProgrammers(node: ts.Node): boolean {
  const { parent } = node
  if (ts.isNewExpression(parent)) return /Error$/.test(parent.expression.getText())
  return ts.isCallExpression(parent) && /\blog\.(debug|info|warn|error|fatal)$/.test(parent.expression.getText())
}

/** A drawn shape's name, by which tests and screen readers' code find it. */
const namesShape = (node: ts.Node) =>
  node.getSourceFile().fileName.startsWith('draw/') && /^[a-z ]+$/.test(textOf(node as ts.StringLiteral))

describe('sentences', () => {
  it.each(sourcesIn('core', 'server', 'cli', 'draw').map((source) => [source.fileName, source] as const))(
    'none stands in %s',
    (_name, source) => {
      const sentences = texts(source).filter((node) => {
        const text = textOf(node)
        return (
          SENTENCE.test(text) &&
          !SQL.test(text) &&
          !HEADER.test(text) &&
          !TERMS.has(text) &&
          !isForProgrammers(node) &&
          !namesShape(node)
        )
      })
      expect(sentences.map(textOf)).toEqual([])
    }
  )
})

describe('codes', () => {
  const says = new Map(
    sourcesIn('core', 'words')
      .flatMap((source) => nodesOf(source, ts.isInterfaceDeclaration))
      .filter(({ name }) => name.text.endsWith('Says'))
      .map((list) => [list.name.text, list.members.map(({ name }) => keyOf(name!))])
  )
  const words = new Map(
    sourcesIn('words/en')
      .flatMap((source) => nodesOf(source, ts.isVariableDeclaration))
      .flatMap(({ type, initializer }) => {
        const list = /\b\w+Says\b/.exec(type?.getText() ?? '')?.[0]
        return list && initializer && ts.isObjectLiteralExpression(initializer)
          ? [[list, initializer.properties.map(({ name }) => keyOf(name!))] as const]
          : []
      })
  )

  it('are said by every layer', () => expect(says.size).toBeGreaterThan(25))
  it.each([...says])('of %s have words each, and no words are without a code', (list, codes) => {
    expect(words.get(list)?.toSorted()).toEqual(codes.toSorted())
  })
})

function keyOf(name: ts.PropertyName): string {
  return ts.isStringLiteral(name) || ts.isIdentifier(name) ? name.text : name.getText()
}
