import { prepareFolder } from './folder.ts';

/** Makes the dump of an empty database that new folders are copied from: `makeTemplate FOLDER FILE`. */
const [folder, file] = process.argv.slice(2);
if (folder === undefined || file === undefined) throw new Error('Two arguments are needed: a folder to work in and the file to write.');
await prepareFolder(folder, file);
