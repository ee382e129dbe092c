import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import ts from 'typescript'

/** What a file of words says: each text as catalogues know it, and words that would stay English. */
export interface Said {
  texts: string[]
  /** Words in a function that do not pass through `t`: where, and what. */
  plain: string[]
}

const WORDS = join(import.meta.dirname, '..', '..', 'words', 'en')
/** What stands in a terminal, or in open files for whoever reads them, is English. */
const ENGLISH = new Set(['archive.ts', 'console.ts', 'formats.ts', 'headings.ts', 'partNames.ts', 'workshop.ts'])
/** Methods whose arguments are no words. */
const CODES = /\.(replace|replaceAll|split|includes|test|hasOwn|get|has|startsWith|endsWith|charAt)$/

/** All files of words, in their order. */
export function filesOfWords(): string[] {
  return readdirSync(WORDS, { recursive: true, encoding: 'utf8' })
    .filter((file) => file.endsWith('.ts') && !ENGLISH.has(file))
    .sort()
    .map((file) => join(WORDS, file))
}

/** Is it for people, beyond figures, signs and units that every language writes alike? */
export function isSaid(text: string): boolean {
  return /\p{L}{2,}/u.test(text.replaceAll(/\{\d+\}|\b(mm|km|rpm|kB|MB)\b/g, ''))
}

export function readSaid(file: string): Said {
  const source = ts.createSourceFile(file, readFileSync(file, 'utf8'), ts.ScriptTarget.Latest, true)
  const said: Said = { texts: [], plain: [] }
  for (const statement of source.statements) {
    if (ts.isImportDeclaration(statement) || ts.isExportDeclaration(statement)) continue
    const values = ts.isVariableStatement(statement)
      ? statement.declarationList.declarations.flatMap(({ initializer }) => initializer ?? [])
      : [statement]
    for (const value of values) look(value, ts.isObjectLiteralExpression(value) ? 'texts' : 'code', said)
  }
  return said
}

/** `texts`: words stand there as they are; `code`: they pass through `t`. */
type Place = 'texts' | 'code'

function look(node: ts.Node, place: Place, said: Said): void {
  if (ts.isTypeNode(node) || ts.isInterfaceDeclaration(node) || ts.isTypeAliasDeclaration(node)) return
  const key = keyOf(node)
  if (key !== null) said.texts.push(key)
  else if (isWords(node)) {
    if (place === 'texts') said.texts.push(node.text)
    else if (/ /.test(node.text.trim())) said.plain.push(node.text)
  }
  const within = ts.isFunctionLike(node) ? 'code' : isCall(node, 'texts') ? 'texts' : place
  ts.forEachChild(node, (child) => look(child, within, said))
}

const isCall = (node: ts.Node, name: string) => ts.isCallExpression(node) && node.expression.getText() === name

function keyOf(node: ts.Node): string | null {
  if (!ts.isTaggedTemplateExpression(node) || node.tag.getText() !== 't') return null
  const { template } = node
  if (ts.isNoSubstitutionTemplateLiteral(template)) return template.text
  return template.head.text + template.templateSpans.map(({ literal }, i) => `{${i}}${literal.text}`).join('')
}

function isWords(node: ts.Node): node is ts.StringLiteral | ts.NoSubstitutionTemplateLiteral {
  if (!ts.isStringLiteral(node) && !ts.isNoSubstitutionTemplateLiteral(node)) return false
  const { parent } = node
  if (ts.isTaggedTemplateExpression(parent) || ts.isElementAccessExpression(parent) || ts.isCaseClause(parent))
    return false
  if (ts.isBinaryExpression(parent) && /^[!=]==$/.test(parent.operatorToken.getText())) return false
  if (ts.isPropertyAssignment(parent)) return parent.name !== node && parent.name.getText() !== 'value'
  return !(ts.isCallExpression(parent) && CODES.test(parent.expression.getText()))
}
