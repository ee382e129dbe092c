import { readdirSync, readFileSync } from 'node:fs'
import { NodeTypes, type RootNode, type TemplateChildNode } from '@vue/compiler-core'
import { parse, type SFCDescriptor } from '@vue/compiler-sfc'
import ts from 'typescript'

/** Attributes that are read, or read out. */
const READ = new Set([
  'alt',
  'aria-label',
  'caption',
  'fault',
  'hint',
  'label',
  'lead',
  'placeholder',
  'title',
  'heads',
  'options'
])

/** A component in its parts: what its template says by itself, and its code. */
export interface TakenApart {
  name: string
  /** Text between tags and in attributes that are read. */
  texts: string[]
  /** Expressions whose result is read. */
  read: ts.SourceFile[]
  /** Scripts, and expressions that are not read. */
  code: ts.SourceFile[]
}

const codeOf = (name: string, code: string) => ts.createSourceFile(name, code, ts.ScriptTarget.Latest, true)

/** Every component under a folder. */
export function componentsIn(folder: string): TakenApart[] {
  return readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .filter((path) => path.endsWith('.vue'))
    .sort()
    .map((path) => takeApart(`${folder}/${path}`, parse(readFileSync(`${folder}/${path}`, 'utf8')).descriptor))
}

function takeApart(name: string, { template, script, scriptSetup }: SFCDescriptor): TakenApart {
  const apart: TakenApart = { name, texts: [], read: [], code: [] }
  for (const block of [script, scriptSetup]) if (block) apart.code.push(codeOf(name, block.content))
  const visit = (node: RootNode | TemplateChildNode): void => {
    if (node.type === NodeTypes.TEXT) apart.texts.push(node.content)
    if (node.type === NodeTypes.INTERPOLATION) apart.read.push(codeOf(name, `(${node.content.loc.source})`))
    if (node.type === NodeTypes.ELEMENT) takeAttributes(apart, node.props)
    if ('children' in node) for (const child of node.children) if (typeof child === 'object') visit(child as never)
  }
  if (template?.ast) visit(template.ast)
  return apart
}

type Attribute = Extract<TemplateChildNode, { type: NodeTypes.ELEMENT }>['props'][number]

function takeAttributes({ name, texts, read, code }: TakenApart, props: readonly Attribute[]): void {
  for (const prop of props) {
    if (prop.type === NodeTypes.ATTRIBUTE) {
      if (READ.has(prop.name) && prop.value) texts.push(prop.value.content)
      continue
    }
    if (prop.name === 'for' && prop.forParseResult) {
      code.push(codeOf(name, prop.forParseResult.source.loc.source))
      continue
    }
    const of = prop.arg && 'content' in prop.arg ? prop.arg.content : prop.name
    if (!prop.exp || prop.name === 'slot' || of === 'class') continue
    const expression = codeOf(name, prop.name === 'on' ? prop.exp.loc.source : `(${prop.exp.loc.source})`)
    ;(READ.has(of) ? read : code).push(expression)
  }
}
