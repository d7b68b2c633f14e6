import { connect } from './database.ts';
import { saveTemplate } from './folder.ts';
import { openPglite } from './openPglite.ts';
import { linkTo } from './pgliteLink.ts';

/** Makes the dump of an empty database with today's schema that new folders are copied from: `makeTemplate FOLDER FILE`. */
const [folder, file] = process.argv.slice(2);
if (folder === undefined || file === undefined) throw new Error('Two arguments are needed: a folder to work in and the file to write.');
const database = await openPglite(folder);
const { pool } = await connect(linkTo(database));
await pool.end();
await saveTemplate(database, file);
await database.close();
