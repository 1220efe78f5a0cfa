export const GUARDS: readonly { readonly key: string; readonly value: string }[]
