const known = new WeakMap<object, readonly string[]>()

/**
 * Declares a property of a body that is taken as it was sent: a document or list that a reader of its own looks at. Making
 * instances of it would copy it, value by value.
 */
export const AsSent = (): PropertyDecorator => (target, property) => {
  known.set(target, [...sentAsIsOf(target), String(property)])
}

const sentAsIsOf = (prototype: object): readonly string[] => {
  const parent = Object.getPrototypeOf(prototype) as object | null
  return known.get(prototype) ?? (parent ? sentAsIsOf(parent) : [])
}

/** The properties of a class that are taken as they were sent. */
export const sentAsIs = (type: { readonly prototype: object }): readonly string[] =>
  sentAsIsOf(type.prototype)
