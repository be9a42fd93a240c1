// Puts a brotli file beside every file that gets smaller by it, and says how large the folder is then: compress.mjs QUALITY FOLDER.
import { readdir, readFile, writeFile } from "node:fs/promises";
import { extname, join } from "node:path";
import { promisify } from "node:util";
import { brotliCompress, constants } from "node:zlib";

const [quality, folder] = process.argv.slice(2);
/** Compressed already. */
const dense = new Set([".br", ".png", ".woff", ".woff2"]);
const compress = promisify(brotliCompress);

async function sizeOf(file) {
  const plain = await readFile(file);
  if (dense.has(extname(file))) return plain.length;
  const packed = await compress(plain, {
    params: {
      [constants.BROTLI_PARAM_QUALITY]: Number(quality),
      [constants.BROTLI_PARAM_LGWIN]: 24,
      [constants.BROTLI_PARAM_SIZE_HINT]: plain.length,
    },
  });
  if (packed.length >= plain.length) return plain.length;
  await writeFile(`${file}.br`, packed);
  return packed.length;
}

const entries = await readdir(folder, { recursive: true, withFileTypes: true });
const files = entries.filter((e) => e.isFile() && !e.name.endsWith(".br")).map((e) => join(e.parentPath, e.name));
const total = (await Promise.all(files.map(sizeOf))).reduce((sum, size) => sum + size, 0);
console.log(`${folder}: ${(total / 1e6).toFixed(2)} MB compressed.`);
