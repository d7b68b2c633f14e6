// Requests that nobody means well, made from the API's own description: whatever route is added is tried too.

const BAD_TEXTS = [
  '',
  ' ',
  '\u0000',
  'a\u0000b',
  '\ud800',
  'x\udfff',
  '\u202eabc',
  '\ufeff',
  '\u200b',
  'z'.repeat(64),
  'y'.repeat(5000),
  '<img src=x onerror=alert(1)>',
  "'; drop table event; --",
  '%00',
  '%',
  '_',
  '\\',
  '../../etc/passwd',
  '=1+1',
  'NaN',
  'null',
  '0.1e999',
  '１２',
  '\u{1f681}'.repeat(40),
];
const BAD_DATES = [
  '2026-13-45',
  '0000-01-01T00:00:00Z',
  '0001-01-01T00:00:00Z',
  '-271821-04-20T00:00:00Z',
  '+275760-09-13T00:00:00Z',
  '99999-01-01T00:00:00Z',
  '9999-12-31T23:59:59.999Z',
  '2026-02-30T10:00:00',
  '2026-11-24T12:00:00+99:00',
  'yesterday',
];
const BAD_NUMBERS = [-1, 0, -0, 0.5, 1e308, -1e308, 5e-324, 2 ** 31, 2 ** 53, -(2 ** 63), 1e21, 0.1 + 0.2];
const BAD_IDS = ['', 'x', '00000000-0000-0000-0000-000000000000', 'ffffffff-ffff-ffff-ffff-ffffffffffff', '1', 'null'];
const OTHER = [null, true, false, [], {}, [[]], [null], { length: 5 }, { toString: null }, [{}], 'id', 12];
/** Bodies are made no deeper than this. */
const DEEPEST = 6;

/**
 * What a description of the API says can be sent.
 *
 * @param document - OpenAPI, with the bodies' rules as schemas
 * @returns each method of each path, with its parameters and the schema of its body
 */
export function routesOf({ paths }) {
  return Object.entries(paths).flatMap(([path, methods]) =>
    Object.entries(methods).map(([method, { parameters = [], requestBody }]) => ({
      path,
      method: method.toUpperCase(),
      inQuery: parameters.filter((p) => p.in === 'query').map((p) => p.name),
      schema: schemaOf(requestBody),
    })),
  );
}

/** Of a body with fields; lines of text have none. */
function schemaOf(requestBody) {
  const schema = requestBody?.content['application/json']?.schema;
  return schema?.$ref ? schema : null;
}

/**
 * A maker of requests.
 *
 * @param document - OpenAPI
 * @param random - `next()` answers numbers from 0 up to 1
 * @param ids - of things that are there; whoever sends may add to them
 */
export function hostileRequests(document, random, ids) {
  const routes = routesOf(document);
  const schemas = document.components.schemas;
  const queryNames = [
    ...new Set([
      ...routes.flatMap((r) => r.inQuery),
      ...Object.entries(schemas).flatMap(([name, s]) =>
        name.endsWith('QueryDto') ? Object.keys(s.properties ?? {}) : [],
      ),
    ]),
  ];
  const chance = (share) => random.next() < share;
  const one = (list) => list[Math.floor(random.next() * list.length)];
  const anId = () => {
    if (ids.length > 0 && chance(0.7)) return one(ids);
    return chance(0.5) ? newId() : one(BAD_IDS);
  };
  const hex = (count) => Array.from({ length: count }, () => Math.floor(random.next() * 16).toString(16)).join('');
  const newId = () => `${hex(8)}-${hex(4)}-7${hex(3)}-a${hex(3)}-${hex(12)}`;

  const textOf = ({ enum: words, format, pattern, minLength = 0, maxLength = 40 }) => {
    if (words) return one(words);
    if (format === 'uuid') return chance(0.6) && ids.length > 0 ? one(ids) : newId();
    if (pattern) return hex(64);
    if (format === 'date-time') return new Date(Date.UTC(2026, 10, 1 + Math.floor(random.next() * 28))).toISOString();
    return 'abc '
      .repeat(20)
      .slice(0, Math.max(minLength, Math.min(maxLength, 3 + Math.floor(random.next() * 20))))
      .trim();
  };
  const numberOf = ({ minimum = 0, maximum = 100 }) => {
    const value = minimum + (Math.min(maximum, minimum + 50) - minimum) * random.next() ** 2;
    return Number.isInteger(minimum) && chance(0.6) ? Math.round(value) : value;
  };
  /** A body as its rules want it, as far as the rules are told. */
  const meant = (schema, depth = 0) => {
    if (!schema || depth > DEEPEST) return null;
    const { $ref, type, properties, required = [], items, minItems = 0, maxItems = 4, enum: words } = schema;
    const named = $ref ? schemas[$ref.split('/').at(-1)] : null;
    if (type === 'string' || words) return textOf(schema);
    if (type === 'number' || type === 'integer') return numberOf(schema);
    if (type === 'boolean') return chance(0.5);
    if (type === 'array') {
      const count = Math.max(minItems, Math.min(maxItems, Math.floor(random.next() * 4)));
      return Array.from({ length: Math.min(count, 30) }, () => meant(items, depth + 1));
    }
    if (named && named !== schema) return meant(named, depth);
    const fields = Object.entries(properties ?? {}).filter(([name]) => required.includes(name) || chance(0.5));
    return Object.fromEntries(fields.map(([name, field]) => [name, meant(field, depth + 1)]));
  };
  const bad = () => {
    const kind = random.next();
    if (kind < 0.35) return one(BAD_TEXTS);
    if (kind < 0.5) return one(BAD_DATES);
    if (kind < 0.7) return one(BAD_NUMBERS);
    if (kind < 0.8) return one(BAD_IDS);
    if (kind < 0.84) return Array.from({ length: 600 }, () => one(OTHER));
    if (kind < 0.87) return Object.fromEntries(Array.from({ length: 250 }, (_, i) => [`k${i}`, 1]));
    if (kind < 0.9) return JSON.parse('{"__proto__":{"isAdmin":true},"constructor":{"prototype":1}}');
    if (kind < 0.92) return Array.from({ length: 20 }).reduce((inner) => [inner], 1);
    return one(OTHER);
  };
  /** A body with one thing or more that is wrong. */
  const spoiled = (body) => {
    if (typeof body !== 'object' || body === null || chance(0.04)) return bad();
    const places = placesIn(body);
    if (places.length === 0) return chance(0.5) ? bad() : { unknown: bad() };
    const count = 1 + Math.floor(3 * random.next() ** 2);
    for (let i = 0; i < count; i++) {
      const { holder, key } = one(places);
      const kind = random.next();
      if (kind < 0.12) delete holder[key];
      else if (kind < 0.2 && !Array.isArray(holder)) holder[`${key}2`] = bad();
      else if (kind < 0.3 && typeof holder[key] === 'number') holder[key] *= one([-1, 1e6, 1e-9, 1.0000001]);
      else holder[key] = bad();
    }
    return body;
  };
  const query = (route) => {
    const names = route.inQuery.length > 0 ? route.inQuery : chance(0.3) ? queryNames : [];
    const pairs = names
      .filter(() => chance(0.7))
      .flatMap((name) => {
        const value = () => {
          const kind = random.next();
          if (kind < 0.25) return anId();
          if (kind < 0.45) return String(numberOf({ minimum: 0, maximum: 500 }));
          return String(one([...BAD_TEXTS, ...BAD_DATES, ...BAD_NUMBERS]));
        };
        const written = chance(0.06) ? `${name}[${one(['x', '0', '__proto__'])}]` : name;
        return Array.from({ length: chance(0.08) ? 2 : 1 }, () => `${written}=${escaped(value())}`);
      });
    return pairs.length === 0 ? '' : `?${pairs.join('&')}`;
  };

  const make = () => {
    const route = one(routes);
    const path = route.path.replace(/\{\w+\}/g, () => escaped(chance(0.9) ? anId() : one(BAD_TEXTS))) + query(route);
    if (route.method === 'GET') return { route, method: route.method, path, body: null, type: null };
    const kind = random.next();
    const sent = (body, type = 'application/json') => ({ route, method: route.method, path, body, type });
    if (kind < 0.03) return sent(null, null);
    if (kind < 0.05) return sent('{"a":', 'application/json');
    if (kind < 0.07) return sent(bytes(400), one(['application/json', 'application/octet-stream', 'text/plain']));
    if (kind < 0.08) return sent('{}', one(['application/json; charset=utf-7', 'text/xml', '', 'application/json;;']));
    if (route.schema === null) return sent(bytes(one([0, 7, 44, 4096])), 'application/octet-stream');
    const body = meant(route.schema);
    return sent(written(chance(0.25) ? body : spoiled(body)));
  };
  const bytes = (count) => Uint8Array.from({ length: count }, () => Math.floor(random.next() * 256));
  return make;
}

/**
 * Bodies of about the greatest size that is taken, each of another kind, for one route.
 *
 * @returns texts by what they are
 */
export function heavyBodies(document, { schema }, bytes) {
  const schemas = document.components.schemas;
  const { properties = {} } = schemas[schema?.$ref?.split('/').at(-1)] ?? {};
  const filled = (piece) =>
    `[${piece}${`,${piece}`.repeat(Math.max(0, Math.floor((bytes - 200) / (piece.length + 1)) - 1))}]`;
  const heavy = {
    'a list of nothing': filled('{}'),
    'unknown names': `{${Array.from({ length: Math.floor(bytes / 14) }, (_, i) => `"n${i}":${i % 7}`)
      .join(',')
      .slice(0, bytes - 40)
      .replace(/,[^,]*$/, '')}}`,
    depth: `${'[1,'.repeat(Math.floor(bytes / 5))}1${']'.repeat(Math.floor(bytes / 5))}`,
    'one long text': JSON.stringify({ [Object.keys(properties)[0] ?? 'x']: 'x'.repeat(bytes - 60) }),
    'lists in lists': `{"cells":${filled('[[""],[""]]')}}`,
  };
  for (const [name, field] of Object.entries(properties)) {
    if (field.type === 'array') {
      heavy[`${name} of nothing`] = `{${JSON.stringify(name)}:${filled('{}')}}`;
      heavy[`${name} of texts`] = `{${JSON.stringify(name)}:${filled('"a"')}}`;
    } else if (field.type === 'object' || field.$ref) {
      heavy[`${name} as a list`] = `{${JSON.stringify(name)}:${filled('{}')}}`;
    }
  }
  return heavy;
}

/** Every place of a body, with who holds it. */
function placesIn(body, depth = 0) {
  if (typeof body !== 'object' || body === null || depth > DEEPEST) return [];
  return Object.keys(body).flatMap((key) => [{ holder: body, key }, ...placesIn(body[key], depth + 1)]);
}

/** Ids that an answer names. */
export function idsIn(text) {
  return text.match(/[0-9a-f]{8}-[0-9a-f]{4}-7[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}/g) ?? [];
}

/** As it goes into an address: halves of pairs cannot be escaped and go as they are. */
function escaped(text) {
  try {
    return encodeURIComponent(text);
  } catch {
    return '%ED%A0%80';
  }
}

function written(body) {
  return JSON.stringify(body) ?? 'null';
}
