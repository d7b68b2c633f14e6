// Writes docs/data-dictionary.md from the newest schema snapshot and the comments of the tables.
import fs from 'node:fs';
import path from 'node:path';

const META = 'apps/server/drizzle/meta';
const SOURCES = 'apps/server/src';
const FILE = 'docs/data-dictionary.md';

export function writeDataDictionary() {
  const newest = fs
    .readdirSync(META)
    .filter((f) => f.endsWith('_snapshot.json'))
    .sort()
    .at(-1);
  const { tables } = JSON.parse(fs.readFileSync(path.join(META, newest), 'utf8'));
  const said = commentsOfTables();
  const pages = Object.values(tables)
    .sort((a, b) => a.name.localeCompare(b.name))
    .map((table) => pageOf(table, said.get(table.name)));
  fs.writeFileSync(FILE, [HEAD, ...pages].join('\n'));
}

const HEAD =
  `# Data dictionary

Written by \`npm run schema\` from the migrations and the comments of the tables; not to ` +
  `be edited. Names carry their
unit: \`_kg\`, \`_m\`, \`_n\`, \`_rpm\`, \`_kg_m\` (unbalance). Every row of a ` +
  `workshop has \`id\` (UUIDv7), \`workshop_id\`,
\`revision\`, \`person_id\`, \`created_at\`, \`updated_at\`, ` +
  `\`deleted_at\`; where a table has all of them they are not listed again.
`;
const COMMON = ['id', 'workshop_id', 'revision', 'person_id', 'created_at', 'updated_at', 'deleted_at'];

function pageOf({ name, columns, foreignKeys, checkConstraints }, said = { table: '', columns: new Map() }) {
  const names = Object.keys(columns);
  const isUsual = COMMON.every((c) => names.includes(c));
  const own = names.filter((c) => !isUsual || !COMMON.includes(c));
  const targets = new Map(
    Object.values(foreignKeys).flatMap((k) => k.columnsFrom.map((c, i) => [c, `${k.tableTo}.${k.columnsTo[i]}`])),
  );
  const rules = Object.values(checkConstraints).map((c) =>
    c.value.replaceAll('"', '').replaceAll('|', '\\|').replace(/\s+/g, ' '),
  );
  const rows = own.map((c) => {
    const { type, notNull } = columns[c];
    const words = [
      said.columns.get(c),
      targets.has(c) ? `row of ${targets.get(c)}` : '',
      ...rules
        .filter((r) => new RegExp(`\\b${name}\\.${c}\\b`).test(r))
        .map((r) => `\`${r.replaceAll(`${name}.`, '')}\``),
    ].filter(Boolean);
    return `| \`${c}\` | ${type} | ${notNull ? 'always' : 'may be missing'} | ${words.join('; ')} |`;
  });
  return `## \`${name}\`\n\n${said.table}${isUsual ? ' With the usual columns.' : ''}\n\n| Column | Type | Given | What it is |\n|---|---|---|---|\n${rows.join('\n')}\n`
    .replace('\n\n\n\n', '\n\n')
    .replace('\n\n With', '\n\nWith');
}

/** The comment above each table, and above each of its columns. */
function commentsOfTables() {
  const found = new Map();
  for (const file of fs.readdirSync(SOURCES, { recursive: true }).filter((f) => f.endsWith('.table.ts'))) {
    const text = fs.readFileSync(path.join(SOURCES, file), 'utf8');
    for (const [, comment, body] of text.matchAll(
      /(?:\/\*\* ([^\n]*?) \*\/\n)?export const \w+ = pgTable\(([\s\S]*?)\n(?:\)|}\));/g,
    )) {
      const [, name] = body.match(/^\s*'(\w+)'/) ?? [];
      if (!name) continue;
      const columns = [...body.matchAll(/\/\*\* ([^\n]*?) \*\/\n\s*(\w+):/g)].map(([, words, column]) => [
        snake(column),
        words.replace(/\.$/, ''),
      ]);
      found.set(name, { table: comment ?? '', columns: new Map(columns) });
    }
  }
  return found;
}

function snake(name) {
  return name.replace(/[A-Z]/g, (c) => `_${c.toLowerCase()}`).replace(/(\D)(\d+)$/, '$1$2');
}
