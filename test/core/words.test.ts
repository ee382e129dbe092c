import ts from 'typescript'
import { describe, expect, it } from 'vitest'
import { nodesOf, sourcesIn } from '../support/sources'
import { componentsIn } from '../support/templates'

/** Two words after each other, as in what people read. */
const SENTENCE = /\p{L}{2,}[,:;]? \p{L}{2,}/u
const SQL =
  /^\s*[(,]?\s*(select|insert|update|delete|create|alter|drop|grant|revoke|from|where|order by|count\(|DESC\b|SET\b)/
const HEADER = /^[a-z-]+\/[a-z]+;|; filename=|max-age|no-store|no-transform|^<\?xml/
/**
 * Words of the formats and of drawn shapes that no one reads as a sentence: units, causes, bases, columns, names of
 * shapes.
 */
const TERMS = new Set([
  'crank degrees',
  'as new',
  'by usage',
  'at odds',
  'still moving',
  'umbrette live',
  'PRIVATE KEY'
])

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

/** What a source says in so many words. */
function sentencesOf(source: ts.SourceFile): string[] {
  const sentences = texts(source).filter((node) => {
    const text = textOf(node)
    const isText = SENTENCE.test(text) && !SQL.test(text) && !HEADER.test(text) && !TERMS.has(text)
    return isText && !isForProgrammers(node) && !namesShape(node)
  })
  return sentences.map(textOf)
}

describe('sentences', () => {
  it.each(sourcesIn('core', 'server', 'cli', 'draw').map((source) => [source.fileName, source] as const))(
    'none stands in %s',
    (_name, source) => {
      expect(sentencesOf(source)).toEqual([])
    }
  )
})

/** Classes of an element, which look like words. */
const namesClasses = (text: string) =>
  text.split(/\s+/).every((word) => /^[a-z0-9!:[\]/().,%_&>*-]*$/.test(word)) && /[-:]/.test(text)

/** Properties that are read. */
const READ = /^(label|title|says|hint|message|lead|caption)$/
function isRead(node: ts.Node): boolean {
  const { parent } = node
  if (ts.isArrayLiteralExpression(parent)) return /^\p{Lu}\p{Ll}/u.test(textOf(node as ts.StringLiteral))
  return ts.isPropertyAssignment(parent) && READ.test(parent.name.getText())
}

/** What is compared, looked up or given to a function is a code, not text. */
function isCode(node: ts.Node): boolean {
  const { parent } = node
  if (ts.isBinaryExpression(parent)) return /^([!=]==|in)$/.test(parent.operatorToken.getText())
  return (
    ts.isElementAccessExpression(parent) ||
    ts.isCallExpression(parent) ||
    (ts.isPropertyAssignment(parent) && !isRead(node))
  )
}

/** Words about a figure. */
const AROUND = /(^|… |, )\p{L}{2,}:? …|… \p{L}{2,}($|[ ,:.;])/u
const SVG = /^(translate|rotate|scale|M)|\(…/
/** What the code of a page says: sentences, and whatever stands where something is read. */
function sentencesOnPage(source: ts.SourceFile): string[] {
  const read = texts(source).filter((node) => isRead(node) && /\p{L}{2,}/u.test(textOf(node)))
  const around = texts(source)
    .map(textOf)
    .filter((text) => AROUND.test(text) && !SVG.test(text))
  return [...[...sentencesOf(source), ...around].filter((text) => !namesClasses(text)), ...read.map(textOf)]
}

describe('pages', () => {
  it.each(componentsIn('app').map((component) => [component.name, component] as const))(
    'say in %s only what the words have',
    (_name, { texts: own, read, code }) => {
      const sentences = code.flatMap(sentencesOnPage)
      const inPlace = read.flatMap((source) =>
        texts(source)
          .filter((node) => !isCode(node))
          .map(textOf)
      )
      expect([...own, ...inPlace].filter((text) => /\p{L}{2,}/u.test(text))).toEqual([])
      expect(sentences).toEqual([])
    }
  )

  it.each(sourcesIn('app').map((source) => [source.fileName, source] as const))(
    'say in %s only what the words have',
    (_name, source) => {
      expect(sentencesOnPage(source)).toEqual([])
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
