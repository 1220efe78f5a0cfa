import { identifier } from '../naming'

/** Words of Swift, which stand between backticks where they are names. */
const TAKEN = new Set(
  (
    'as associatedtype break case catch class continue default defer deinit do else enum extension fallthrough false ' +
    'fileprivate for func guard if import in init inout internal is let nil open operator precedencegroup private protocol ' +
    'public repeat rethrows return self static struct subscript super switch throw throws true try typealias var where while'
  ).split(' '),
)

/** The names of image sets as source in Swift: a case each, and the way to an image from it. `icons`: name, image set. */
export function swiftSource(set: string, icons: readonly (readonly [name: string, image: string])[]): string {
  const type = `${identifier(set, 'pascal')}Icon`
  const taken = new Set<string>()
  const cases = icons.map(([name, image]) => {
    const plain = identifier(name, 'camel')
    let one = plain
    for (let n = 2; taken.has(one); n++) one = `${plain}${n}`
    taken.add(one)
    return `    case ${TAKEN.has(one) ? `\`${one}\`` : one} = ${JSON.stringify(image)}\n`
  })
  return `import SwiftUI

/// The icons of the asset catalogue Icons, by their names.
public enum ${type}: String, CaseIterable, Sendable {
${cases.join('')}}

extension Image {
    /// An icon; of the bundle that has the catalogue, the application’s own where none is named.
    public init(_ icon: ${type}, bundle: Bundle? = nil) {
        self.init(icon.rawValue, bundle: bundle)
    }
}
`
}
