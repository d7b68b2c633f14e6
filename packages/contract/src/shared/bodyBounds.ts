import { getMetadataStorage } from 'class-validator';
import { LIST_MAX, OBJECT_KEY_MAX_COUNT } from './limits.ts';
import type { FieldProblem } from './problem.ts';

type Body = new () => object;

/** Which class the bodies inside a field are of, by the class that has the field. */
const insides = new WeakMap<object, Map<string | symbol, () => Body>>();

/** Remembers the class of what is inside a field. */
export function inside(item: () => Body): PropertyDecorator {
  return (target, property) => {
    const fields = insides.get(target) ?? new Map<string | symbol, () => Body>();
    insides.set(target, fields.set(property, item));
  };
}

/**
 * The first list or object of a body that is longer than its own rules allow, before any rule is tried: trying them on
 * ten thousand elements takes seconds, in which nobody else is heard.
 *
 * @returns null where all are short enough; lists without a bound of their own may have 500 elements, objects 200 keys
 */
export function overfull(dto: Body, body: unknown, path = ''): FieldProblem | null {
  if (typeof body !== 'object' || body === null) return null;
  const keys = Object.keys(body);
  if (keys.length > OBJECT_KEY_MAX_COUNT)
    return tooMany(path === '' ? 'body' : path, 'maxKeys', keys.length, OBJECT_KEY_MAX_COUNT);
  const bounds = boundsOf(dto);
  for (const key of keys) {
    const value: unknown = (body as Record<string, unknown>)[key];
    const at = path === '' ? key : `${path}.${key}`;
    const found = Array.isArray(value)
      ? overfullList(value, at, bounds.get(key), insideOf(dto, key))
      : overfullInside(insideOf(dto, key), value, at);
    if (found) return found;
  }
  return null;
}

interface ListBounds {
  list?: number;
  /** Of the lists inside the list. */
  each?: number;
}

function overfullList(
  list: readonly unknown[],
  path: string,
  bounds: ListBounds | undefined,
  item: Body | null,
): FieldProblem | null {
  const max = bounds?.list ?? LIST_MAX;
  if (list.length > max) return tooMany(path, 'arrayMaxSize', list.length, max);
  for (const [i, value] of list.entries()) {
    const found = Array.isArray(value)
      ? overfullList(value, `${path}.${i}`, { list: bounds?.each }, null)
      : overfullInside(item, value, `${path}.${i}`);
    if (found) return found;
  }
  return null;
}

/** A body whose class is not known has no rules that could take long; its size is bounded all the same. */
function overfullInside(item: Body | null, value: unknown, path: string): FieldProblem | null {
  return overfull(item ?? Object, value, path);
}

function boundsOf(dto: Body): ReadonlyMap<string, ListBounds> {
  const known = boundsKnown.get(dto);
  if (known) return known;
  const bounds = new Map<string, ListBounds>();
  for (const { propertyName, name, constraints, each } of getMetadataStorage().getTargetValidationMetadatas(
    dto,
    '',
    false,
    false,
  )) {
    if (name !== 'arrayMaxSize') continue;
    bounds.set(propertyName, { ...bounds.get(propertyName), [each ? 'each' : 'list']: constraints[0] as number });
  }
  boundsKnown.set(dto, bounds);
  return bounds;
}

const boundsKnown = new WeakMap<Body, ReadonlyMap<string, ListBounds>>();

function insideOf(dto: Body, key: string): Body | null {
  for (let at: object | null = dto.prototype as object; at !== null; at = Object.getPrototypeOf(at) as object | null) {
    const item = insides.get(at)?.get(key);
    if (item) return item();
  }
  return null;
}

function tooMany(path: string, rule: string, count: number, max: number): FieldProblem {
  return { path, rule, value: `${count} of them`, allowed: { max }, message: `${path} must not have more than ${max}` };
}
