import path from 'node:path';

const ENTRY = 'apps/server/dist/main.js';
/** The server as one file: it opens in two thirds of the time that its 2,600 modules take. */
export const SERVER = 'apps/server/dist/zivvo.js';

/**
 * What stays a package of its own: the database with its machine code, the PDF writer that looks for files beside
 * itself, and what the framework only asks for where somebody uses it.
 */
const OUTSIDE = [
  /^@electric-sql\//,
  /^@nestjs\/(microservices|websockets|platform-socket)/,
  /^(pdfmake|pg-native)$/,
  'class-transformer/storage',
  '@fastify/static',
];

/** Binds the compiled server and its packages into one file beside it. */
export async function bundleServer() {
  // Only now: on a fresh machine the packages come after these scripts have begun.
  const { rolldown } = await import('rolldown');
  const bundle = await rolldown({
    input: ENTRY,
    platform: 'node',
    external: OUTSIDE,
    plugins: [keepsItsPlace(path.resolve(path.dirname(SERVER)))],
    // Packages ask each other in ways that a bundler warns of; the journeys run on what comes out.
    logLevel: 'silent',
  });
  const { output } = await bundle.write({ file: SERVER, format: 'esm', sourcemap: true, codeSplitting: false });
  await bundle.close();
  if (/\b__(dirname|filename)\b/.test(output[0].code))
    throw new Error(`${SERVER} holds a package that looks for files beside itself: name it in OUTSIDE`);
}

/** A module goes on finding the files beside it: what it calls its own address is where it was. */
function keepsItsPlace(folder) {
  return {
    name: 'keeps-its-place',
    transform(code, id) {
      if (id.includes('node_modules') || !code.includes('import.meta.url')) return null;
      const place = path.relative(folder, id).split(path.sep).join('/');
      return code.replaceAll('import.meta.url', `new URL(${JSON.stringify(place)}, import.meta.url).href`);
    },
  };
}
