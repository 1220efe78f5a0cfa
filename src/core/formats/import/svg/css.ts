import type { CssNode, Rule, SelectorList } from 'css-tree'
import generate from 'css-tree/generator'
import parse from 'css-tree/parser'
import walk from 'css-tree/walker'
import type { Budget } from '../budget'
import type { XmlElement } from './xml'

/** A declaration, and whether it goes before all that are not important. */
export type Declaration = { readonly property: string; readonly value: string; readonly isImportant: boolean }

/** A rule of a style sheet with one complex selector, its specificity and its declarations. */
export type StyleRule = {
  readonly parts: readonly Part[]
  readonly specificity: number
  readonly declarations: readonly Declaration[]
}

/** A compound selector, and how it is bound to the one before it: anywhere within that, or right in it. */
type Part = { readonly within: 'anywhere' | 'child'; readonly tests: readonly ((element: XmlElement) => boolean)[] }

/** The rules of a style sheet, and the parts that are not supported (CSS Syntax 3; Selectors 4 §3 to 6). */
type StyleSheet = { readonly rules: readonly StyleRule[]; readonly unread: readonly string[] }

/** Reads a style sheet: type, class, id and attribute selectors, descendants and children. */
export function readStyleSheet(text: string): StyleSheet {
  const rules: StyleRule[] = [],
    unread: string[] = []
  walk(parse(text, { parseValue: false, onParseError: () => unread.push('a part of a style sheet') }), {
    visit: 'Rule',
    enter(this: { atrule: CssNode | null }, rule: Rule) {
      if (this.atrule) {
        unread.push(`@${(this.atrule as { name?: string }).name ?? 'rule'}`)
        return
      }
      if (rule.prelude.type !== 'SelectorList') return
      const declarations = declarationsIn(rule.block.children.toArray())
      for (const selector of rule.prelude.children.toArray()) {
        const compiled = compiledSelector(selector)
        if (compiled) rules.push({ ...compiled, declarations })
        else unread.push(`the selector ${generate(selector)}`)
      }
    },
  })
  return { rules, unread }
}

const declarationsIn = (list: readonly CssNode[]): Declaration[] =>
  list.flatMap((one) =>
    one.type === 'Declaration'
      ? [
          {
            property: one.property.toLowerCase(),
            value: generate(one.value).trim(),
            isImportant: one.important !== false,
          },
        ]
      : [],
  )

/** The declarations of a `style` attribute. */
export function readStyleAttribute(text: string): Declaration[] {
  const list = parse(text, { context: 'declarationList', parseValue: false })
  return list.type === 'DeclarationList' ? declarationsIn(list.children.toArray()) : []
}

type SelectorNode = SelectorList['children'] extends { toArray(): (infer T)[] } ? T : never

function compiledSelector(selector: SelectorNode): Pick<StyleRule, 'parts' | 'specificity'> | null {
  if (selector.type !== 'Selector') return null
  const parts: { within: Part['within']; tests: ((element: XmlElement) => boolean)[] }[] = [
    { within: 'anywhere', tests: [] },
  ]
  let specificity = 0
  for (const one of selector.children.toArray()) {
    const { tests } = parts.at(-1)!
    switch (one.type) {
      case 'TypeSelector':
        if (one.name !== '*') {
          specificity += 1
          tests.push(({ name }) => name === one.name)
        }
        break
      case 'ClassSelector':
        specificity += 1000
        tests.push(({ attributes }) => (attributes.class ?? '').split(/\s+/).includes(one.name))
        break
      case 'IdSelector':
        specificity += 1_000_000
        tests.push(({ attributes }) => attributes.id === one.name)
        break
      case 'AttributeSelector': {
        specificity += 1000
        const wanted = one.value?.type === 'String' ? one.value.value : one.value?.name
        const test = attributeTest(one.matcher, wanted)
        if (!test) return null
        tests.push(({ attributes }) => test(attributes[one.name.name]))
        break
      }
      case 'Combinator':
        if (one.name !== ' ' && one.name !== '>') return null
        parts.push({ within: one.name === '>' ? 'child' : 'anywhere', tests: [] })
        break
      default:
        return null
    }
  }
  return { parts, specificity }
}

function attributeTest(matcher: string | null, wanted = ''): ((value: string | undefined) => boolean) | null {
  switch (matcher) {
    case null:
      return (value) => value !== undefined
    case '=':
      return (value) => value === wanted
    case '~=':
      return (value) => value?.split(/\s+/).includes(wanted) ?? false
    case '^=':
      return (value) => value?.startsWith(wanted) ?? false
    case '$=':
      return (value) => value?.endsWith(wanted) ?? false
    case '*=':
      return (value) => value?.includes(wanted) ?? false
    case '|=':
      return (value) => value === wanted || (value?.startsWith(`${wanted}-`) ?? false)
    default:
      return null
  }
}

/** A declaration of a rule that matches an element, and how specific that rule is. */
type Matched = { readonly declaration: Declaration; readonly specificity: number }

/** The rules of all style sheets of a file, matched with each element once. */
export class Cascade {
  private readonly matched = new WeakMap<XmlElement, readonly Matched[]>()

  constructor(
    private readonly rules: readonly StyleRule[],
    private readonly budget: Pick<Budget, 'step'>,
  ) {}

  /** The declarations of all rules that match an element, in the order of the sheets. Throws `TooMuch`. */
  declarationsFor(element: XmlElement): readonly Matched[] {
    let all = this.matched.get(element)
    if (!all) {
      all = this.rules.flatMap((rule) =>
        isMatch(rule, element, this.budget)
          ? rule.declarations.map((declaration) => ({ declaration, specificity: rule.specificity }))
          : [],
      )
      this.matched.set(element, all)
    }
    return all
  }
}

/** Whether a rule's selector matches an element. What failed once is not tried again: at most one step for each part and ancestor. */
function isMatch({ parts }: StyleRule, element: XmlElement, budget: Pick<Budget, 'step'>): boolean {
  const failed = parts.length > 2 ? parts.map(() => new Set<XmlElement>()) : null
  const from = (at: XmlElement | null, i: number): boolean => {
    if (!at || failed?.[i]!.has(at)) return false
    const is = matches(at, i)
    if (!is) failed?.[i]!.add(at)
    return is
  }
  const matches = (at: XmlElement, i: number): boolean => {
    budget.step()
    if (!parts[i]!.tests.every((test) => test(at))) return false
    if (i === 0) return true
    if (parts[i]!.within === 'child') return from(at.parent, i - 1)
    for (let up = at.parent; up; up = up.parent) if (from(up, i - 1)) return true
    return false
  }
  return from(element, parts.length - 1)
}
