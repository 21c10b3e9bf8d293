/** Several decorators of a property as one. */
export const together =
  (...decorators: readonly PropertyDecorator[]): PropertyDecorator =>
  (target, property) => {
    for (const decorate of decorators) decorate(target, property)
  }
