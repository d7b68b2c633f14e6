export type PropertyRule = (target: object, propertyKey: string | symbol) => void;

/** Several property decorators as one. */
export function applyDecorators(...rules: PropertyDecorator[]): PropertyRule {
  return (target, propertyKey) => {
    for (const rule of rules) rule(target, propertyKey);
  };
}
