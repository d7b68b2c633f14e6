import { connect } from './database.ts';
import { copyWhole } from './folder.ts';
import { openPglite } from './openPglite.ts';
import { linkTo } from './pgliteLink.ts';

/** Makes the empty database with today's schema that new folders are copied from: `makeTemplate WORKPLACE FOLDER`. */
const [workplace, folder] = process.argv.slice(2);
if (workplace === undefined || folder === undefined)
  throw new Error('Two arguments are needed: a folder to work in and the one to make.');
const database = await openPglite(workplace);
const { pool } = await connect(linkTo(database));
await pool.end();
await database.close();
copyWhole(workplace, folder);
