import 'reflect-metadata'

const KEY = Symbol('as sent')

/**
 * Declares a property of a body that is taken as it was sent: a document or list that a reader of its own looks at. Making
 * instances of it would copy it, value by value.
 */
export const AsSent = (): PropertyDecorator => (target, property) => {
  const known = (Reflect.getMetadata(KEY, target) as string[] | undefined) ?? []
  Reflect.defineMetadata(KEY, [...known, String(property)], target)
}

/** The properties of a class that are taken as they were sent. */
export const sentAsIs = (type: { readonly prototype: object }): readonly string[] =>
  (Reflect.getMetadata(KEY, type.prototype) as string[] | undefined) ?? []
